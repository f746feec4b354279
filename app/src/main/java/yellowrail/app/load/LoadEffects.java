package yellowrail.app.load;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import yellowrail.app.stage.DutyQuestion;
import yellowrail.app.stage.JudgedRow;
import yellowrail.app.stage.StageEngine;
import yellowrail.app.stage.StageJudgements;
import yellowrail.app.stage.TubeFacts;
import yellowrail.core.judging.Standing;
import yellowrail.core.load.LoadMap;
import yellowrail.core.load.LoadWords;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.StageJudgement;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.stage.When;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.PublishedLimit;

/** What a load does to a stage: its figures against every limit, by the stage's own functions. */
@Component
public class LoadEffects {
    private static final double HALF = 0.5;
    private static final double DOUBLE = 2;
    /** Loads nearer than this are one column. */
    private static final double SAME = 0.02;

    /** A difference of the sides below this is none, A. */
    private static final double LEAST_DIFFERENCE = 0.1e-3;

    /** Harmonics below this are none: equal sides cancel the even ones. */
    private static final double LEAST_TOLD = 1e-4;

    private final StageEngine engine;

    LoadEffects(StageEngine engine) {
        this.engine = engine;
    }

    /**
     * The stage and what it is judged by.
     *
     * @param setting at the load it wants; empty where it is not understood
     * @param highest highest mains, share of nominal
     * @param coreAmperes direct current the transformer is rated for, A
     */
    record Judge(
            Optional<StageSetting> setting, Optional<TubeFacts> facts, double highest, Optional<Double> coreAmperes) {}

    /** The worst limit of a load, named. */
    public record Worst(Standing standing, String words) {
        public String tone() {
            return JudgedRow.tone(standing);
        }
    }

    static String mark(String tone) {
        return switch (tone) {
            case "over" -> "▲";
            case "near" -> "◇";
            case "unknown" -> "?";
            default -> "";
        };
    }

    /** The limits that a load moves: over the drive, and in the core. */
    private List<JudgedRow> moved(StageSetting at, StageEngine.Computed computed, Judge judge) {
        return rows(at, computed, judge, When.DRIVE);
    }

    private static List<JudgedRow> rows(StageSetting at, StageEngine.Computed computed, Judge judge, When when) {
        TubeFacts facts = judge.facts().orElseThrow();
        List<JudgedRow> rows =
                new ArrayList<>(JudgedRow.of(StageJudgements.of(at, computed, judge.highest(), facts).stream()
                        .filter(j -> j.when() == when)
                        .toList()));
        boolean unlike = Math.abs(computed.drive().idle().standingDifference()) > LEAST_DIFFERENCE;
        if (when == When.DRIVE
                && (judge.coreAmperes().isPresent() || !computed.stage().pushPull() || unlike)) {
            rows.addAll(StageJudgements.core(computed, judge.coreAmperes(), facts));
        }
        return rows;
    }

    /** The worst of everything at one load, idle and core included. */
    Optional<JudgedRow> worstOf(StageSetting at, StageEngine.Computed computed, Judge judge) {
        return Stream.of(When.values())
                .flatMap(when -> rows(at, computed, judge, when).stream())
                .max(JudgedRow.GRAVITY);
    }

    private static Worst worst(JudgedRow row) {
        String words = percent(row);
        return new Worst(
                row.standing(),
                switch (row.standing()) {
                    case TOO_CLOSE, OPEN_QUESTION, UNKNOWN ->
                        words + ", " + row.standing().words();
                    default -> words;
                });
    }

    /**
     * The worst of what this load moves, at its likely ohms and at both ends of their error: what does not pass at an end
     * alone is too close to call.
     */
    Worst worst(LoadMap.Cell cell, Judge judge) {
        if (judge.setting().isEmpty() || judge.facts().isEmpty()) {
            return new Worst(Standing.UNKNOWN, "stage not computed");
        }
        try {
            JudgedRow likely = gravest(cell.factor(), judge);
            boolean lighter = likely.standing().passes() || likely.standing() == Standing.TOO_CLOSE;
            if (lighter && cell.leastFactor() < cell.mostFactor()) {
                Optional<JudgedRow> end = Stream.of(cell.leastFactor(), cell.mostFactor())
                        .map(factor -> gravest(factor, judge))
                        .max(JudgedRow.GRAVITY);
                if (end.filter(l -> l.standing() == Standing.OVER
                                || likely.standing().passes() && !l.standing().passes())
                        .isPresent()) {
                    return new Worst(
                            Standing.TOO_CLOSE,
                            percent(end.get()) + " within the error of the load, too close to call");
                }
            }
            return worst(likely);
        } catch (NoSolution none) {
            return new Worst(Standing.UNKNOWN, none.getMessage());
        }
    }

