package yellowrail.app.stage;

import java.util.List;
import java.util.Set;
import yellowrail.app.forms.FieldSpec;
import yellowrail.core.judging.Known;

/**
 * An amp's stage as far as its description and rounds tell it.
 *
 * @param form filled in; a text is empty where nothing is known and nothing may stand in for it
 * @param strict the same with nothing where something is assumed that cools the plates: what a target is computed from
 * @param notes where each filled figure comes from, in words
 * @param points measured idle points, for the chart
 * @param missing what keeps it from being computed; empty when nothing does
 * @param channels channels of the amp
 * @param read how its tubes were read, for each thing the bias can turn out to be; empty where that does not stand
 * @param assumed fields that nothing known of the amp tells
 * @param leftOut that newer rounds could not be used, in a sentence; empty when none was left out
 */
public record AmpStage(
        StageForm form,
        StageForm strict,
        List<String> notes,
        List<ReadPoint> points,
        String missing,
        int channels,
        List<Known> read,
        Set<FieldSpec<?>> assumed,
        String leftOut) {
    /**
     * A measured idle point with its band, volts from the cathode.
     *
     * @param when day of the round
     * @param newest whether it is of the newest round
     */
    public record ReadPoint(
            String name,
            double volts,
            double amperes,
            double lowAmperes,
            double highAmperes,
            String when,
            boolean newest) {}

    /** Day of the newest round used; empty without one. */
    String lastRead() {
        return points.stream()
                .filter(ReadPoint::newest)
                .map(ReadPoint::when)
                .findFirst()
                .orElse("");
    }

    public AmpStage {
        notes = List.copyOf(notes);
        points = List.copyOf(points);
        assumed = Set.copyOf(assumed);
    }
}
