package yellowrail.core.idle;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import yellowrail.core.amp.sensing.SensedCurrent;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.judging.Known;
import yellowrail.core.reading.Band;
import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.target.Target;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Correction;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Ratings;

/**
 * The idle check: from what was read to watts, per cent, verdict and the reading to turn to.
 *
 * <p>Plate dissipation is {@code Pp = Vpk · Ip}; it is compared with the plate rating, screen dissipation with the
 * screen rating, and their sum only where a combined limit is published. Pure: the same question has the same answer.
 */
public final class IdleCheck {
    /** What is missing without a reading at the sense point. */
    public static final String METER_READING = "meter reading";

    /** A current counts as settled while it moves by 1 % in 5 min: two power-ons may each be so far off. Share. */
    private static final double UNKNOWN_DRIFT = 0.02;

    /** Copper 30 °C warmer than when its resistance was measured. */
    /** How far below the highest permitted idle counts as as hot as the limits permit, share of the rating. */
    static final double PERMITTED_WINDOW = 0.05;
    /** A last digit above this share of the reading is coarse. */
    private static final double COARSE = 0.01;

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
        Optional<SensedCurrent.Current> seen = see(question, findings);
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
                    : Slips.find(question);
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
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    unloaded,
                    List.of(),
                    unknown(findings),
                    List.of(),
                    List.of(),
                    findings.ranked(),
                    List.copyOf(findings.contradictions),
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

    private static Verdict unknown(Findings findings) {
        return Verdict.unknown(findings.ranked().stream()
                .filter(Missing::blocks)
                .map(Missing::sentence)
                .toList());
    }

    private static IdleAnswer judged(
            IdleQuestion question,
            List<Window> windows,
            Findings findings,
            Ratings ratings,
            SensedCurrent.Current seen,
            CurrentSplit split,
            Estimate vpk,
            Estimate watts,
            Optional<Double> upperBound) {
        Figure rating = ratings.plateWatts().orElseThrow();
        Estimate share = watts.times(1 / rating.value());
        double spread = 1 + (seen.mean() ? question.circumstances().spread().orElse(0.0) : 0.0);
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
        question.stage()
                .type()
                .map(Correction::differences)
                .filter(d -> !d.isEmpty())
                .ifPresent(d ->
                        findings.notes.add("Judged by your correction of the type: " + String.join("; ", d) + "."));
        Contradictions.find(question, Optional.of(split), Optional.of(vpk), findings);
        MainsFindings.find(question, findings);
        Point point = new PointOf(question, findings).point(vpk, split, spread);
        List<Assessor.Outcome> outcomes = question.stage().bias().outcomes().stream()
                .map(b -> Assessor.Outcome.of(question, ratings, b, point))
                .toList();
        if (seen.mean()) {
            meanOnly(question, seen, share.value(), findings);
        }
        LimitChecks limits = new LimitChecks(question, point, outcomes);
        limits.lacking(findings);
        digits(question, watts, share, findings);
        outcomes.forEach(o -> MainsFindings.formula(question, o, point, share.value() * spread, findings));
        outcomes.forEach(o -> MainsFindings.atNominal(question, o, point, rating.value(), findings));
        HighestPermitted hottest = new HighestPermitted(
                question, outcomes.stream().map(Assessor.Outcome::limits).toList(), point, split, rating.value());
        Optional<Permitted> permitted = hottest.find();
        Optional<Window> chosen = window(question, rating.value(), vpk, split, findings);
        Optional<Window> window = chosen.map(w -> reachingDown(w, permitted));
        Verdict verdict =
                new Assessor(question, ratings, findings, outcomes).assess(share, chosen, window, seen.mean());
        Estimate atHighest = outcomes.stream()
                .map(o -> o.limits().atHighest(point).times(1 / rating.value()))
                .max(Comparator.comparingDouble(Estimate::high))
                .orElseThrow();
        return new IdleAnswer(
                split.cathode(),
                Optional.of(split.plate()),
                split.screen(),
                Optional.of(vpk),
                Optional.of(watts),
                upperBound,
                point.screenWatts().map(w -> w.times(1 / spread)),
                Optional.of(ratings),
                Optional.of(share),
                Optional.of(atHighest),
                MainsFindings.judgedAt(question, outcomes.get(0)),
                atHighest(outcomes, point, rating.value()),
                window,
                permitted,
                Optional.empty(),
                new LazyList<Known>(outcomes.stream()
                        .map(o -> (Supplier<Known>) () -> o.limits().known(point))
                        .toList()),
                verdict,
                limits.lines(),
                TargetReadings.of(question, windows, rating.value(), vpk, split, hottest, permitted),
                findings.ranked(),
                List.copyOf(findings.contradictions),
                Slips.find(question, ratings, seen, Optional.of(vpk), Optional.of(share)),
                findings.notes,
                findings.formulas());
    }

