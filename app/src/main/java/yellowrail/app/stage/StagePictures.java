package yellowrail.app.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.pictures.Statements;
import yellowrail.app.results.MeasuredText;
import yellowrail.core.amp.Duty;
import yellowrail.core.experiment.MeasuredPoint;
import yellowrail.core.idle.ComputedStatements;
import yellowrail.core.reading.Show;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.StageJudgement;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.stage.WhatChanges;
import yellowrail.core.tube.ModelTrust;

/** Makes the picture of a typed stage, with up to two kept settings and measured points beside it. */
@Component
class StagePictures {
    static final int KEPT = 2;

    private final TubeFactsOf facts;
    private final StageEngine engine;

    StagePictures(TubeFactsOf facts, StageEngine engine) {
        this.facts = facts;
        this.engine = engine;
    }

    /**
     * @param kept queries of settings kept beside this one
     * @param measured the builder's points as typed, a line each; may be empty
     */
    StagePicture of(StageForm form, List<String> kept, String measured) {
        TubeFactsOf.Answer tube = facts.of(form);
        StageReader.Read read = StageReader.read(form, tube);
        if (read.setting().isEmpty()) {
            return StagePicture.refused("", read.complaints().byField());
        }
        StageSetting setting = read.setting().get();
        TubeFacts f = tube.facts().orElseThrow();
        StageEngine.Computed computed;
        try {
            computed = engine.picture(setting, read.highest());
        } catch (NoSolution none) {
            return StagePicture.refused(none.getMessage(), read.complaints().byField());
        }
        List<StageJudgement> judged = StageJudgements.of(setting, computed, read.highest(), f);
        List<JudgedRow> rows = new ArrayList<>(JudgedRow.of(judged));
        rows.addAll(StageJudgements.unlimited(setting, computed, read.highest()));
        List<MeasuredPoint> points = points(measured, read.complaints());
        List<Lines> lines = new ArrayList<>();
        lines.add(new Lines("now", Lines.heat(computed.drive(), f), "", ""));
        kept.stream().limit(KEPT).forEach(query -> lines.add(beside(query, form, computed, setting.duty(), f)));
        return new StagePicture(
                "",
                read.complaints().byField(),
                100 * setting.idleShare(),
                computed.chart(),
                Statements.computed(ComputedStatements.of(f.judge(), judged)),
                f.bands(computed).hold() ? f.bands(computed).plate() : null,
                f.plateWatts(),
                orNull(f.plateVolts()),
                orNull(f.cathodeAmperes()),
                Tiles.of(computed, setting.duty(), f, judged),
                rows,
                lines,
                DutyQuestion.of(judged).orElse(null),
                points,
                Stream.concat(read.unusual().stream(), Stream.of(accuracy(f, computed)))
                        .collect(Collectors.joining(" ")));
    }

    private static List<MeasuredPoint> points(String measured, FieldErrors complaints) {
        try {
            return MeasuredText.read(measured);
        } catch (IllegalArgumentException unread) {
            complaints.add("measured", unread.getMessage());
            return List.of();
        }
    }

    private Lines beside(String query, StageForm now, StageEngine.Computed present, Duty duty, TubeFacts presentFacts) {
        StageForm form = StageForm.from(query);
        String label = Lines.label(form, now);
        TubeFactsOf.Answer tube = facts.of(form);
        StageReader.Read read = StageReader.read(form, tube);
        if (read.setting().isEmpty()) {
            return new Lines(label, List.of(), "", "This setting is not understood any more.");
        }
        try {
            StageEngine.Computed other = engine.picture(read.setting().get(), read.highest());
            return new Lines(
                    label,
                    Lines.heat(other.drive(), tube.facts().orElseThrow()),
                    WhatChanges.between(other.drive(), present.drive(), duty, presentFacts.plateWatts()),
                    "");
        } catch (NoSolution none) {
            return new Lines(label, List.of(), "", none.getMessage());
        }
    }

    private static String accuracy(TubeFacts facts, StageEngine.Computed computed) {
        ModelTrust trust = facts.curves().trust();
        double plate = computed.drive().idle().plateToCathodeVolts();
        double screen = computed.drive().full().screenToCathodeVolts();
        ModelTrust.Bands bands = facts.bands(computed);
        String outside = trust.covers(plate, screen)
                ? ""
                : " These volts (plate " + Show.fixed(plate, 0) + " V, screen " + Show.fixed(screen, 0)
                        + " V) lie outside what it was fitted on (plate " + Show.fixed(trust.plateFrom(), 0) + " to "
                        + Show.fixed(trust.plateTo(), 0) + " V, screen " + Show.fixed(trust.screenFrom(), 0) + " to "
                        + Show.fixed(trust.screenTo(), 0) + " V)"
                        + (bands.hold() ? ", by less than a tenth." : ": how far the figures are off is not known.");
        return "Model, not measurement. " + facts.designation()
                + (facts.curves().own() ? ", your own fit" : "")
                + (bands.hold()
                        ? ": plate current and heat ± " + Show.plain(100 * bands.plate(), 2) + " %, screens ± "
                                + Show.plain(100 * bands.screen(), 2) + " %, power ± "
                                + Show.plain(100 * bands.watts(), 2) + " %"
                        : ": no band holds at these volts")
                + ", from " + trust.operations()
                + (facts.curves().own() ? " points of yours" : " published operations")
                + "; distortion in shape only. No grid current, no feedback. Ratings: "
                + facts.ratings().edition() + "." + outside;
    }

    private static Double orNull(double value) {
        return Double.isNaN(value) ? null : value;
    }
}
