package yellowrail.core.idle;

import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.HalfPrimary;
import yellowrail.core.amp.Seen;
import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.target.Target;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Ratings;

/**
 * The idle check: from what was read to watts, per cent, verdict and the reading to turn to.
 *
 * <p>Plate dissipation is {@code Pp = Vpk · Ip}; it is compared with the plate rating, screen dissipation with the
 * screen rating, and their sum only where a combined limit is published. Pure: the same question has the same answer.
 */
public final class IdleCheck {
    /** Copper 30 °C warmer than when its resistance was measured. */
    private static final double WARM_COPPER_EFFECT = 0.12;

    private IdleCheck() {}

    /**
     * Answers a question. Never throws for a question that could be built; what cannot be told is empty in the answer
     * and named in its list of what is missing.
     *
     * @param windows the target windows to turn into meter readings beside the chosen one
     */
    public static IdleAnswer answer(IdleQuestion question, List<Window> windows) {
        Findings findings = new Findings();
        Optional<Ratings> ratings =
                question.stage().ratings().filter(r -> r.plateWatts().isPresent());
        if (ratings.isEmpty()) {
            findings.needs(
                    "tube type",
                    question.stage().type().isEmpty()
                            ? "The tube type is missing: there is no rating to compare with."
                            : "No plate rating is known for this type: enter it from the maker's sheet.");
        }
        Optional<Seen.Current> seen = see(question, findings);
        Optional<CurrentSplit> split = seen.flatMap(s -> CurrentSplit.of(question, s, findings));
        Optional<Estimate> vpk = new PlateVoltage(question, findings).find(seen, split.map(CurrentSplit::plate));
        Optional<Estimate> watts = split.flatMap(s -> vpk.map(v -> v.times(s.plate())));
        watts.ifPresent(w -> findings.formula(() -> new Formula(
                "Plate dissipation",
                "Pp = Vpk · Ip",
                Show.si(vpk.get().value(), Unit.VOLT) + " · "
                        + Show.si(split.get().plate().value(), Unit.AMPERE),
                Show.plusMinus(w.value(), w.likely()) + " W")));
        Optional<Double> upperBound =
                seen.flatMap(s -> vpk.map(v -> v.value() * s.perTube().value()));
        Optional<Double> unloaded = question.plate().reference() == PlateVolts.Reference.TUBES_OUT
                ? question.plate().volts().map(Typed::value)
                : Optional.empty();
        if (ratings.isEmpty() || watts.isEmpty()) {
            List<Slip> slips = ratings.isPresent() && seen.isPresent()
                    ? Slips.find(question, ratings.get(), seen.get(), vpk, Optional.empty())
                    : List.of();
            return new IdleAnswer(
                    split.flatMap(CurrentSplit::cathode),
                    split.map(CurrentSplit::plate),
                    split.flatMap(CurrentSplit::screen),
                    vpk,
                    watts,
                    upperBound,
                    Optional.empty(),
                    ratings,
                    Optional.empty(),
                    Optional.empty(),
                    "",
                    unloaded,
                    Judge.unknown(findings),
                    List.of(),
                    List.of(),
                    findings.ranked(),
                    slips,
                    findings.notes,
                    findings.formulas());
        }
        return judged(
                question,
                windows,
                findings,
                ratings.get(),
                seen.get(),
                split.get(),
                vpk.get(),
                watts.get(),
                upperBound);
    }

    private static IdleAnswer judged(
            IdleQuestion question,
            List<Window> windows,
            Findings findings,
            Ratings ratings,
            Seen.Current seen,
            CurrentSplit split,
            Estimate vpk,
            Estimate watts,
            Optional<Double> upperBound) {
        Figure rating = ratings.plateWatts().orElseThrow();
        Estimate share = watts.times(1 / rating.value());
        MainsJudgement mains = MainsJudgement.of(question, ratings, findings);
        double spread = 1 + (seen.mean() ? question.circumstances().spread().orElse(0.0) : 0.0);
        Estimate judged = share.times(mains.factor() * spread);
        findings.formula(() -> new Formula(
                "Share of the rating",
                "Pp / P rated (" + ratings.edition() + ")",
                Show.significant(watts.value(), 4) + " W / " + Show.significant(rating.value(), 3) + " W",
                Show.plusMinus(100 * share.value(), 100 * share.likely()) + " %"));
        findings.formula(() -> errorFormula(watts.errors()));
        if (rating.toBeVerified()) {
            findings.notes.add("The plate rating of " + Show.significant(rating.value(), 3)
                    + " W is to be verified with the maker's sheet.");
        }
        if (seen.mean()) {
            meanOnly(question, seen, judged.value() / spread, findings);
        }
        OtherLimits others = new OtherLimits(question, ratings, findings, mains.factor());
        others.check(Optional.of(split), Optional.of(vpk), Optional.of(watts), spread);
        Optional<Window> window = window(question, rating.value(), vpk, split, findings);
        Verdict verdict =
                new Judge(question, ratings, findings, others, mains, seen.mean()).judge(share, judged, window);
        return new IdleAnswer(
                split.cathode(),
                Optional.of(split.plate()),
                split.screen(),
                Optional.of(vpk),
                Optional.of(watts),
                upperBound,
                others.screenWatts,
                Optional.of(ratings),
                Optional.of(share),
                Optional.of(judged),
                mains.words(),
                Optional.empty(),
                verdict,
                new LazyList<>(others.checks),
                TargetReadings.of(question, windows, rating.value(), vpk, split),
                findings.ranked(),
                Slips.find(question, ratings, seen, Optional.of(vpk), Optional.of(share)),
                findings.notes,
                findings.formulas());
    }

