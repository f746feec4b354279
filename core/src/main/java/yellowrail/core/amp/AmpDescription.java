package yellowrail.core.amp;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * An output stage described once. A description is never changed, only followed by a new one, so that readings keep the
 * description they were taken with.
 *
 * @param name what the builder calls the amp, 1 to 60 characters
 * @param stage tubes and how they are wired
 * @param bias how the idle is set
 * @param groups sensing points; every socket stands behind one
 * @param supply what feeds it
 * @param output the output transformer of each channel
 * @param judging what its readings are held against
 * @param quirks what to know before the first reading, or empty
 */
public record AmpDescription(
        String name,
        StageLayout stage,
        Bias bias,
        List<SenseGroup> groups,
        Supply supply,
        OutputTransformer output,
        Judging judging,
        String quirks) {
    public AmpDescription {
        if (name.isBlank() || name.length() > 60) {
            throw new IllegalArgumentException("an amp's name has 1 to 60 characters");
        }
        groups = List.copyOf(groups);
        Set<String> names = stage.sockets().stream().map(Socket::name).collect(Collectors.toCollection(HashSet::new));
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

    /** Its output tubes, in measuring order. */
    public List<Socket> sockets() {
        return stage.sockets();
    }

    public Mains mains() {
        return supply.mains();
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
        return new AmpDescription(name, stage, bias.told(told), groups, supply, output, judging, quirks);
    }

    /** The same amp with its tubes wired otherwise. */
    public AmpDescription wired(StageLayout other) {
        return new AmpDescription(name, other, bias, groups, supply, output, judging, quirks);
    }

    /** The same amp with the types of another description in sockets of the same names. */
    public AmpDescription seatedAs(AmpDescription other) {
        Map<String, String> types = new HashMap<>();
        other.sockets().forEach(s -> types.put(s.name(), s.tubeType()));
        return seated(types);
    }

    /** The same amp with these types, by socket; a socket that is not named keeps its own. */
    public AmpDescription seated(Map<String, String> types) {
        return wired(new StageLayout(
                stage.topology(),
                stage.connection(),
                stage.tap(),
                stage.sockets().stream()
                        .map(s ->
                                new Socket(s.name(), s.channel(), s.side(), types.getOrDefault(s.name(), s.tubeType())))
                        .toList(),
                stage.screenOhms()));
    }

    /** The same amp fed otherwise. */
    public AmpDescription fed(Supply other) {
        return new AmpDescription(name, stage, bias, groups, other, output, judging, quirks);
    }

    /** The same amp held against something else. */
    public AmpDescription judged(Judging other) {
        return new AmpDescription(name, stage, bias, groups, supply, output, other, quirks);
    }

    /** Share of the plate rating that is not passed when the idle is set. */
    public double ceilingShare() {
        return judging.ceiling().orElse(bias.scheme().usualCeiling(stage.topology()));
    }

    /** Whether another description means the same stage and supply: names, notes, targets and what is played aside. */
    public boolean meansTheSame(AmpDescription other) {
        Judging asOther = new Judging(
                other.judging.target(),
                judging.ceiling(),
                judging.system(),
                other.judging.makersFigure(),
                other.judging.duty());
        return new AmpDescription(other.name, stage, bias, groups, supply, output, asOther, other.quirks).equals(other);
    }
}
