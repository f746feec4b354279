package yellowrail.app.stage;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import yellowrail.app.curves.Curves;
import yellowrail.app.curves.CurvesStore;
import yellowrail.app.tubes.TubeStore;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.TubeType;

/** Finds a typed tube's facts: by designation or alias, judged by the rating system asked for, else by the strictest. */
@Component
public class TubeFactsOf {
    private final TubeStore tubes;
    private final CurvesStore curves;

    TubeFactsOf(TubeStore tubes, CurvesStore curves) {
        this.tubes = tubes;
        this.curves = curves;
    }

    /** Facts of a stage's tube, judged as the stage asks. */
    public Optional<TubeFacts> of(StageForm form) {
        return typed(form.text("tube"), form.text("judge"));
    }

    /** @param judgeBy name of a rating system, or empty for the publication with the lowest plate rating */
    Optional<TubeFacts> typed(String text, String judgeBy) {
        return tubes.catalogueOrLastKnown().find(text) instanceof Lookup.Found found
                ? facts(found.type(), judgeBy)
                : Optional.empty();
    }

    private Optional<TubeFacts> facts(TubeType type, String judgeBy) {
        Optional<Curves> of = curves.of(type.designation());
        return type.judgedBy(judgeBy).flatMap(r -> of.map(c -> new TubeFacts(type.designation(), c, r)));
    }

    /** Designations that can be computed. */
    List<String> known() {
        return tubes.catalogueOrLastKnown().types().stream()
                .filter(t -> facts(t, "").isPresent())
                .map(TubeType::designation)
                .toList();
    }
}
