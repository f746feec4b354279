package yellowrail.app.lan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.Test;

class PatienceTest {
    private final Patience patience = new Patience();
    private final Instant start = Instant.parse("2026-11-25T10:00:00Z");

    @Test
    void eachWrongOneDoublesTheWaitUpToAMinute() {
        Instant now = start;
        long before = 0;
        for (int i = 0; i < 9; i++) {
            patience.wrong("192.0.2.7", now);
            long wait = patience.left("192.0.2.7", now).toSeconds();
            assertThat(wait).isGreaterThanOrEqualTo(before).isLessThanOrEqualTo(60);
            before = wait;
            now = now.plusSeconds(wait);
        }
        assertThat(before).isEqualTo(60);
        assertThat(patience.left("192.0.2.8", now)).isEqualTo(Duration.ZERO);
        patience.right("192.0.2.7");
        assertThat(patience.left("192.0.2.7", now)).isEqualTo(Duration.ZERO);
    }

    @Test
    void manyAddressesTogetherMakeEverybodyWait() {
        for (int i = 0; i < 25; i++) {
            patience.wrong("192.0.2." + i, start);
        }
        assertThat(patience.left("198.51.100.1", start)).isPositive();
        assertThat(patience.left("198.51.100.1", start.plusSeconds(6))).isEqualTo(Duration.ZERO);
    }
}