    private JudgedRow gravest(double factor, Judge judge) {
        StageSetting at = judge.setting().orElseThrow().load(factor);
        return moved(at, engine.picture(at, judge.highest()), judge).stream()
                .max(JudgedRow.GRAVITY)
                .orElseThrow();
    }

    static String percent(JudgedRow row) {
        return row.share() == null
                ? row.name() + ": " + row.rating()
                : row.name() + " " + Show.fixed(100 * row.share(), 0) + " %";
    }

    /** What the stage passes, or comes too close to, at any load: empty when it does not. */
    Optional<Worst> atAnyLoad(Judge judge) {
        if (judge.setting().isEmpty() || judge.facts().isEmpty()) {
            return Optional.empty();
        }
        try {
            StageSetting at = judge.setting().get();
            StageEngine.Computed computed = engine.picture(at, judge.highest());
            return rows(at, computed, judge, When.IDLE).stream()
                    .max(JudgedRow.GRAVITY)
                    .filter(l -> !l.standing().passes())
                    .map(LoadEffects::worst);
        } catch (NoSolution none) {
            return Optional.of(new Worst(Standing.UNKNOWN, none.getMessage()));
        }
    }

    /** Whether what is played decides at any of these loads. */
    Optional<DutyQuestion> duty(DoubleStream factors, Judge judge) {
        if (judge.setting().isEmpty() || judge.facts().isEmpty()) {
            return Optional.empty();
        }
        return DutyQuestion.of(factors.boxed()
                .flatMap(factor -> {
                    try {
                        StageSetting at = judge.setting().get().load(factor);
                        return StageJudgements.of(
                                at,
                                engine.picture(at, judge.highest()),
                                judge.highest(),
                                judge.facts().get())
                                .stream();
                    } catch (NoSolution none) {
                        return Stream.empty();
                    }
                })
                .toList());
    }

    /** The stage at this load and full drive; empty where it cannot be solved. */
    Optional<Cycle> full(double factor, Judge judge) {
        try {
            StageSetting at = judge.setting().orElseThrow().load(factor);
            return Optional.of(engine.picture(at, judge.highest()).drive().full());
        } catch (NoSolution none) {
            return Optional.empty();
        }
    }

    /** One load beside the wanted one, half of it and double. */
    LoadView.Consequences beside(String speakers, LoadMap.Cell cell, Judge judge) {
        String title = speakers + " on the " + Show.plain(cell.tap(), 4) + " Ω tap: " + LoadWords.ohms(cell.reflected())
                + ", " + LoadWords.factor(cell.factor());
        if (cell.stop().isPresent()) {
            return new LoadView.Consequences(
                    title,
                    List.of(),
                    List.of(),
                    List.of(new LoadView.Claim("Stop", cell.stop().get().sentence())),
                    "");
        }
        if (judge.setting().isEmpty() || judge.facts().isEmpty()) {
            return new LoadView.Consequences(title, List.of(), List.of(), List.of(), "The stage is not computed.");
        }
        Map<String, Double> factors = new LinkedHashMap<>();
        factors.put("this load", cell.factor());
        put(factors, "wanted load", 1);
        put(factors, "half", HALF);
        put(factors, "double", DOUBLE);
        List<String> heads = new ArrayList<>();
        Map<String, List<LoadView.Figure>> rows = new LinkedHashMap<>();
        String trouble = "";
        for (Map.Entry<String, Double> one : factors.entrySet()) {
            try {
                StageSetting at = judge.setting().get().load(one.getValue());
                StageEngine.Computed computed = engine.picture(at, judge.highest());
                figures(rows, at, computed, judge);
                heads.add(one.getKey() + " (× " + Show.significant(one.getValue(), 2) + ")");
            } catch (NoSolution none) {
                trouble = "At × " + Show.significant(one.getValue(), 2) + ": " + none.getMessage();
            }
        }
        List<LoadView.FigureRow> lines = rows.entrySet().stream()
                .map(e -> new LoadView.FigureRow(e.getKey(), e.getValue()))
                .toList();
        return new LoadView.Consequences(
                title,
                heads,
                lines,
                trouble.isEmpty() ? claims(cell, judge) : List.of(),
                trouble.isEmpty()
                        ? "Model, not measurement, into a resistor of these ohms. A speaker's impedance is not"
                                + " constant over frequency: at its resonance and in the treble it is a multiple of the"
                                + " marking."
                        : trouble);
    }

