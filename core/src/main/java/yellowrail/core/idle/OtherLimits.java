package yellowrail.core.idle;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import yellowrail.core.amp.Connection;
import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Ratings;

/**
 * The limits beside plate dissipation: screen watts, plate plus screen where published, plate volts, screen volts,
 * cathode current. Each has its own state; the dissipations count for the verdict like the plate's.
 */
final class OtherLimits {
    private final IdleQuestion question;
    private final Ratings ratings;
    private final Findings findings;
    private final double mainsFactor;
    final List<Supplier<LimitCheck>> checks = new ArrayList<>(6);
    Optional<Estimate> screenWatts = Optional.empty();
    /** Dissipations over their limit, or with the limit inside the error band; sentences. */
    final List<String> dissipationsOver = new ArrayList<>();
    /** Voltages and currents over their limit; sentences. */
    final List<String> othersOver = new ArrayList<>();

    OtherLimits(IdleQuestion question, Ratings ratings, Findings findings, double mainsFactor) {
        this.question = question;
        this.ratings = ratings;
        this.findings = findings;
        this.mainsFactor = mainsFactor;
    }

    void check(
            Optional<CurrentSplit> split, Optional<Estimate> vpk, Optional<Estimate> plateWatts, double spreadFactor) {
        Optional<Estimate> screenVolts = screenToCathode(vpk);
        Optional<Estimate> screenAmps = split.flatMap(CurrentSplit::screen);
        if (screenVolts.isPresent() && screenAmps.isPresent()) {
            screenWatts = Optional.of(screenVolts.get().times(screenAmps.get()));
            findings.formula(() -> new Formula(
                    "Screen dissipation",
                    "Pg2 = Vg2k · Ig2",
                    Show.si(screenVolts.get().value(), Unit.VOLT) + " · "
                            + Show.si(screenAmps.get().value(), Unit.AMPERE, 3),
                    Show.significant(screenWatts.get().value(), 3) + " W"));
        }
        boolean screenBound =
                question.screenVolts().isEmpty() && question.stage().connection() == Connection.PENTODE;
        judgeScreen(screenWatts.map(w -> w.times(spreadFactor)), screenBound);
        if (ratings.combinedWatts().isPresent()) {
            Optional<Estimate> both = plateWatts.flatMap(p -> screenWatts.map(s -> new Estimate(
                    spreadFactor * (p.value() + s.value()),
                    p.errors().likely() > s.errors().likely() ? p.errors() : s.errors())));
            dissipation("plate plus screen dissipation", both, ratings.combinedWatts(), true);
        }
        plain("plate volts", vpk, ratings.plateVolts(), Unit.VOLT);
        plain("screen volts", screenBound ? Optional.empty() : screenVolts, ratings.screenVolts(), Unit.VOLT);
        plain(
                "cathode current",
                split.flatMap(CurrentSplit::cathode).map(c -> c.times(spreadFactor)),
                ratings.cathodeAmperes(),
                Unit.AMPERE);
    }

    /** Screen to cathode: measured, or the plate's volts in triode and ultralinear, or the plate's as a bound. */
    private Optional<Estimate> screenToCathode(Optional<Estimate> vpk) {
        if (question.screenVolts().isEmpty()) {
            return vpk;
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

    private void judgeScreen(Optional<Estimate> watts, boolean bound) {
        boolean overAsBound = bound
                && watts.isPresent()
                && ratings.screenWatts().isPresent()
                && watts.get().high() * mainsFactor
                        >= ratings.screenWatts().get().value();
        if (overAsBound) {
            findings.lacks(
                    "screen volts",
                    0.1,
                    "Screen volts are missing: with the plate's volts on the screen its dissipation"
                            + " would reach the limit.",
                    true);
            checks.add(() -> new LimitCheck(
                    "screen dissipation",
                    "screen volts not given",
                    watt(ratings.screenWatts()),
                    LimitCheck.State.UNKNOWN));
            return;
        }
        dissipation("screen dissipation", watts, ratings.screenWatts(), !bound);
    }

    private void dissipation(String name, Optional<Estimate> watts, Optional<Figure> limit, boolean exact) {
        if (watts.isEmpty() || limit.isEmpty()) {
            checks.add(() -> new LimitCheck(
                    name,
                    watts.map(w -> Show.significant(w.value(), 3) + " W").orElse("screen current not known"),
                    watt(limit),
                    LimitCheck.State.UNKNOWN));
            return;
        }
        Estimate judged = watts.get().times(mainsFactor);
        double max = limit.get().value();
        LimitCheck.State state = judged.low() > max
                ? LimitCheck.State.OVER
                : judged.high() >= max ? LimitCheck.State.AT : LimitCheck.State.WITHIN;
        String present =
                (exact ? "" : "at most ") + Show.significant(watts.get().value(), 3) + " W";
        checks.add(() -> new LimitCheck(name, present, watt(limit), state));
        if (state != LimitCheck.State.WITHIN) {
            dissipationsOver.add(name.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + name.substring(1) + " is "
                    + Show.plusMinus(judged.value(), judged.likely()) + " W"
                    + (mainsFactor == 1 ? "" : " at the mains it is judged at") + " against a limit of "
                    + Show.significant(max, 3) + " W.");
        }
    }

    private void plain(String name, Optional<Estimate> value, Optional<Figure> limit, Unit unit) {
        String limitText = limit.map(l -> Show.si(l.value(), unit, 3)).orElse("not published");
        if (value.isEmpty() || limit.isEmpty()) {
            checks.add(() -> new LimitCheck(
                    name,
                    value.map(v -> Show.si(v.value(), unit, 3)).orElse("not known"),
                    limitText,
                    LimitCheck.State.UNKNOWN));
            return;
        }
        double max = limit.get().value();
        LimitCheck.State state = value.get().value() > max
                ? LimitCheck.State.OVER
                : value.get().high() >= max ? LimitCheck.State.AT : LimitCheck.State.WITHIN;
        checks.add(() -> new LimitCheck(name, Show.si(value.get().value(), unit, 3), limitText, state));
        if (state == LimitCheck.State.OVER) {
            othersOver.add(name.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + name.substring(1) + ": "
                    + Show.si(value.get().value(), unit, 3) + " against a published limit of " + limitText + " ("
                    + ratings.system().words() + ").");
        }
    }

    private static String watt(Optional<Figure> limit) {
        return limit.map(l -> Show.significant(l.value(), 3) + " W").orElse("not published");
    }
}