    private static Optional<Seen.Current> see(IdleQuestion question, Findings findings) {
        if (question.reading().isEmpty()) {
            findings.needs("meter reading", "The meter reading is missing: without a current there are no watts.");
            return Optional.empty();
        }
        if (question.reading().get().value() < 0) {
            findings.needs(
                    "current reading",
                    question.method().see(question.reading().get(), question.meter()) instanceof Seen.Nothing nothing
                            ? sentence(nothing.reason())
                            : "A current cannot be below zero: are the leads swapped?");
            return Optional.empty();
        }
        Seen seen = question.method().see(question.reading().get(), question.meter());
        if (seen instanceof Seen.Nothing nothing) {
            findings.needs("current reading", sentence(nothing.reason()));
            return Optional.empty();
        }
        Seen.Current current = (Seen.Current) seen;
        findings.formula(() -> new Formula(
                current.kind() == Seen.Kind.CATHODE ? "Cathode current" : "Current seen",
                current.symbols(),
                current.numbers(),
                Show.si(current.perTube().value(), Unit.AMPERE)));
        findings.notes.addAll(current.notes());
        if (question.method() instanceof HalfPrimary winding
                && winding.warmerBy().isEmpty()) {
            findings.lacks(
                    "winding temperature",
                    WARM_COPPER_EFFECT,
                    "The winding's temperature is not known: warm copper reads high, about 4 % for each 10 °C.",
                    false);
            findings.upperBound = true;
        }
        return Optional.of(current);
    }

    private static void meanOnly(IdleQuestion question, Seen.Current seen, double judgedMean, Findings findings) {
        String toCeiling = judgedMean > 0 && judgedMean < question.ceiling()
                ? " The ceiling is reached once one tube draws "
                        + Show.significant(100 * (question.ceiling() / judgedMean - 1), 2) + " % more than the mean."
                : "";
        findings.notes.add("Mean of " + seen.tubes() + ": the individual tubes are not seen." + toCeiling);
        if (question.circumstances().spread().isEmpty()) {
            findings.lacks(
                    "spread between the tubes",
                    0.2,
                    "One reading stands for " + seen.tubes()
                            + " tubes: how unequal they are is not known. Read each on an adaptor, or state a spread.",
                    false);
        }
    }

    private static Optional<Window> window(
            IdleQuestion question, double ratedWatts, Estimate vpk, CurrentSplit split, Findings findings) {
        if (question.target().isEmpty()) {
            return Optional.empty();
        }
        Target target = question.target().get();
        if (target instanceof Window window) {
            return Optional.of(window);
        }
        Optional<Window> meaning =
                TargetReadings.meaning(question, (Target.MakersFigure) target, ratedWatts, vpk, split);
        meaning.ifPresent(w -> findings.notes.add("The maker's figure means " + Show.fixed(100 * w.aim(), 1)
                + " % of this rating at the present plate volts."));
        return meaning;
    }

    private static Formula errorFormula(ErrorBudget errors) {
        StringBuilder terms = new StringBuilder();
        for (ErrorBudget.Term term : errors.terms()) {
            if (term.relative() > 0) {
                terms.append(terms.isEmpty() ? "" : ", ")
                        .append(term.source())
                        .append(' ')
                        .append(Show.significant(100 * term.relative(), 2))
                        .append(" %");
            }
        }
        return new Formula(
                "Uncertainty",
                "likely = 2/√3 · √Σa², worst = Σa; errors of one meter are added first",
                terms.isEmpty() ? "no limits of error known" : terms.toString(),
                "± " + Show.significant(100 * errors.likely(), 2) + " % likely, ± "
                        + Show.significant(100 * errors.worst(), 2) + " % at worst");
    }

    private static String sentence(String reason) {
        return Character.toUpperCase(reason.charAt(0)) + reason.substring(1) + ".";
    }
}
