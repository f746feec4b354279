package yellowrail.core.idle;

import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.judging.JudgementWords;
import yellowrail.core.reading.Band;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;

/** What there is to say of the mains a check was read at, and how figures are carried to another. */
final class MainsFindings {
    /** Mains that nobody gave may be this far below the highest. */
    private static final double USUAL_RISE = 1.1;

    private MainsFindings() {}

    static void find(IdleQuestion question, Findings findings) {
        Optional<Mains> mains = question.circumstances().mains();
        Optional<Double> now = mains.flatMap(Mains::now);
        if (now.isEmpty()) {
            double rise = question.stage().bias().dissipationFactor(USUAL_RISE) - 1;
            findings.lacks(
                    "mains voltage",
                    rise,
                    "The mains voltage is not given: dissipation at the highest mains could be "
                            + Show.significant(100 * rise, 2) + " % more than read for +10 % mains.",
                    true);
            return;
        }
        double highest = mains.get().highest();
        if (now.get() > highest * (1 + 1e-9)) {
            findings.lacks(
                    "highest mains",
                    question.stage().bias().dissipationFactor(USUAL_RISE) - 1,
                    volts(now.get()) + " now, above the " + volts(highest)
                            + " you gave as the highest: correct the highest mains of this amp.",
                    true);
            return;
        }
        double ratio = highest / now.get();
        if (ratio > BiasScheme.MOST_RATIO || mains.get().nominal() / now.get() > BiasScheme.MOST_RATIO) {
            findings.lacks(
                    "reading nearer " + volts(highest) + " mains",
                    1,
                    "The mains was " + volts(now.get()) + " and the highest is " + volts(highest)
                            + ": further than an estimate reaches. Read again nearer to it.",
                    true);
        } else if (mains.get().nominal() / now.get() < BiasScheme.LEAST_RATIO) {
            findings.lacks(
                    "reading nearer " + volts(mains.get().nominal()) + " mains",
                    1,
                    "The mains was " + volts(now.get()) + ", far above the nominal "
                            + volts(mains.get().nominal()) + ": is the nominal voltage right? Read again nearer to it.",
                    true);
        }
    }

    /** What the point would be at nominal mains, where that is lower: it makes no figure better, but explains it. */
    static void atNominal(
            IdleQuestion question, Assessor.Outcome outcome, Point point, double ratedWatts, Findings findings) {
        Optional<Mains> mains = question.circumstances().mains();
        double ratio = mains.flatMap(m -> m.now().map(now -> m.nominal() / now)).orElse(1.0);
        if (ratio >= LEAST_FALL || ratio < BiasScheme.LEAST_RATIO) {
            return;
        }
        Band watts = outcome.limits().at(point, ratio);
        long low = Math.round(100 * watts.low() / ratedWatts);
        long high = Math.round(100 * watts.high() / ratedWatts);
        findings.notes.add("At the nominal " + volts(mains.orElseThrow().nominal()) + " it would be "
                + (low == high ? "" : low + " to ") + high + " % of the rating"
                + (question.stage().bias().outcomes().size() > 1
                        ? " with " + outcome.bias().words()
                        : "") + "; it is judged as read.");
    }

    /** Mains less than this above nominal need no word. */
    private static final double LEAST_FALL = 0.99;

    /** What dissipation at highest mains is called. */
    static String judgedAt(IdleQuestion question, Assessor.Outcome outcome) {
        Optional<Mains> mains = question.circumstances().mains();
        if (mains.flatMap(Mains::now).isEmpty()) {
            return "as read, mains not given";
        }
        return outcome.limits().reaches()
                ? "at highest mains, " + volts(mains.get().highest())
                : "as read at " + volts(mains.get().now().get()) + " mains";
    }

    static void formula(IdleQuestion question, Assessor.Outcome outcome, Point point, double idle, Findings findings) {
        Optional<Mains> mains = question.circumstances().mains();
        Optional<Double> now = mains.flatMap(Mains::now);
        if (now.isEmpty() || !outcome.limits().reaches() || !(mains.get().highest() > now.get())) {
            return;
        }
        double ratio = mains.get().highest() / now.get();
        Band x = outcome.limits().exponent(point, idle, ratio);
        Band factor = x.powerOf(ratio);
        findings.formula(() -> new Formula(
                "At " + volts(mains.get().highest()) + " mains, "
                        + outcome.bias().words(),
                "P ∝ mains^x, an estimate"
                        + (outcome.limits().solved() ? "; x from this type's curves at this point" : ""),
                "(" + Show.significant(mains.get().highest(), 4) + " / " + Show.significant(now.get(), 4) + ")^"
                        + Show.significant(x.low(), 2) + "…" + Show.significant(x.high(), 2),
                "× " + Show.significant(factor.low(), 3) + " to " + Show.significant(factor.high(), 3)));
    }

    private static String volts(double volts) {
        return JudgementWords.figure(volts, Unit.VOLT);
    }
}
