package yellowrail.core.session;

import java.util.List;

/**
 * How a session is worked: it decides which of its steps are asked for.
 *
 * @param access what is opened
 * @param byTurns whether one adaptor goes from socket to socket, so that one position is read in each power-on
 * @param soaks whether the currents are watched over a soak; without one an amp is set at most
 * @param changing sockets whose tubes are to be changed
 * @param memory what earlier sessions of the amp learned
 */
public record Setup(Access access, boolean byTurns, boolean soaks, List<String> changing, Memory memory) {
    /** The chassis open, every point read in one power-on, a soak, no tube changed, nothing remembered. */
    public static final Setup WHOLE = new Setup(Access.OPEN, false, true, List.of(), Memory.NONE);

    public Setup {
        changing = List.copyOf(changing);
    }

    public Setup remembering(Memory other) {
        return new Setup(access, byTurns, soaks, changing, other);
    }
}
