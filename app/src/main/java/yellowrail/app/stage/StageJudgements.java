package yellowrail.app.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.idle.ComputedStatements;
import yellowrail.core.idle.Statement;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Standing;
import yellowrail.core.judging.Value;
import yellowrail.core.reading.Show;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageFigures;
import yellowrail.core.stage.StageJudgement;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.tube.ModelTrust;

/** A computed stage before the judge: what every page, sheet and answer of it shows. */
public final class StageJudgements {
    private StageJudgements() {}

    /** @param highest highest mains, share of nominal */
    public static List<StageJudgement> of(
            StageSetting setting, StageEngine.Computed computed, double highest, TubeFacts facts) {
        List<StageFigures> figures = computed.outcomes().stream()
                .map(o -> figures(setting, o, highest, facts.bands(computed)))
                .toList();
        return StageJudgement.of(facts.judge(), setting.duty(), StageFigures.read(figures, facts.read()));
    }

    private static StageFigures figures(
            StageSetting setting, StageEngine.Outcome outcome, double highest, ModelTrust.Bands bands) {
        StageFigures figures = new StageFigures(bands).with(At.NOW, setting.mains(), outcome.drive());
        outcome.atNominal().ifPresent(nominal -> figures.with(At.NOMINAL, 1, nominal));
        return figures.with(At.HIGHEST, highest, outcome.atHighest());
    }

    /** The two statements: at the mains it stands at, and at higher mains. */
    public static List<Statement> statements(
            StageSetting setting, StageEngine.Computed computed, double highest, TubeFacts facts) {
        return ComputedStatements.of(facts.judge(), of(setting, computed, highest, facts));
    }

    /** Every limit as a row. */
    public static List<JudgedRow> rows(
            StageSetting setting, StageEngine.Computed computed, double highest, TubeFacts facts) {
        return JudgedRow.of(of(setting, computed, highest, facts));
    }

    /** What has no published limit: volts before the tubes conduct, and the peak of the current. */
    public static List<JudgedRow> unlimited(StageSetting setting, StageEngine.Computed computed, double highest) {
        double supply = setting.described().supplyVolts();
        List<JudgedRow> rows = new ArrayList<>();
        rows.add(new JudgedRow(
                "",
                "Plate volts before the tubes conduct",
                Show.significant(supply * highest, 3) + " V at " + Show.fixed(100 * highest, 0) + " % mains",
                "none is published for a cold tube",
                Standing.NONE_PUBLISHED,
                "B+ without load · mains = " + Show.significant(supply, 4) + " V · " + Show.plain(highest, 3),
                null));
        rows.add(new JudgedRow(
                "",
                "Plate current, peak",
                Show.si(computed.drive().plateAmperes(), yellowrail.core.reading.Unit.AMPERE, 3),
                "no published limit",
                Standing.NONE_PUBLISHED,
                "highest over a cycle and the drive, of one tube",
                null));
        return rows;
    }

    /**
     * Direct current in the output transformer's core: all of a single-ended stage, the difference of the sides in
     * push-pull.
     *
     * @param rated what the transformer is rated for, A
     */
    public static List<JudgedRow> core(StageEngine.Computed computed, Optional<Double> rated, TubeFacts facts) {
        double band = facts.bands(computed).plate();
        Stage stage = computed.stage();
        // A core with a gap is made for one current; one without minds a few mA, which few makers state.
        Standing unrated = stage.pushPull() ? Standing.NONE_PUBLISHED : Standing.UNKNOWN;
        Cycle full = computed.drive().full();
        return List.of(
                JudgedRow.part(
                        "Direct current in the core, idle",
                        Value.computed(stage.coreAmperes(computed.drive().idle()), band),
                        rated,
                        unrated,
                        coreFormula(stage)),
                JudgedRow.part(
                        "Direct current in the core, full drive",
                        Value.computed(stage.coreAmperes(full), band),
                        rated,
                        unrated,
                        coreFormula(stage)));
    }

    private static String coreFormula(Stage stage) {
        return stage.pushPull()
                ? "mean current of side A − mean current of side B; a core without a gap minds a few mA"
                : "sum of the mean currents of all tubes, as far as they flow through the primary";
    }
}
