package yellowrail.core.amp.sensing;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** The amp's own panel meter: a relative mark until it was calibrated against a true reading. */
public record PanelMeter(int tubes, Optional<Calibration> calibration) implements SensingMethod {
    private static final Parameter DIVISIONS = Parameter.quantity(
            "caldiv",
            Field.of("divisions", Unit.DIVISION, Prefix.NONE, 0.01, 1000).aboveZero(),
            ", calibrated: ",
            " divisions",
            "Calibrated at, divisions",
            "not");
    private static final Parameter TRUE_CURRENT = Parameter.quantity(
            "calma",
            Field.of("cathode current", Unit.AMPERE, Prefix.MILLI, 1e-3, 0.4).aboveZero(),
            " at ",
            "",
            "True current then, mA",
            "35 mA");

    /** A true reading beside the needle is taken as known within this share. */
    private static final double KNOWN_WITHIN = 0.03;

    static final Way<PanelMeter> WAY = new Way<>(
            "panel",
            PanelMeter.class,
            "on the panel meter",
            "on the panel meter",
            Way.Behind.ONE_OR_MORE,
            Way.Tells.CURRENT,
            true,
            List.of(ResistorParameters.TUBES, DIVISIONS, TRUE_CURRENT),
            given -> Optional.of(
                    new PanelMeter(given.tubes(ResistorParameters.TUBES).orElse(1), calibration(given))));

    /**
     * One true reading beside the needle.
     *
     * @param divisions what the needle showed, above zero
     * @param amperes the true cathode current of one tube then, A, above zero
     * @param relativeLimit how well that was known, as a share
     */
    public record Calibration(double divisions, double amperes, double relativeLimit) {
        public Calibration {
            if (!(divisions > 0 && divisions <= 1000) || !(amperes > 0 && amperes <= 1)) {
                throw new IllegalArgumentException(
                        "a calibration needs divisions above 0 and a current above 0 to 1 A");
            }
            if (!(relativeLimit >= 0 && relativeLimit <= 1)) {
                throw new IllegalArgumentException("a calibration's limit of error is 0 to 100 %");
            }
        }
    }

    public PanelMeter {
        SenseMath.checkTubes(tubes);
    }

    @Override
    public Way<PanelMeter> way() {
        return WAY;
    }

    @Override
    public Map<String, String> parameters() {
        return described();
    }

    @Override
    public Field field() {
        return Field.of("the needle", Unit.DIVISION, Prefix.NONE, 0.01, 1000);
    }

    @Override
    public String words() {
        return "on the amp's panel meter";
    }

    @Override
    public SensedCurrent see(Typed reading, Meter meter) {
        if (calibration.isEmpty()) {
            return new SensedCurrent.Nothing(
                    "a panel meter that was never calibrated gives a mark to compare with, not a current."
                            + " Take one true reading beside it to calibrate it");
        }
        Calibration known = calibration.get();
        double perDivision = known.amperes() / known.divisions();
        double needle = reading.value() == 0 ? 0 : reading.lastDigit() / 2 / Math.abs(reading.value());
        return new SensedCurrent.Current(
                SensedCurrent.Kind.CATHODE,
                new Estimate(
                        reading.value() * perDivision,
                        ErrorBudget.exact()
                                .and("calibration", known.relativeLimit())
                                .and("needle", needle)),
                tubes,
                0,
                "Ik = needle · (I / needle at calibration)",
                Show.significant(reading.value(), 4) + " · " + Show.si(perDivision, Unit.AMPERE) + " per division",
                List.of());
    }

    @Override
    public OptionalDouble readingAt(TubeCurrents eachTube) {
        return calibration
                .map(c -> OptionalDouble.of(eachTube.cathode() / c.amperes() * c.divisions()))
                .orElse(OptionalDouble.empty());
    }

    private Map<String, String> described() {
        Described described = new Described().tubes(tubes);
        calibration.ifPresent(c -> described.number(DIVISIONS, c.divisions()).milli(TRUE_CURRENT, c.amperes(), "A"));
        return described.texts();
    }

    private static Optional<Calibration> calibration(Given given) {
        Optional<Typed> divisions = given.quantity(DIVISIONS);
        Optional<Typed> amperes = given.quantity(TRUE_CURRENT);
        if (divisions.isPresent() != amperes.isPresent()) {
            Parameter missing = divisions.isPresent() ? TRUE_CURRENT : DIVISIONS;
            if (!given.refused(missing)) {
                given.refuse(missing, "A calibration needs both: the divisions shown and the true current then.");
            }
        }
        return divisions.flatMap(d -> amperes.flatMap(
                a -> given.made(TRUE_CURRENT, () -> new Calibration(d.value(), a.value(), KNOWN_WITHIN))));
    }
}