    private static Optional<Band> atHighest(List<Assessor.Outcome> outcomes, Point point, double rated) {
        return outcomes.stream()
                .flatMap(o -> o.limits().highestBand(point).stream())
                .reduce((a, b) ->
                        new Band(Math.min(a.low(), b.low()), Math.max(a.mid(), b.mid()), Math.max(a.high(), b.high())))
                .map(b -> new Band(b.low() / rated, b.mid() / rated, b.high() / rated));
    }

    /** Where the limits permit less than the window asks, the five points of per cent below what they permit count as in it. */
    private static Window reachingDown(Window window, Optional<Permitted> permitted) {
        double low = permitted
                .filter(Permitted::exists)
                .map(p -> p.share() - PERMITTED_WINDOW)
                .orElse(window.low());
        return low > 0 && low < window.low() ? new Window(window.name(), low, window.high(), window.why()) : window;
    }

    /** A band that the typed digits make: the next one has to be typed too. */
    private static void digits(IdleQuestion question, Estimate watts, Estimate share, Findings findings) {
        question.reading()
                .filter(r -> r.value() != 0 && r.lastDigit() / Math.abs(r.value()) > COARSE)
                .filter(r -> watts.errors().of(SensingMethod.CURRENT_READING)
                        > share.errors().likely() / 2)
                .ifPresent(
                        r -> findings.notes.add("“" + r.echo() + "” has so few digits that they make most of the error"
                                + " band: type every digit the meter shows, zeros included."));
    }

    private static Optional<SensedCurrent.Current> see(IdleQuestion question, Findings findings) {
        if (question.reading().isEmpty()) {
            findings.needs(METER_READING, "The meter reading is missing: without a current there are no watts.");
            return Optional.empty();
        }
        if (question.reading().get().value() < 0) {
            findings.needs(
                    "current reading",
                    question.method().see(question.reading().get(), question.meter())
                                    instanceof SensedCurrent.Nothing nothing
                            ? sentence(nothing.reason())
                            : "A current cannot be below zero: are the leads swapped?");
            return Optional.empty();
        }
        SensedCurrent seen = question.method().see(question.reading().get(), question.meter());
        if (seen instanceof SensedCurrent.Nothing nothing) {
            findings.needs("current reading", sentence(nothing.reason()));
            return Optional.empty();
        }
        Optional<Double> drift = question.circumstances().drift();
        SensedCurrent.Current current = ((SensedCurrent.Current) seen).drifted(drift.orElse(0.0));
        if (drift.isEmpty()) {
            findings.lacks(
                    "the first position read again",
                    UNKNOWN_DRIFT,
                    "Read by turns: the first position is read again at the end. How far it moved says how sure the"
                            + " others still are.",
                    true);
        }
        findings.formula(() -> new Formula(
                current.kind() == SensedCurrent.Kind.CATHODE ? "Cathode current" : "Current seen",
                current.symbols(),
                current.numbers(),
                Show.si(current.perTube().value(), Unit.AMPERE)));
        findings.notes.addAll(current.notes());
        question.method().notKnown().ifPresent(n -> {
            findings.lacks(n.what(), n.effect(), n.sentence(), false);
            findings.upperBound = true;
        });
        return Optional.of(current);
    }

    private static void meanOnly(
            IdleQuestion question, SensedCurrent.Current seen, double judgedMean, Findings findings) {
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
