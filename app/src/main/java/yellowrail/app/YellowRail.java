package yellowrail.app;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.scheduling.annotation.EnableScheduling;

/** Starts the web application. */
@SpringBootApplication
@EnableScheduling
public class YellowRail {
    public static void main(String[] args) {
        SpringApplication.run(YellowRail.class, args);
    }
}
