package yellowrail.core.amp;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.tube.Connection;

/**
 * The tubes of an output stage and how they are wired.
 *
 * @param topology push-pull or single-ended
 * @param connection where the screens are fed from
 * @param tap ultralinear tap, 0 to 1
 * @param sockets 1 to 8 output tubes, in measuring order
 * @param screenOhms resistor of each screen, Ω; empty when there is none or it is not known
 */
public record StageLayout(
        Topology topology, Connection connection, double tap, List<Socket> sockets, Optional<Double> screenOhms) {
    public StageLayout {
        sockets = List.copyOf(sockets);
        if (sockets.isEmpty() || sockets.size() > 8) {
            throw new IllegalArgumentException(sockets.size() + " output tubes; 1 to 8");
        }
        Set<String> names = new HashSet<>();
        for (Socket socket : sockets) {
            if (!names.add(socket.name())) {
                throw new IllegalArgumentException("two sockets are called “" + socket.name() + "”");
            }
        }
    }

    /** The same stage with other tubes. */
    public StageLayout seated(List<Socket> others) {
        return new StageLayout(topology, connection, tap, others, screenOhms);
    }

    /** How many tubes share a half primary with this socket, itself included. */
    public int tubesOnSideOf(Socket socket) {
        return (int) sockets.stream()
                .filter(s -> s.channel() == socket.channel() && s.side() == socket.side())
                .count();
    }

    /** Designations in use, each once, in socket order. */
    public List<String> tubeTypes() {
        return sockets.stream().map(Socket::tubeType).distinct().toList();
    }
}
