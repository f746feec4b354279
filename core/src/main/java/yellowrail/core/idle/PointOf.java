package yellowrail.core.idle;

import java.util.Optional;
import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Connection;

/** Puts the point together that is judged: screen volts from the cathode, and the hottest tube of a stated spread. */
final class PointOf {
    private final IdleQuestion question;
    private final Findings findings;

    PointOf(IdleQuestion question, Findings findings) {
        this.question = question;
        this.findings = findings;
    }

    /** @param spread how far the hottest tube lies above the mean, as a factor */
    Point point(Estimate volts, CurrentSplit split, double spread) {
        boolean triode = question.stage().type().filter(t -> !t.hasScreen()).isPresent();
        Optional<Estimate> screenVolts = triode ? Optional.empty() : screenToCathode(volts);
        boolean unread =
                question.screenVolts().isEmpty() && question.stage().connection() == Connection.PENTODE && !triode;
        if (screenVolts.isPresent() && split.screen().isPresent()) {
            Estimate watts = screenVolts.get().times(split.screen().get());
            findings.formula(() -> new Formula(
                    "Screen dissipation",
                    "Pg2 = Vg2k · Ig2",
                    Show.si(screenVolts.get().value(), Unit.VOLT) + " · "
                            + Show.si(split.screen().get().value(), Unit.AMPERE, 3),
                    (unread ? "at most " : "") + Show.significant(watts.value(), 3) + " W"));
        }
        return new Point(
                volts,
                split.plate().times(spread),
                split.screen().map(s -> s.times(spread)),
                split.cathode().map(c -> c.times(spread)),
                screenVolts,
                unread);
    }

    /** Screen to cathode: measured, or the plate's volts in triode and ultralinear, or the plate's as a bound. */
    private Optional<Estimate> screenToCathode(Estimate plate) {
        if (question.screenVolts().isEmpty()) {
            return Optional.of(plate);
        }
        Typed volts = question.screenVolts().get();
        Meter meter = question.voltMeter();
        double cathode = question.plate()
                .cathodeVolts()
                .map(Typed::value)
                .or(() -> question.method().tellsCathodeVolts()
                        ? question.reading().filter(r -> r.unit() == Unit.VOLT).map(Typed::value)
                        : Optional.empty())
                .orElse(0.0);
        double value = volts.value() - cathode;
        if (!(value > 0)) {
            findings.lacks(
                    "screen volts above the cathode's",
                    0.1,
                    "The screen reading of " + volts.echo()
                            + " is not above the cathode voltage, so the screen is not judged: one of the two is wrong.",
                    true);
            return Optional.empty();
        }
        return Optional.of(
                new Estimate(value, ErrorBudget.exact().and("meter on screen volts", meter.limit(volts) / value)));
    }
}
