package yellowrail.app.store;

import java.time.OffsetDateTime;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * How the positions of a round were read by turns: one adaptor went from socket to socket.
 *
 * @param positions the power-on of each, by socket
 * @param drift how far the first position had moved when it was read again at the end, share; empty where it was not
 */
public record StoredTurns(Map<String, PowerOn> positions, Optional<Double> drift) {
    /**
     * One power-on.
     *
     * @param on when it began
     * @param read when its current was read
     * @param mains V; empty where it was not read in it
     */
    public record PowerOn(OffsetDateTime on, OffsetDateTime read, Optional<Double> mains) {}

    public StoredTurns {
        positions = new TreeMap<>(positions);
    }
}
