package yellowrail.app.swap;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.forms.FieldSpec.Pick;
import yellowrail.app.stage.OnStage;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Unit;
import yellowrail.core.swap.BiasChange;
import yellowrail.core.tube.Connection;

/** The fields of what is to go in: a few candidates beside one another. */
final class CandidateFields {
    /** Candidates beside one another. */
    static final int CANDIDATES = 4;

    /** What is asked of a candidate. */
    record Candidate(
            int place,
            FieldSpec<String> type,
            FieldSpec<Optional<Integer>> count,
            FieldSpec<Optional<Connection>> wired,
            FieldSpec<BiasChange> bias,
            FieldSpec<Optional<Double>> ohms,
            FieldSpec<Optional<Boolean>> sleeve) {
        private static Candidate of(int i) {
            return new Candidate(
                    i,
                    FieldSpec.plain("to" + i, "Candidate " + i + ", tube type").usually(i == 1 ? "EL34" : ""),
                    FieldSpec.count("count" + i, "Candidate " + i + ", how many", "", 1, 8),
                    FieldSpec.pick(
                            "wired" + i,
                            "Candidate " + i + ", connection",
                            new Pick<>("", "wiring as now", Optional.empty()),
                            new Pick<>("pentode", "pentode", Optional.of(Connection.PENTODE)),
                            new Pick<>("ul", "ultralinear", Optional.of(Connection.ULTRALINEAR)),
                            new Pick<>("triode", "triode", Optional.of(Connection.TRIODE))),
                    FieldSpec.pick(
                            "bias" + i,
                            "Candidate " + i + ", bias",
                            new Pick<>("", "bias as now", BiasChange.AS_NOW),
                            new Pick<>("fixed", "fixed bias", BiasChange.FIXED),
                            new Pick<>("tracking", "fixed bias that follows the mains", BiasChange.FIXED_TRACKING),
                            new Pick<>("constant", "fixed bias from a regulated supply", BiasChange.FIXED_CONSTANT),
                            new Pick<>("cathode", "cathode, one resistor", BiasChange.CATHODE),
                            new Pick<>("each", "cathode, one each", BiasChange.CATHODE_EACH)),
                    FieldSpec.quantity(
                            "ohms" + i,
                            "Candidate " + i + ", cathode resistor",
                            "Rk, Ω",
                            Field.of("the cathode resistor", Unit.OHM, Prefix.NONE, 10, 20e3)
                                    .aboveZero()),
                    FieldSpec.pick(
                            "sleeve" + i,
                            "Candidate " + i + ", metal sleeve",
                            new Pick<>("", "metal at the base: not looked at", Optional.empty()),
                            new Pick<>("no", "no metal at the base", Optional.of(false)),
                            new Pick<>("yes", "a metal sleeve at the base", Optional.of(true))));
        }

        private List<FieldSpec<?>> fields() {
            return List.of(type, count, wired, bias, ohms, sleeve);
        }
    }

    static final List<Candidate> TO =
            IntStream.rangeClosed(1, CANDIDATES).mapToObj(Candidate::of).toList();

    static final List<FieldSpec<?>> ALL =
            TO.stream().flatMap(c -> c.fields().stream()).toList();

    private CandidateFields() {}

    /** Candidates that are typed. */
    static List<Candidate> typed(OnStage form) {
        return TO.stream().filter(c -> !form.blank(c.type())).toList();
    }

    /** The field that a type picked from the list goes to: the first empty one, else the last. */
    static String freePlace(OnStage form) {
        return TO.stream()
                .map(Candidate::type)
                .filter(form::blank)
                .findFirst()
                .orElse(TO.get(CANDIDATES - 1).type())
                .name();
    }
}
