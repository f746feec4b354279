package yellowrail.app;

import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.scheduling.annotation.EnableScheduling;

/** Starts the web application. */
@SpringBootApplication
@EnableScheduling
public class YellowRail {
    /** The time everything that happened is stamped with. */
    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }

    public static void main(String[] args) {
        SpringApplication.run(YellowRail.class, args);
    }
}
