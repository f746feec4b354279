package yellowrail.core.amp.sensing;

import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** What resistor-like ways of taking current are described by, and the sense resistor made of it. */
final class ResistorParameters {
    private static final Field OHMS =
            Field.of("a sense resistor", Unit.OHM, Prefix.NONE, 0.1, 10e3).aboveZero();
    private static final Field PERCENT = Field.of("per cent", Unit.PERCENT, Prefix.NONE, 0.01, 150);

    static final Parameter MARKED = Parameter.quantity("r", OHMS, " of ", "", "Marked (winding: cold), Ω", "1.00 Ω");
    static final Parameter TOLERANCE = Parameter.quantity("rtol", PERCENT, " ± ", "", "Tolerance, %", "1 %")
            .usually("1");
    static final Parameter MEASURED =
            Parameter.ofPoint("rm", OHMS, ", measured ", "", "Measured with the power off, Ω", "not yet");
    static final Parameter INSIST = Parameter.tick("insist", "insist on measured ohms that look like lead resistance");
    static final Parameter TUBES = new Parameter(
            "n", Parameter.Kind.TUBES, Optional.empty(), "", " for ", " tubes", "Tubes behind this reading", "2");

    /** Of one sense resistor. */
    static final List<Parameter> RESISTOR = List.of(MARKED, TOLERANCE, MEASURED, INSIST);

    /** Of one that several tubes can share. */
    static final List<Parameter> SHARED = List.of(MARKED, TOLERANCE, MEASURED, INSIST, TUBES);

    private ResistorParameters() {}

    static Optional<SenseResistor> resistor(Given given) {
        Optional<Typed> marked = given.needed(MARKED, "The resistor's ohms are missing.");
        Optional<Typed> measured = given.quantity(MEASURED);
        double tolerance = tolerance(given);
        boolean insist = given.yes(INSIST);
        return marked.flatMap(m -> given.made(MARKED, () -> new SenseResistor(m.value(), tolerance, measured, insist)));
    }

    /** Per cent. */
    static double tolerance(Given given) {
        double percent = given.quantity(TOLERANCE).map(Typed::value).orElse(1.0);
        if (percent > 50) {
            given.refuse(TOLERANCE, "A tolerance is 0 to 50 %.");
            return 50;
        }
        return percent;
    }

    /** How many tubes the point carries, where that has to be told. */
    static Optional<Integer> tubes(Given given, int least) {
        Optional<Integer> tubes = given.tubes(TUBES).filter(n -> n >= least);
        if (tubes.isEmpty() && !given.refused(TUBES)) {
            given.refuse(TUBES, "How many tubes does this point carry? A number from " + least + " to 8.");
        }
        return tubes;
    }
}
