package yellowrail.core.load;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import yellowrail.core.amp.Topology;
import yellowrail.core.fit.Operation;
import yellowrail.core.fit.Operations;
import yellowrail.core.reading.Show;
import yellowrail.core.tube.Connection;

/** Loads of makers' published operations against the ohms of a transformer: what it was made for. */
public final class PublishedLoads {
    /** Published loads of one type differ by this among themselves and are used by builders so, as a factor. */
    static final double USED = 1.6;
    /** Within this of a published load a transformer is meant for it, share. */
    static final double NEAR = 0.15;

    private static final int MOST_NAMED = 4;

    private PublishedLoads() {}

    /**
     * A published operation with its load for so many tubes.
     *
     * @param onEachSide tubes on each side
     * @param ohms at the primary, Ω; with more tubes on each side the load falls in proportion
     */
    public record Load(Operation operation, int onEachSide, double ohms) {
        /** {@code 2 × EL84 push-pull at 300 V, 8 kΩ}. */
        public String words() {
            boolean pushPull = operation.topology() == Topology.PUSH_PULL;
            int tubes = onEachSide * operation.tubes();
            return (tubes > 1 ? tubes + " × " : "")
                    + operation.type()
                    + (pushPull ? " push-pull" : " single-ended")
                    + switch (operation.connection()) {
                        case PENTODE -> "";
                        case ULTRALINEAR -> " ultralinear";
                        case TRIODE -> " triode";
                    }
                    + " at " + Show.plain(operation.plateVolts(), 3) + " V, " + LoadWords.plainOhms(ohms);
        }
    }

    /** @param onEachSide tubes on each side, from 1 */
    private static List<Load> all(Topology topology, int onEachSide) {
        return Operations.all().stream()
                .filter(o -> o.topology() == topology && o.loadOhms() > 0)
                .map(o -> new Load(o, onEachSide, o.loadOhms() / onEachSide))
                .toList();
    }

    /** Operations whose load is within 15 % of these ohms, pairs first, nearest first, each type once. */
    public static List<Load> near(double primaryOhms, Topology topology) {
        Set<String> named = new LinkedHashSet<>();
        List<Load> near = new ArrayList<>();
        Stream.concat(all(topology, 1).stream(), all(topology, 2).stream())
                .filter(l -> Math.abs(l.ohms() / primaryOhms - 1) <= NEAR)
                .sorted(Comparator.comparingInt(Load::onEachSide)
                        .thenComparingDouble(l -> Math.abs(Math.log(l.ohms() / primaryOhms))))
                .filter(l -> named.add(l.operation().type()))
                .limit(MOST_NAMED)
                .forEach(near::add);
        return List.copyOf(near);
    }

    /**
     * Says so when the transformer is meant for other tubes: its ohms lie beyond all loads published for this type in this
     * connection, by more than builders depart from them. Where nothing is published for the type, nothing is said.
     *
     * @param leastOhms low end of the error of the primary's ohms with its taps loaded as marked, Ω
     * @param mostOhms high end
     */
    public static Optional<Remark> otherTubes(
            String type, Connection connection, Topology topology, int onEachSide, double leastOhms, double mostOhms) {
        List<Load> own = all(topology, onEachSide).stream()
                .filter(l -> l.operation().type().equals(type))
                .toList();
        List<Load> connected = own.stream()
                .filter(l -> l.operation().connection() == connection)
                .toList();
        List<Load> published = connected.isEmpty() ? own : connected;
        if (published.isEmpty()) {
            return Optional.empty();
        }
        double least = published.stream().mapToDouble(Load::ohms).min().orElseThrow();
        double most = published.stream().mapToDouble(Load::ohms).max().orElseThrow();
        if (mostOhms >= least / USED && leastOhms <= most * USED) {
            return Optional.empty();
        }
        double middle = Math.sqrt(leastOhms * mostOhms);
        List<Load> others = near(middle, topology);
        String range = least == most
                ? LoadWords.plainOhms(least)
                : LoadWords.plainOhms(least) + " to " + LoadWords.plainOhms(most);
        return Optional.of(new Remark(
                Remark.Code.OTHER_TUBES,
                "marked",
                "With its taps loaded as marked this transformer shows " + LoadWords.plainOhms(middle) + ". "
                        + type + (onEachSide > 1 ? ", " + onEachSide + " on each side," : "") + " is published with "
                        + range + ": it belongs to other tubes. "
                        + (others.isEmpty()
                                ? "No published operation in the catalogue comes near it."
                                : "Near it are published: "
                                        + String.join(
                                                "; ",
                                                others.stream().map(Load::words).toList())
                                        + ".")
                        + " Another tap for the same speaker brings the load nearer; its rated power and currents are then"
                        + " to be watched."));
    }
}
