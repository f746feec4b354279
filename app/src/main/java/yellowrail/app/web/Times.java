package yellowrail.app.web;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import org.springframework.stereotype.Component;

/** Times as a page's {@code time} elements name them; what is shown is worded in the reader's own zone by a script. */
@Component("times")
public class Times {
    /** @param millis since 1970; nothing for none */
    public String iso(Long millis) {
        return millis == null || millis <= 0
                ? null
                : Instant.ofEpochMilli(millis).truncatedTo(ChronoUnit.SECONDS).toString();
    }
}
