package yellowrail.app.load;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.stage.OnStage;
import yellowrail.core.load.LoadMap;
import yellowrail.core.load.Remark;
import yellowrail.core.load.SpeakerNetwork;
import yellowrail.core.load.SpeakerOnTap;
import yellowrail.core.load.Transformer;
import yellowrail.core.stage.Netlist;
import yellowrail.core.stage.ReactiveSolver;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSolver;

/** A load for programs: as figures, and as a netlist. */
@Component
public class LoadAnswers {
    private final LoadQuestions questions;
    private final LoadEffects effects;
    private final LoadHeat heat;

    LoadAnswers(LoadQuestions questions, LoadEffects effects, LoadHeat heat) {
        this.questions = questions;
        this.effects = effects;
        this.heat = heat;
    }

    /**
     * A load understood as a whole.
     *
     * @param judged the worst limit of each cell that is an operation, by cell: of what a load moves
     * @param twofold what builders hold of one far from the wanted load, with this stage's figures
     * @param atAnyLoad what does not pass whatever the load; empty where all of it does
     * @param opened the cell that is looked at
     * @param real what copper, inductance and core make of it; empty where it is no operation
     */
    public record Answered(
            Transformer transformer,
            LoadMap map,
            List<Remark> remarks,
            Map<LoadMap.Cell, LoadEffects.Worst> judged,
            Map<LoadMap.Cell, String> twofold,
            Optional<LoadEffects.Worst> atAnyLoad,
            Optional<OpenCell> opened,
            Optional<RealFigures> real) {}

    /** Heat over frequency of the cell that is looked at. */
    public record HeatedCell(OpenCell opened, LoadHeat.Heated heat) {}

    /**
     * Heat over frequency; empty where the open cell is no operation, or its speakers have no curve.
     *
     * @throws Refused when a field is not understood
     * @throws yellowrail.core.stage.NoSolution when the stage cannot be solved
     */
    public Optional<HeatedCell> heated(OnStage form) {
        LoadQuestion asked = understood(form);
        LoadEffects.Judge judge = asked.judge();
        return asked.heated()
                .map(open -> new HeatedCell(
                        open,
                        heat.heated(
                                judge.setting().orElseThrow().load(open.cell().factor()),
                                judge,
                                asked.heatedLoad(),
                                asked.read().band())));
    }

    private LoadQuestion understood(OnStage form) {
        LoadQuestion asked = questions.ask(form);
        LoadReader.Read read = asked.read();
        if (read.complaints().any() || asked.map().isEmpty()) {
            throw new Refused(
                    read.complaints().any() ? read.complaints() : read.stage().complaints());
        }
        FieldErrors besides = new FieldErrors();
        asked.said().forEach((name, complaint) -> besides.add(name, complaint.sentence(), complaint.choices()));
        if (besides.any()) {
            throw new Refused(besides);
        }
        return asked;
    }

    /** @throws Refused when a field is not understood, or nothing of the stage can be computed */
    public Answered answered(OnStage form) {
        LoadQuestion asked = understood(form);
        LoadMap map = asked.map().orElseThrow();
        Map<LoadMap.Cell, LoadEffects.Worst> judged = new LinkedHashMap<>();
        Map<LoadMap.Cell, String> twofold = new LinkedHashMap<>();
        map.rows().stream()
                .flatMap(row -> row.cells().stream())
                .filter(cell -> cell.stop().isEmpty())
                .forEach(cell -> {
                    judged.put(cell, effects.worst(cell, asked.judge()));
                    effects.twofold(cell, asked.judge()).ifPresent(said -> twofold.put(cell, said));
                });
        return new Answered(
                asked.transformer().orElseThrow(),
                map,
                asked.remarks(),
                judged,
                twofold,
                effects.atAnyLoad(asked.judge()),
                asked.opened(),
                asked.real(effects));
    }

    /** What was typed is not understood. */
    public static final class Refused extends RuntimeException {
        private static final long serialVersionUID = 1L;
        private final transient FieldErrors complaints;

        Refused(FieldErrors complaints) {
            super("not understood: " + complaints.byField().keySet());
            this.complaints = complaints;
        }

        public FieldErrors complaints() {
            return complaints;
        }
    }

    /**
     * The stage with the open cell's speakers as a netlist, at full drive; empty where the load is not understood.
     *
     * @param hertz frequency of the drive, Hz
     * @throws yellowrail.core.stage.NoSolution when the stage cannot be solved
     */
    Optional<String> netlist(OnStage form, double hertz) {
        LoadQuestion asked = questions.ask(form);
        return asked.operation().map(open -> {
            Stage stage = asked.judge()
                    .setting()
                    .orElseThrow()
                    .load(open.cell().factor())
                    .stage();
            SpeakerOnTap load = asked.heatedLoad().onTap();
            double drive = new StageSolver(stage).full().drive();
            return SpeakerNetwork.of(load)
                    .map(network -> Netlist.of(stage, new ReactiveSolver(stage, load).at(hertz, drive), network))
                    .orElseGet(() -> Netlist.of(stage, new StageSolver(stage).driven(drive)));
        });
    }
}
