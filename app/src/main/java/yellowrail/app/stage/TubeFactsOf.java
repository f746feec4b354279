package yellowrail.app.stage;

import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import yellowrail.app.forms.TubeName;
import yellowrail.core.tube.Lookup;

/** Finds the facts of a typed stage's tube, and how the tubes of the amp it is filled from were read. */
@Component
public class TubeFactsOf {
    private final StageTypes types;
    private final OwnReadings readings;

    TubeFactsOf(StageTypes types, OwnReadings readings) {
        this.types = types;
        this.readings = readings;
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
        if (form.text(StageFields.TUBE).isEmpty()) {
            return Answer.none("Type which tube the stage has.", List.of());
        }
        Lookup lookup = types.find(form.text(StageFields.TUBE));
        if (!(lookup instanceof Lookup.Found found)) {
            TubeName name = TubeName.notOne(lookup).orElseThrow();
            return Answer.none(name.sentence(), name.designations());
        }
        return types.facts(found.type(), form.text(StageFields.JUDGE))
                .map(f -> Answer.of(f.read(readings.of(form))))
                .orElseGet(() -> Answer.none(
                        found.type().strictest().isEmpty()
                                ? "No plate rating of the " + found.type().designation()
                                        + " is known: a stage with it cannot be judged. Enter it on the type's page."
                                : "There are no curves for the " + found.type().designation()
                                        + ": its model's parameters are not known. They can be fitted to published points on"
                                        + " the type's page; the quick check and the bench work without them.",
                        List.of()));
    }

    /** Designations that can be computed. */
    List<String> known() {
        return types.known();
    }
}
