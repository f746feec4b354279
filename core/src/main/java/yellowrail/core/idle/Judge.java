package yellowrail.core.idle;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Ratings;

/**
 * Makes the verdict. Rating and ceiling are judged with the error band, at the mains the rating system asks for and for
 * the worst tube of a stated spread; the window is compared with the share as read, since that is what is turned to.
 */
final class Judge {
    private final IdleQuestion question;
    private final Ratings ratings;
    private final Findings findings;
    private final OtherLimits others;
    private final MainsJudgement mains;
    private final boolean mean;
    private final List<Supplier<String>> reasons = new ArrayList<>(4);
    private final Set<Verdict.Qualifier> qualifiers = EnumSet.noneOf(Verdict.Qualifier.class);

    Judge(
            IdleQuestion question,
            Ratings ratings,
            Findings findings,
            OtherLimits others,
            MainsJudgement mains,
            boolean mean) {
        this.question = question;
        this.ratings = ratings;
        this.findings = findings;
        this.others = others;
        this.mains = mains;
        this.mean = mean;
    }

    static Verdict unknown(Findings findings) {
        return new Verdict(
                Verdict.Place.UNKNOWN,
                false,
                Set.of(),
                findings.ranked().stream()
                        .filter(Missing::blocks)
                        .map(Missing::sentence)
                        .toList());
    }

    Verdict judge(Estimate share, Estimate judged, Optional<Window> window) {
        qualify();
        Verdict.Place place = place(share, judged, window);
        boolean possibly =
                (place == Verdict.Place.ABOVE_RATING && judged.value() <= 1 && others.dissipationsOver.isEmpty())
                        || (place == Verdict.Place.ABOVE_CEILING && judged.value() <= question.ceiling());
        List<Missing> blocking =
                findings.missing.stream().filter(Missing::blocks).toList();
        if (place == Verdict.Place.IN_WINDOW && (!blocking.isEmpty() || qualifiers.contains(Verdict.Qualifier.STALE))) {
            reasons.add(
                    0, () -> percent(share.value()) + " as read lies in your window, but that is no all-clear yet.");
            blocking.forEach(m -> reasons.add(m::sentence));
            place = Verdict.Place.UNKNOWN;
        }
        others.othersOver.forEach(o -> reasons.add(() -> o));
        return new Verdict(place, possibly, qualifiers, new LazyList<>(reasons));
    }

    private void qualify() {
        Circumstances state = question.circumstances();
        if (state.limiter()) {
            qualifiers.add(Verdict.Qualifier.PROVISIONAL);
            reasons.add(() -> "A limiter is in series: heaters and B+ are low, so this is provisional.");
        }
        if (state.reducedMains()) {
            qualifiers.add(Verdict.Qualifier.PROVISIONAL);
            reasons.add(() -> "The mains is turned down: this is provisional.");
        }
        state.pairing().stale().ifPresent(why -> {
            qualifiers.add(Verdict.Qualifier.STALE);
            reasons.add(() -> "Stale: " + why + ".");
        });
        if (mean) {
            qualifiers.add(Verdict.Qualifier.MEAN_ONLY);
        }
        if (findings.upperBound) {
            qualifiers.add(Verdict.Qualifier.UPPER_BOUND);
        }
        if (!others.othersOver.isEmpty()) {
            qualifiers.add(Verdict.Qualifier.OTHER_LIMIT);
        }
    }

    private Verdict.Place place(Estimate share, Estimate judged, Optional<Window> window) {
        if (judged.high() >= 1 || !others.dissipationsOver.isEmpty()) {
            if (judged.high() >= 1) {
                reasons.add(() -> judgedText(judged)
                        + (judged.value() > 1 ? ": above the rating." : ": the rating lies inside the error band."));
            }
            others.dissipationsOver.forEach(o -> reasons.add(() -> o));
            return Verdict.Place.ABOVE_RATING;
        }
        if (judged.high() >= question.ceiling()) {
            reasons.add(() -> judgedText(judged)
                    + (judged.value() > question.ceiling()
                            ? ": above your ceiling of " + percent(question.ceiling()) + "."
                            : ": your ceiling of " + percent(question.ceiling()) + " lies inside the error band."));
            return Verdict.Place.ABOVE_CEILING;
        }
        if (window.isEmpty()) {
            reasons.add(() -> judgedText(judged) + ": under your ceiling of " + percent(question.ceiling())
                    + ". No target is chosen, so there is nothing to be in or out of.");
            return Verdict.Place.NO_TARGET;
        }
        Window aim = window.get();
        reasons.add(() -> plusMinus(share) + " as read, your window is " + percent(aim.low()) + " to "
                + percent(aim.high()) + " (" + aim.name() + "); " + judgedText(judged) + ".");
        // The edges as they are printed: 0.5499999 is 55 % to a builder.
        double edge = 1e-9;
        return share.value() < aim.low() - edge
                ? Verdict.Place.BELOW_WINDOW
                : share.value() > aim.high() + edge ? Verdict.Place.ABOVE_WINDOW : Verdict.Place.IN_WINDOW;
    }

    private String judgedText(Estimate judged) {
        return plusMinus(judged) + " of the "
                + Show.plain(ratings.plateWatts().orElseThrow().value(), 3) + " W "
                + ratings.system().words() + " rating " + mains.words() + worstTube();
    }

    private String worstTube() {
        return !mean
                ? ""
                : question.circumstances()
                        .spread()
                        .filter(s -> s > 0)
                        .map(s -> " for the hottest tube of a ±" + Show.plain(100 * s, 2) + " % spread")
                        .orElse("");
    }

    private static String plusMinus(Estimate share) {
        return Show.plusMinus(100 * share.value(), 100 * share.likely()) + " %";
    }

    private static String percent(double share) {
        return Show.plain(100 * share, 3) + " %";
    }
}
