package yellowrail.core.swap;

import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.swap.Chassis.HeaterWinding;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.TubeType;

/** Heater current of all output tubes and what else hangs on their winding, against what the winding gives. */
final class HeaterRow {
    /** Heater volts that differ by less are the same, V: 6.3 and 6.3. */
    private static final double SAME_VOLTS = 0.05;

    private HeaterRow() {}

    static SwapRow of(SwapQuestion question) {
        TubeType type = question.candidate().type();
        HeaterWinding winding = question.chassis().part(HeaterWinding.class);
        int tubes = question.candidate().tubes() * question.chassis().channels();
        Optional<Figure> amperes = type.heaterAmperes();
        Optional<Figure> volts = type.heaterVolts();
        if (amperes.isEmpty() || volts.isEmpty()) {
            return row(SwapVerdict.UNKNOWN, "The heater of the " + type.designation() + " is not known here.")
                    .mend("Enter it from the maker's sheet on the type's page.");
        }
        Optional<Double> present = question.present().type().heaterVolts().map(Figure::value);
        if (present.isEmpty()) {
            return row(
                    SwapVerdict.UNKNOWN,
                    "What volts the heater winding gives is not known: the heater of the "
                            + question.present().type().designation() + " is not known here, the "
                            + type.designation() + " takes " + volts(volts.get().value()) + ".");
        }
        if (present.filter(v -> Math.abs(v - volts.get().value()) > SAME_VOLTS).isPresent()) {
            return row(
                            SwapVerdict.FAIL,
                            "The " + type.designation() + " takes "
                                    + volts(volts.get().value()) + ", the winding gives " + volts(present.get())
                                    + " for the present tubes.")
                    .figures(volts(volts.get().value()), volts(present.get()), Double.NaN)
                    .mend("A heater supply of its own, insulated for the volts between heater and cathode.");
        }
        double tubesAmperes = tubes * amperes.get().value();
        String sum = tubes + " × " + amps(amperes.get().value());
        if (winding.others().isEmpty() || winding.amperes().isEmpty()) {
            String asked = winding.amperes().isEmpty()
                    ? "What the heater winding may give is not answered"
                    : "What else hangs on the heater winding is not answered";
            return row(
                            SwapVerdict.UNKNOWN,
                            asked + ": the new tubes alone take " + sum + " = " + amps(tubesAmperes)
                                    + rise(question, tubesAmperes, volts.get().value()) + ".")
                    .figures(amps(tubesAmperes), "not answered", Double.NaN)
                    .mend(
                            "Type the winding's rating and what else it feeds; a transformer without a plate is rated by its"
                                    + " maker only: what it carries today is no rating.");
        }
        double total = tubesAmperes + winding.others().get();
        double usable = winding.amperes().get() * (1 - winding.reserve());
        String formula = sum + " + " + amps(winding.others().get()) + " for other heaters = " + amps(total)
                + (winding.reserve() > 0
                        ? "; of " + amps(winding.amperes().get()) + " " + Show.plain(100 * winding.reserve(), 3)
                                + " % stay free"
                        : "");
        double over = total - usable;
        boolean passed = over > 1e-9;
        String reason = sum + " and " + amps(winding.others().get()) + " for other heaters make " + amps(total) + " of "
                + amps(usable) + (passed ? ": " + amps(over) + " over" : ", " + amps(-over) + " are left")
                + present(question, winding.others().get(), usable)
                + rise(question, tubesAmperes, volts.get().value()) + "."
                + (amperes.get().toBeVerified() ? " The heater current is to be verified with the maker's sheet." : "");
        double each = (usable - winding.others().get()) / tubes;
        return row(
                        passed ? SwapVerdict.FAIL : amperes.get().toBeVerified() ? SwapVerdict.NOTE : SwapVerdict.PASS,
                        reason)
                .figures(amps(total), amps(usable), total / usable)
                .mend(
                        !passed
                                ? ""
                                : "A heater transformer of its own for " + amps(tubesAmperes)
                                        + (each > 0 ? ", or tubes of at most " + amps(each) + " each." : "."))
                .formula(formula);
    }

    /** What the winding gives today. */
    private static String present(SwapQuestion question, double others, double usable) {
        return presentAmperes(question)
                .map(a -> "; with the present tubes it is " + amps(a + others) + ", "
                        + Show.fixed(100 * (a + others) / usable, 0) + " %")
                .orElse("");
    }

    private static Optional<Double> presentAmperes(SwapQuestion question) {
        return question.present()
                .type()
                .heaterAmperes()
                .map(f -> f.value()
                        * question.present().tubes()
                        * question.chassis().channels());
    }

    /** How much more the transformer has to give, or less. */
    private static String rise(SwapQuestion question, double amperes, double volts) {
        Optional<Double> before = presentAmperes(question);
        if (before.isEmpty()) {
            return "";
        }
        double watts = (amperes - before.get()) * volts;
        return Math.abs(watts) < 0.05
                ? "; as much as the present tubes"
                : "; the transformer gives " + Show.si(Math.abs(watts), Unit.WATT, 2)
                        + (watts > 0 ? " more than now" : " less than now");
    }

    private static String amps(double amperes) {
        return Show.fixed(amperes, 2) + " A";
    }

    private static String volts(double volts) {
        return Show.plain(volts, 3) + " V";
    }

    private static SwapRow row(SwapVerdict verdict, String reason) {
        return SwapRow.of(Criterion.HEATER, verdict, reason);
    }
}