    private static void put(Map<String, Double> factors, String name, double factor) {
        if (factors.values().stream().noneMatch(f -> Math.abs(f / factor - 1) < SAME)) {
            factors.put(name, factor);
        }
    }

    private void figures(
            Map<String, List<LoadView.Figure>> rows, StageSetting at, StageEngine.Computed computed, Judge judge) {
        Cycle full = computed.drive().full();
        add(
                rows,
                "Power at clipping",
                plain(Show.si(full.watts(), Unit.WATT, 3), "P = V² / Z, where the first grid reaches 0 V"));
        add(
                rows,
                "Distortion there",
                plain(
                        percent(full.distortion()),
                        "THD = √(H2² + … + H9²) of the fundamental; its shape is to be trusted," + " its size is not"));
        add(rows, "2nd harmonic", plain(percent(full.harmonics().get(0)), ""));
        add(rows, "3rd harmonic", plain(percent(full.harmonics().get(1)), ""));
        List<JudgedRow> all = new ArrayList<>(moved(at, computed, judge));
        all.addAll(rows(at, computed, judge, When.IDLE));
        all.addAll(StageJudgements.unlimited(at, computed, judge.highest()));
        for (JudgedRow limit : all) {
            add(
                    rows,
                    limit.name(),
                    new LoadView.Figure(
                            limit.figure(), limit.rating(), limit.tone(), mark(limit.tone()), limit.formula()));
        }
    }

    private static void add(Map<String, List<LoadView.Figure>> rows, String name, LoadView.Figure figure) {
        rows.computeIfAbsent(name, n -> new ArrayList<>()).add(figure);
    }

    private static LoadView.Figure plain(String text, String formula) {
        return new LoadView.Figure(text, "", "open", "", formula);
    }

    static String percent(double share) {
        return share < LEAST_TOLD ? "under 0.01 %" : Show.significant(100 * share, 2) + " %";
    }

    /** Builders disagree; both are said, and what this stage does in either direction, at the open load where that lies there. */
    private List<LoadView.Claim> claims(LoadMap.Cell cell, Judge judge) {
        boolean far = cell.twofold().isPresent();
        return List.of(
                new LoadView.Claim(
                        "Some builders hold: a higher load than wanted is harmless, a lower one burns tubes and transformer.",
                        far && cell.factor() > 1
                                ? told(cell.factor(), judge)
                                : "This stage at double the load: " + consequences(judge, DOUBLE)),
                new LoadView.Claim(
                        "Others hold: a lower load is the safe side, a higher one kills screens and arcs over.",
                        far && cell.factor() < 1
                                ? told(cell.factor(), judge)
                                : "This stage at half the load: " + consequences(judge, HALF)));
    }

    private String told(double factor, Judge judge) {
        return "This stage at " + LoadWords.times(factor) + " of the load: " + consequences(judge, factor);
    }

    /** What builders hold of a load far from the wanted one, with what this stage does there; empty nearer to it. */
    Optional<String> twofold(LoadMap.Cell cell, Judge judge) {
        return cell.twofold()
                .map(remark -> remark.sentence()
                        + (judge.setting().isEmpty() || judge.facts().isEmpty()
                                ? ""
                                : " " + told(cell.factor(), judge)));
    }

    private String consequences(Judge judge, double factor) {
        try {
            StageSetting at = judge.setting().orElseThrow().load(factor);
            StageEngine.Computed c = engine.picture(at, judge.highest());
            TubeFacts facts = judge.facts().orElseThrow();
            List<String> parts = new ArrayList<>();
            List<StageJudgement> judged = StageJudgements.of(at, c, judge.highest(), facts);
            heat(judged, Limit.PLATE_WATTS).ifPresent(r -> parts.add("plates " + r.figure() + " (" + r.rating() + ")"));
            heat(judged, DriveLimit.SCREEN_WATTS)
                    .ifPresent(r -> parts.add("screens " + r.figure() + " (" + r.rating() + ")"));
            return String.join(", ", parts) + ", plate peak "
                    + Show.si(c.drive().plateMost(), Unit.VOLT, 3) + ", peak plate current "
                    + Show.si(c.drive().plateAmperes(), Unit.AMPERE, 3) + ", "
                    + Show.si(c.drive().full().watts(), Unit.WATT, 3) + ".";
        } catch (NoSolution none) {
            return none.getMessage();
        }
    }

    private static Optional<JudgedRow> heat(List<StageJudgement> judged, PublishedLimit limit) {
        return JudgedRow.of(judged.stream()
                        .filter(j -> j.limit() == limit && j.when() == When.DRIVE)
                        .toList())
                .stream()
                .findFirst();
    }
}
