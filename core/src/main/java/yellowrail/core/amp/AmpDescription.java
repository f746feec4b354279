package yellowrail.core.amp;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.tube.Connection;

/**
 * An output stage described once. A description is never changed, only followed by a new one, so that readings keep the
 * description they were taken with.
 *
 * @param name what the builder calls the amp, 1 to 60 characters
 * @param topology push-pull or single-ended
 * @param connection where the screens are fed from
 * @param tap ultralinear tap, 0 to 1
 * @param bias the bias scheme
 * @param controls what the idle is set with
 * @param sockets 1 to 8 output tubes, in measuring order
 * @param groups sensing points; every socket stands behind one
 * @param screenOhms resistor of each screen, Ω; empty when there is none or it is not known
 * @param chokeOhms choke or B+ resistor for the cross-check of the total, Ω; empty when not used
 * @param mains nominal, lowest and highest mains, V
 * @param nodes B+ and bias nodes
 * @param transformers what is known of them
 * @param quirks what to know before the first reading, or empty
 * @param makersFigure what the maker asks to be read at the amp's test point, as typed; or empty
 * @param target name of the chosen target, or empty while none is chosen
 * @param judgeBy name of the rating system to judge by, or empty for the lowest plate rating
 * @param ceiling share of the rating; empty for the usual one
 */
public record AmpDescription(
        String name,
        Topology topology,
        Connection connection,
        double tap,
        BiasScheme bias,
        ControlLayout controls,
        List<Socket> sockets,
        List<SenseGroup> groups,
        Optional<Double> screenOhms,
        Optional<Double> chokeOhms,
        Mains mains,
        List<SupplyNode> nodes,
        Transformers transformers,
        String quirks,
        String makersFigure,
        String target,
        String judgeBy,
        Optional<Double> ceiling) {
    public AmpDescription {
        if (name.isBlank() || name.length() > 60) {
            throw new IllegalArgumentException("an amp's name has 1 to 60 characters");
        }
        sockets = List.copyOf(sockets);
        groups = List.copyOf(groups);
        nodes = List.copyOf(nodes);
        if (sockets.isEmpty() || sockets.size() > 8) {
            throw new IllegalArgumentException(sockets.size() + " output tubes; 1 to 8");
        }
        Set<String> names = new HashSet<>();
        for (Socket socket : sockets) {
            if (!names.add(socket.name())) {
                throw new IllegalArgumentException("two sockets are called “" + socket.name() + "”");
            }
        }
        Set<String> sensed = new HashSet<>();
        for (SenseGroup group : groups) {
            for (String socket : group.sockets()) {
                if (!names.contains(socket)) {
                    throw new IllegalArgumentException(
                            "sense point “" + group.name() + "” names an unknown socket “" + socket + "”");
                }
                if (!sensed.add(socket)) {
                    throw new IllegalArgumentException("socket “" + socket + "” stands behind two sense points");
                }
            }
        }
        if (!sensed.equals(names)) {
            names.removeAll(sensed);
            throw new IllegalArgumentException("no sense point for " + String.join(", ", names));
        }
    }

    /** The sensing point a socket stands behind. */
    public SenseGroup groupOf(String socket) {
        return groups.stream()
                .filter(g -> g.sockets().contains(socket))
                .findFirst()
                .orElseThrow();
    }

    /** The same amp with its bias behaviour told. */
    public AmpDescription biased(BiasScheme told) {
        return new AmpDescription(
                name,
                topology,
                connection,
                tap,
                told,
                controls,
                sockets,
                groups,
                screenOhms,
                chokeOhms,
                mains,
                nodes,
                transformers,
                quirks,
                makersFigure,
                target,
                judgeBy,
                ceiling);
    }

    public double ceilingShare() {
        return ceiling.orElse(bias.usualCeiling(topology));
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

    /** Whether another description means the same stage and supply: names, notes and targets aside. */
    public boolean meansTheSame(AmpDescription other) {
        return named(other).equals(other);
    }

    private AmpDescription named(AmpDescription other) {
        return new AmpDescription(
                other.name,
                topology,
                connection,
                tap,
                bias,
                controls,
                sockets,
                groups,
                screenOhms,
                chokeOhms,
                mains,
                nodes,
                transformers,
                other.quirks,
                other.makersFigure,
                other.target,
                judgeBy,
                ceiling);
    }
}
