package yellowrail.app.stage;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import yellowrail.app.curves.CurvesStore;
import yellowrail.app.forms.TubeName;
import yellowrail.app.tubes.TubeStore;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.TubeType;
import yellowrail.core.tube.TypeCurves;

/** Finds a typed tube's facts: by designation or alias, judged by the rating system asked for, else by the strictest. */
@Component
public class TubeFactsOf {
    private final TubeStore tubes;
    private final CurvesStore curves;

    TubeFactsOf(TubeStore tubes, CurvesStore curves) {
        this.tubes = tubes;
        this.curves = curves;
    }

    /**
     * What is known of a stage's tube.
     *
     * @param facts empty when it cannot be computed
     * @param missing why not
     * @param near designations that may be meant
     */
    public record Answer(Optional<TubeFacts> facts, String missing, List<String> near) {
        static Answer of(TubeFacts facts) {
            return new Answer(Optional.of(facts), "", List.of());
        }

        private static Answer none(String missing, List<String> near) {
            return new Answer(Optional.empty(), missing, near);
        }
    }

    /** Facts of a stage's tube, judged as the stage asks, or why there are none. */
    public Answer of(StageForm form) {
        if (form.text("tube").isEmpty()) {
            return Answer.none("Type which tube the stage has.", List.of());
        }
        Lookup lookup = tubes.catalogueOrLastKnown().find(form.text("tube"));
        if (!(lookup instanceof Lookup.Found found)) {
            TubeName name = TubeName.notOne(lookup).orElseThrow();
            return Answer.none(name.sentence(), name.designations());
        }
        return facts(found.type(), form.text("judge"))
                .map(Answer::of)
                .orElseGet(() -> Answer.none(
                        found.type().strictest().isEmpty()
                                ? "No plate rating of the " + found.type().designation()
                                        + " is known: a stage with it cannot be judged. Enter it on the type's page."
                                : "There are no curves for the " + found.type().designation()
                                        + ": its model's parameters are not known. They can be fitted to published points on"
                                        + " the type's page; the quick check and the bench work without them.",
                        List.of()));
    }

    /** @param judgeBy name of a rating system, or empty for the publication with the lowest plate rating */
    Optional<TubeFacts> typed(String text, String judgeBy) {
        return tubes.catalogueOrLastKnown().find(text) instanceof Lookup.Found found
                ? facts(found.type(), judgeBy)
                : Optional.empty();
    }

    private Optional<TubeFacts> facts(TubeType type, String judgeBy) {
        Optional<TypeCurves> of = curves.of(type.designation());
        return type.of(judgeBy)
                .or(type::strictest)
                .filter(r -> r.plateWatts().isPresent())
                .flatMap(r -> of.map(c -> new TubeFacts(type, c, type.of(judgeBy))));
    }

    /** Designations that can be computed. */
    List<String> known() {
        return tubes.catalogueOrLastKnown().types().stream()
                .filter(t -> facts(t, "").isPresent())
                .map(TubeType::designation)
                .toList();
    }
}
