package yellowrail.app.stage;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import yellowrail.app.curves.CurvesStore;
import yellowrail.app.tubes.TubeStore;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.TubeType;
import yellowrail.core.tube.TypeCurves;

/** Types that a stage can be computed with: by designation or alias, judged by the rating system asked for. */
@Component
class StageTypes {
    private final TubeStore tubes;
    private final CurvesStore curves;

    StageTypes(TubeStore tubes, CurvesStore curves) {
        this.tubes = tubes;
        this.curves = curves;
    }

    Lookup find(String text) {
        return tubes.catalogueOrLastKnown().find(text);
    }

    /** @param judgeBy name of a rating system, or empty for the publication with the lowest plate rating */
    Optional<TubeFacts> typed(String text, String judgeBy) {
        return find(text) instanceof Lookup.Found found ? facts(found.type(), judgeBy) : Optional.empty();
    }

    Optional<TubeFacts> facts(TubeType type, String judgeBy) {
        Optional<TypeCurves> of = curves.of(type.designation());
        return type.of(judgeBy)
                .or(type::strictest)
                .filter(r -> r.plateWatts().isPresent())
                .flatMap(r -> of.map(c -> new TubeFacts(type, c, type.of(judgeBy), List.of())));
    }

    /** Designations that can be computed. */
    List<String> known() {
        return tubes.catalogueOrLastKnown().types().stream()
                .filter(t -> facts(t, "").isPresent())
                .map(TubeType::designation)
                .toList();
    }
}
