package yellowrail.app;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/** Starts the web application. */
@SpringBootApplication
public class YellowRail {
    public static void main(String[] args) {
        SpringApplication.run(YellowRail.class, args);
    }
}
