package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThatCode;

import java.util.UUID;
import org.junit.jupiter.api.Test;

class SessionBroadcasterTest {
    /** A signing that was stored while the server stops is answered as stored. */
    @Test
    void tellingNobodyAfterItClosedIsNoFailure() {
        SessionBroadcaster broadcaster = new SessionBroadcaster();
        broadcaster.close();
        assertThatCode(() -> broadcaster.changed(UUID.randomUUID(), 3)).doesNotThrowAnyException();
    }
}
