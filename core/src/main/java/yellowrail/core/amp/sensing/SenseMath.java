package yellowrail.core.amp.sensing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** The arithmetic that resistor-like sensing methods share: I = V/R for each of N tubes, errors included. */
final class SenseMath {

    static final String METER = SensingMethod.METER;

    private SenseMath() {}

    /** A drop in volts, or a current typed with its own symbol. */
    static Field dropField(String name, double ohms, int tubes) {
        return Field.of(
                        name,
                        Unit.VOLT,
                        ohms * tubes >= 100 ? Prefix.NONE : Prefix.MILLI,
                        1e-3 * ohms,
                        0.4 * ohms * tubes)
                .accepting(Unit.AMPERE);
    }

    static ErrorBudget meterError(Typed reading, Meter meter) {
        double size = Math.abs(reading.value());
        return size == 0
                ? ErrorBudget.exact()
                : ErrorBudget.exact().and(SensingMethod.CURRENT_READING, meter.limit(reading) / size, METER);
    }

    /** Cathode current of each of N tubes from a drop over R, or from a current typed as such. */
    static SensedCurrent.Current cathodeCurrent(
            Typed reading, Meter meter, SenseResistor resistor, int tubes, List<String> notes) {
        String share = tubes > 1 ? " / " + tubes : "";
        String shareSymbol = tubes > 1 ? " / N" : "";
        if (reading.unit() == Unit.AMPERE) {
            return new SensedCurrent.Current(
                    SensedCurrent.Kind.CATHODE,
                    new Estimate(reading.value() / tubes, meterError(reading, meter)),
                    tubes,
                    0,
                    "Ik = I" + shareSymbol,
                    reading.echo() + share,
                    notes);
        }
        double ohms = resistor.ohms();
        List<String> all = new ArrayList<>(notes);
        resistorNote(reading, resistor, tubes).ifPresent(all::add);
        ErrorBudget errors = meterError(reading, meter).and("resistor", resistor.relativeLimit(meter));
        return new SensedCurrent.Current(
                SensedCurrent.Kind.CATHODE,
                new Estimate(reading.value() / ohms / tubes, errors),
                tubes,
                0,
                "Ik = Vs / Rs" + shareSymbol,
                reading.echo() + " / " + Show.si(ohms, Unit.OHM, 4) + share,
                all);
    }

    /** Which resistance was used, and what the reading would mean with a measured one that was held back. */
    private static Optional<String> resistorNote(Typed reading, SenseResistor resistor, int tubes) {
        if (resistor.measured().isEmpty()) {
            return Optional.empty();
        }
        double measured = resistor.measured().get().value();
        String other = resistor.ohms() == measured
                ? ""
                : ": " + reading.echo() + " is " + Show.si(reading.value() / resistor.ohms() / tubes, Unit.AMPERE, 3)
                        + " with the marked value and "
                        + Show.si(reading.value() / measured / tubes, Unit.AMPERE, 3) + " with the measured one";
        return Optional.of("Resistor " + resistor.words() + other + ".");
    }

    static void checkTubes(int tubes) {
        if (tubes < 1 || tubes > 8) {
            throw new IllegalArgumentException(tubes + " tubes on one sensing point; 1 to 8");
        }
    }
}
