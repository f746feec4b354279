package yellowrail.app.forms;

import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yellowrail.core.amp.sensing.Parameter;
import yellowrail.core.amp.sensing.Way;
import yellowrail.core.amp.sensing.Ways;

/**
 * The ways of taking current and their fields, for a form.
 *
 * @param picks the ways that can be picked
 * @param fields the fields they ask for, in order
 * @param ticks those to be ticked
 * @param several the ways whose reading can stand for several tubes, as the form's script wants them
 * @param withoutCathode the ways that tell a current but not the cathode volts
 */
public record SensingFields(
        List<Pick> picks, List<Asked> fields, List<Asked> ticks, String several, String withoutCathode) {
    /** One way. */
    public record Pick(String id, String words) {
        /** Whether a form's word stands for this way; earlier words do too. */
        public boolean is(String word) {
            return MethodReader.way(word).filter(w -> w.id().equals(id)).isPresent();
        }
    }

    /**
     * One field.
     *
     * @param ways that ask for it, as the form's script wants them
     * @param narrow whether a few digits are all it takes
     */
    public record Asked(Parameter parameter, String ways, boolean narrow) {}

    private static final SensingFields CHECK = of(Ways.ALL, p -> true, Way::words);

    private static final SensingFields AMP =
            of(Ways.kept(), p -> p.kind() == Parameter.Kind.QUANTITY || p.kind() == Parameter.Kind.TICK, Way::ampWords);

    public static SensingFields ofCheck() {
        return CHECK;
    }

    public static SensingFields ofAmp() {
        return AMP;
    }

    private static SensingFields of(
            List<Way<?>> ways, Predicate<Parameter> shown, java.util.function.Function<Way<?>, String> words) {
        List<Asked> asked = Ways.parameters().stream()
                .filter(shown)
                .map(p -> asked(p, ways))
                .filter(a -> !a.ways().isEmpty())
                .toList();
        return new SensingFields(
                ways.stream().map(w -> new Pick(w.id(), words.apply(w))).toList(),
                asked.stream()
                        .filter(a -> a.parameter().kind() != Parameter.Kind.TICK)
                        .toList(),
                asked.stream()
                        .filter(a -> a.parameter().kind() == Parameter.Kind.TICK)
                        .toList(),
                ids(ways.stream().filter(Way::several)),
                ids(ways.stream().filter(w -> w.tells() == Way.Tells.CURRENT)));
    }

    /** Whether a form's word stands for a way that can be picked; blank is the usual one. */
    public boolean offers(String word) {
        return picks.stream().anyMatch(p -> p.is(word));
    }

    private static Asked asked(Parameter parameter, List<Way<?>> ways) {
        boolean narrow = parameter.hint().length() <= 3;
        return new Asked(parameter, ids(ways.stream().filter(w -> w.asks(parameter.name()))), narrow);
    }

    private static String ids(Stream<Way<?>> ways) {
        return ways.map(Way::id).collect(Collectors.joining(","));
    }
}
