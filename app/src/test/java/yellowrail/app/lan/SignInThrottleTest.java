package yellowrail.app.lan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;

class SignInThrottleTest {
    private final SignInThrottle throttle = new SignInThrottle();
    private final Instant start = Instant.parse("2026-11-25T10:00:00Z");

    @Test
    void eachWrongOneDoublesTheWaitUpToAMinute() {
        Instant now = start;
        long before = 0;
        for (int i = 0; i < 9; i++) {
            throttle.wrong("192.0.2.7", now);
            long wait = throttle.left("192.0.2.7", now).toSeconds();
            assertThat(wait).isGreaterThanOrEqualTo(before).isLessThanOrEqualTo(60);
            before = wait;
            now = now.plusSeconds(wait);
        }
        assertThat(before).isEqualTo(60);
        assertThat(throttle.left("192.0.2.8", now)).isEqualTo(Duration.ZERO);
        throttle.right("192.0.2.7");
        assertThat(throttle.left("192.0.2.7", now)).isEqualTo(Duration.ZERO);
    }

    @Test
    void manyAddressesTogetherMakeEverybodyWait() {
        for (int i = 0; i < 25; i++) {
            throttle.wrong("192.0.2." + i, start);
        }
        assertThat(throttle.left("198.51.100.1", start)).isPositive();
        assertThat(throttle.left("198.51.100.1", start.plusSeconds(6))).isEqualTo(Duration.ZERO);
    }
}
