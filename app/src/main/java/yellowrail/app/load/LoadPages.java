package yellowrail.app.load;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.stage.OnStage;
import yellowrail.app.transformers.TapLine;
import yellowrail.core.load.LoadMap;
import yellowrail.core.load.Remark;
import yellowrail.core.load.Wiring;

/** Makes what the load page shows of what was typed. */
@Component
class LoadPages {
    private final LoadQuestions questions;
    private final LoadEffects effects;
    private final LoadHeat heat;
    private final LoadChoices choices;
    private final LoadGrid grid;

    LoadPages(LoadQuestions questions, LoadEffects effects, LoadHeat heat, LoadChoices choices) {
        this.questions = questions;
        this.effects = effects;
        this.heat = heat;
        this.choices = choices;
        this.grid = new LoadGrid(effects);
    }

    LoadView of(OnStage form) {
        LoadQuestion asked = questions.ask(form);
        LoadReader.Read read = asked.read();
        LoadEffects.Judge judge = asked.judge();
        Optional<OpenCell> opened = asked.opened();
        return new LoadView(
                asked.said(),
                expected(read),
                read.transformer().map(TapLine::of).orElse(List.of()),
                read.transformer()
                        .flatMap(t -> t.measured().screenTap())
                        .map(TransformerPicture::screenTap)
                        .orElse(""),
                asked.remarks().stream().map(LoadPages::line).toList(),
                read.transformer()
                        .map(t -> TransformerPicture.picture(t, opened, asked.setting(), asked.watts(effects)))
                        .orElse(null),
                opened.map(o -> o.row().speakers())
                        .filter(s -> s.drivers().size() > 1)
                        .map(WiringDrawing::of)
                        .orElse(null),
                asked.map()
                        .flatMap(m -> effects.duty(
                                m.rows().stream()
                                        .flatMap(r -> r.cells().stream())
                                        .filter(c -> c.stop().isEmpty())
                                        .mapToDouble(LoadMap.Cell::factor),
                                judge))
                        .orElse(null),
                asked.map()
                        .map(m -> grid.of(m, read.transformer().orElseThrow(), judge, opened))
                        .orElse(null),
                opened.map(o -> effects.beside(o.row().text(), o.cell(), judge)).orElse(null),
                real(asked, judge),
                opened.filter(o -> o.row().speakers().hasCurve())
                        .map(o -> LoadHeat.impedance(asked.onTap(), o.cell().tap(), read.band()))
                        .orElse(null),
                asked.heated().isPresent(),
                asked.setting().isPresent() ? "" : trouble(read.stage().complaints(), asked.said()));
    }

    private List<LoadView.RemarkLine> real(LoadQuestion asked, LoadEffects.Judge judge) {
        return asked.real(effects)
                .map(real -> LoadReal.lines(
                        real,
                        asked.read().parts(),
                        judge.setting()
                                .orElseThrow()
                                .load(asked.operation().orElseThrow().cell().factor())
                                .stage()
                                .loadOhms(),
                        asked.read().band()))
                .orElse(List.of());
    }

    /** What the page asks for once it stands: which load these tubes would like. */
    Optional<LoadView.Choice> choice(OnStage form) {
        LoadQuestion asked = questions.ask(form);
        return asked.map()
                .filter(map -> asked.tube().facts().isPresent())
                .map(map -> choices.of(
                        map,
                        asked.opened().map(OpenCell::cell),
                        asked.opened().map(o -> o.row().speakers()).filter(Wiring::hasCurve),
                        asked.judge(),
                        asked.read().band()));
    }

    /**
     * Heat over frequency of the open cell; empty where it cannot be computed.
     *
     * @throws yellowrail.core.stage.NoSolution when the stage cannot be solved
     */
    Optional<LoadView.Frequencies> heat(OnStage form) {
        LoadQuestion asked = questions.ask(form);
        LoadEffects.Judge judge = asked.judge();
        return asked.heated()
                .map(o -> heat.heat(
                        judge.setting().orElseThrow().load(o.cell().factor()),
                        judge,
                        asked.heatedLoad(),
                        asked.read().band()));
    }

    private static String trouble(FieldErrors ofStage, Map<String, FieldErrors.Complaint> said) {
        return Stream.concat(
                        ofStage.byField().values().stream(),
                        said.values().stream().filter(FieldErrors.Complaint::asked))
                .findFirst()
                .map(FieldErrors.Complaint::sentence)
                .orElse("The stage is not understood.");
    }

    private static Map<Integer, LoadView.Expected> expected(LoadReader.Read read) {
        Map<Integer, LoadView.Expected> rows = new LinkedHashMap<>();
        for (LoadReader.Row row : read.rows()) {
            rows.put(
                    row.number(),
                    row.expected()
                            .map(e -> new LoadView.Expected(e.refusal().isPresent(), e.words()))
                            .orElse(new LoadView.Expected(false, "")));
        }
        return rows;
    }

    private static LoadView.RemarkLine line(Remark remark) {
        Remark.Weight weight = remark.code().weight();
        String tone = switch (weight) {
            case STOP, CONTRADICTION -> "over";
            case CAUTION -> "warm";
            case NOTE -> "open";
        };
        return new LoadView.RemarkLine(weight.name().toLowerCase(Locale.ROOT), tone, remark.sentence());
    }
}
