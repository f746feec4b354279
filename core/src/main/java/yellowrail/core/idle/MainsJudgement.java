package yellowrail.core.idle;

import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Ratings;

/**
 * At which mains a rating is judged: a design-centre rating at nominal, the others at the highest. Watts are carried
 * there by {@code P ∝ M^x}, an estimate that holds within ±10 %.
 *
 * @param factor judged watts over watts as read
 * @param known whether the mains was known, so that {@code factor} means something
 * @param words what the judged share refers to
 */
record MainsJudgement(double factor, boolean known, String words) {
    static MainsJudgement of(IdleQuestion question, Ratings ratings, Findings findings) {
        Optional<Mains> mains = question.circumstances().mains();
        BiasScheme bias = question.stage().bias();
        boolean highest = ratings.system().judgedAtHighestMains();
        if (mains.isEmpty() || mains.get().now().isEmpty()) {
            double up = highest ? 1.1 : 1.05;
            findings.lacks(
                    "mains voltage",
                    Math.pow(up, bias.exponent(up)) - 1,
                    "Mains voltage is not given: a "
                            + ratings.system().words() + " rating is judged at "
                            + (highest ? "the highest" : "nominal") + " mains, which could be "
                            + Show.significant(100 * (Math.pow(up, bias.exponent(up)) - 1), 2)
                            + " % more than read for +"
                            + Math.round(100 * (up - 1)) + " % mains.",
                    true);
            return new MainsJudgement(1, false, "as read, mains not given");
        }
        double now = mains.get().now().get();
        double target = highest ? mains.get().highest() : mains.get().nominal();
        double factor = bias.dissipationFactor(target / now);
        String volts = Show.si(target, Unit.VOLT, 3);
        if (Double.isNaN(factor)) {
            findings.lacks(
                    "reading nearer " + volts + " mains",
                    Math.abs(target / now - 1) * bias.exponent(target / now),
                    "Mains was " + Show.si(now, Unit.VOLT, 3) + " and the rating is judged at " + volts
                            + ": further than an estimate reaches. Read again nearer to it.",
                    true);
            return new MainsJudgement(1, false, "as read at " + Show.si(now, Unit.VOLT, 3) + " mains");
        }
        double exponent = bias.exponent(target / now);
        if (factor != 1) {
            findings.formula(() -> new Formula(
                    "Judged at " + volts + " mains",
                    "P ∝ mains^x, x for " + bias.words()
                            + (bias == BiasScheme.FIXED_UNKNOWN || bias == BiasScheme.MIXED
                                    ? " (supply not known: the stricter exponent)"
                                    : "")
                            + ", estimate",
                    "(" + Show.significant(target, 4) + " / " + Show.significant(now, 4) + ")^"
                            + Show.significant(exponent, 2),
                    "× " + Show.significant(factor, 3)));
        }
        return new MainsJudgement(factor, true, (highest ? "at highest mains, " : "at nominal mains, ") + volts);
    }
}
