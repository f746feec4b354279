package yellowrail.core.amp;

import java.util.List;
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
    public Field field() {
        return Field.of("the needle", Unit.DIVISION, Prefix.NONE, 0.01, 1000);
    }

    @Override
    public String words() {
        return "on the amp's panel meter";
    }

    @Override
    public Seen see(Typed reading, Meter meter) {
        if (calibration.isEmpty()) {
            return new Seen.Nothing(
                    "a panel meter that was never calibrated gives a mark to compare with, not a current."
                            + " Take one true reading beside it to calibrate it");
        }
        Calibration known = calibration.get();
        double perDivision = known.amperes() / known.divisions();
        double needle = reading.value() == 0 ? 0 : reading.lastDigit() / 2 / Math.abs(reading.value());
        return new Seen.Current(
                Seen.Kind.CATHODE,
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
}
