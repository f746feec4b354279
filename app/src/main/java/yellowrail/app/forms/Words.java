package yellowrail.app.forms;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.app.forms.FieldSpec.Pick;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Duty;
import yellowrail.core.amp.Topology;
import yellowrail.core.idle.PlateVolts.Reference;
import yellowrail.core.reading.Meter;
import yellowrail.core.session.Access;
import yellowrail.core.tube.Connection;

/** The words that stand in forms, addresses and JSON for the core's alternatives. */
public final class Words {
    public static final List<Pick<Topology>> TOPOLOGY = List.of(
            new Pick<>("pp", "push-pull", Topology.PUSH_PULL), new Pick<>("se", "single-ended", Topology.SINGLE_ENDED));
    public static final List<Pick<Connection>> CONNECTION = List.of(
            new Pick<>("pentode", "pentode", Connection.PENTODE),
            new Pick<>("ul", "ultralinear", Connection.ULTRALINEAR),
            new Pick<>("triode", "triode", Connection.TRIODE));
    public static final List<Pick<Duty>> DUTY = List.of(
            new Pick<>("unsaid", "not said: music or guitar", Duty.NOT_SAID),
            new Pick<>("music", Duty.MUSIC.words(), Duty.MUSIC),
            new Pick<>("clean", Duty.CLEAN.words(), Duty.CLEAN),
            new Pick<>("hard", Duty.HARD.words(), Duty.HARD),
            new Pick<>("tone", Duty.TONE.words(), Duty.TONE));
    public static final List<Pick<BiasScheme>> BIAS = List.of(
            new Pick<>("unknown", "fixed bias, supply not known", BiasScheme.FIXED_UNKNOWN),
            new Pick<>("tracking", "fixed bias that follows the mains", BiasScheme.FIXED_TRACKING),
            new Pick<>("constant", "fixed bias from a regulated supply", BiasScheme.FIXED_CONSTANT),
            new Pick<>("cathode", "cathode bias", BiasScheme.CATHODE),
            new Pick<>("mixed", "mixed bias", BiasScheme.MIXED));
    public static final Map<String, Reference> REFERENCE = ordered(
            "chassis", Reference.CHASSIS,
            "cathode", Reference.CATHODE,
            "node", Reference.SUPPLY_NODE,
            "out", Reference.TUBES_OUT);
    public static final Map<String, Meter> METER =
            ordered("basic", Meter.BASIC, "handheld", Meter.HANDHELD, "fine", Meter.FINE, "bench", Meter.BENCH);

    public static final Map<String, Access> ACCESS =
            ordered("points", Access.TEST_POINTS, "adaptors", Access.ADAPTORS, "open", Access.OPEN);

    public static final Map<String, Boolean> YES_NO = ordered("yes", true, "no", false);

    private Words() {}

    /** What a word that answers how a fixed bias behaves means; empty for every other. */
    public static Optional<BiasScheme> fixedBias(String word) {
        return BIAS.stream()
                .filter(p -> p.value().equals(word))
                .map(Pick::means)
                .filter(BiasScheme.FIXED_UNKNOWN.outcomes()::contains)
                .findFirst();
    }

    /** What a word that answers what is played means; empty for every other. */
    public static Optional<Duty> duty(String word) {
        return DUTY.stream()
                .filter(p -> p.value().equals(word))
                .map(Pick::means)
                .findFirst();
    }

    @SuppressWarnings("unchecked")
    private static <T> Map<String, T> ordered(Object... pairs) {
        Map<String, T> map = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            map.put((String) pairs[i], (T) pairs[i + 1]);
        }
        return map;
    }
}
