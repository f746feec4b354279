package yellowrail.core.swap;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.StageJudgement;

/**
 * The sheet of one candidate.
 *
 * @param before the stage as it is; empty when it cannot be solved
 * @param after the stage with the candidate; empty when it cannot be solved
 * @param trouble why one of them is empty, or empty
 * @param judged every limit of the stage with the candidate; empty where it cannot be solved
 * @param rows every criterion that applies, in the order of the sheet
 */
public record SwapSheet(
        SwapQuestion question,
        Optional<SolvedStage> before,
        Optional<SolvedStage> after,
        String trouble,
        List<StageJudgement> judged,
        List<SwapRow> rows) {
    public SwapSheet {
        judged = List.copyOf(judged);
        rows = List.copyOf(rows);
    }

    public static SwapSheet of(SwapQuestion question) {
        return of(question, SolvedStage::before);
    }

    /** @param present how the stage as it is was solved: all candidates share it; may throw {@link NoSolution} */
    public static SwapSheet of(SwapQuestion asked, Function<Present, SolvedStage> present) {
        SwapQuestion question = Proposal.settled(asked);
        List<SwapRow> rows;
        Optional<SolvedStage> before = Optional.empty();
        Optional<SolvedStage> after = Optional.empty();
        String trouble = "";
        List<StageJudgement> judged = List.of();
        try {
            SolvedStage solved = present.apply(question.present());
            before = Optional.of(solved);
            SolvedStage changed = SolvedStage.after(question);
            after = Optional.of(changed);
            rows = rows(question, before, after);
            LimitRows limits = new LimitRows(question, solved, changed);
            judged = limits.judged();
            rows.addAll(limits.rows());
        } catch (NoSolution none) {
            trouble = none.getMessage();
            rows = rows(question, Optional.empty(), Optional.empty());
            rows.addAll(unsolved(question, trouble));
        }
        rows.sort(Comparator.comparing(SwapRow::criterion));
        return new SwapSheet(question, before, after, trouble, judged, rows);
    }

    private static List<SwapRow> rows(
            SwapQuestion question, Optional<SolvedStage> before, Optional<SolvedStage> after) {
        List<SwapRow> rows = new ArrayList<>();
        for (Criterion criterion : Criterion.values()) {
            criterion.row(question, before, after).ifPresent(rows::add);
        }
        return rows;
    }

    /** Where the stage cannot be solved, what would follow from it is unknown. */
    private static List<SwapRow> unsolved(SwapQuestion question, String trouble) {
        List<Criterion> needing = new ArrayList<>(List.of(Criterion.PLATE_VOLTS, Criterion.PLATE_HEAT));
        if (question.candidate().type().hasScreen()) {
            needing.add(Criterion.SCREEN_VOLTS);
            needing.add(Criterion.SCREEN_HEAT);
        }
        return needing.stream()
                .map(c -> SwapRow.of(c, SwapVerdict.UNKNOWN, trouble))
                .toList();
    }

    /** The worst of its rows: a pass only where there is not a single note. */
    public SwapVerdict overall() {
        return rows.stream().map(SwapRow::verdict).reduce(SwapVerdict.PASS, SwapVerdict::worse);
    }

    /**
     * The row that decides: of the worst verdict pins and heater, which no control mends; else the one furthest over its
     * limit; else the first.
     */
    public SwapRow deciding() {
        SwapVerdict overall = overall();
        List<SwapRow> worst = rows.stream().filter(r -> r.verdict() == overall).toList();
        return worst.stream()
                .filter(r -> r.criterion() == Criterion.PINS || r.criterion() == Criterion.HEATER)
                .findFirst()
                .orElseGet(() -> worst.stream()
                        .max(Comparator.comparingDouble(r -> Double.isNaN(r.share()) ? 0 : r.share()))
                        .orElseThrow());
    }

    /** How many rows have a verdict. */
    public long count(SwapVerdict verdict) {
        return rows.stream().filter(r -> r.verdict() == verdict).count();
    }

    /** What power would do, computed, and that a bigger tube by itself gives none. */
    public String power() {
        String rule = " A bigger tube does not by itself raise output power: supply, load and bias decide it.";
        if (before.isEmpty() || after.isEmpty()) {
            return "Power is not computed: " + trouble + rule;
        }
        double old = before.get().drive().full().watts();
        double now = after.get().drive().full().watts();
        double band = after.get().bands().watts();
        return "At clipping: " + Show.si(old, Unit.WATT, 3) + " with the present "
                + question.present().words() + ", " + Show.si(now, Unit.WATT, 3) + " with "
                + question.candidate().words()
                + (Double.isFinite(band)
                        ? " (model, ±" + Show.plain(100 * band, 2) + " %)."
                        : " (the model is not fitted near these volts: how far this is off is not known).")
                + rule;
    }
}
