package yellowrail.app;

import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;

/** Starts the web application. */
@SpringBootApplication
public class YellowRail {
    /** The time everything that happened is stamped with. */
    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }

    public static void main(String[] args) {
        // A connection of the pool is always tried before it is used: a database that is stopped, not dead, is found
        // out at once.
        System.setProperty("com.zaxxer.hikari.aliveBypassWindowMs", "0");
        SpringApplication.run(YellowRail.class, args);
    }
}
