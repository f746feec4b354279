package yellowrail.app.stage;

import java.util.List;
import java.util.Map;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.pictures.Statements;
import yellowrail.core.experiment.MeasuredPoint;
import yellowrail.core.stage.OperatingChart;

/**
 * All that the stage's page shows, as numbers for the chart and texts for the tiles.
 *
 * @param trouble why there is no picture, or empty
 * @param said sentences at fields
 * @param idleShare idle in per cent of the rating, for the slider when the bias was typed
 * @param chart the operating chart
 * @param statements at the mains it stands at, and at highest mains
 * @param idleBand how far the idle current may be off at this bias, share to either side; null where nothing tells
 * @param ratedWatts plate rating, W
 * @param plateVolts plate-volt rating, V; null when not published
 * @param cathodeAmperes cathode-current rating, A; null when not published
 * @param settings the present setting's curves first, then those kept beside it
 * @param duty what is played, where it is not said and decides; null where it does not
 * @param measured the builder's own measured power and distortion
 * @param accuracy how far the model can be trusted, in words
 */
record StagePicture(
        String trouble,
        Map<String, FieldErrors.Complaint> said,
        double idleShare,
        OperatingChart chart,
        List<Statements.Line> statements,
        Double idleBand,
        double ratedWatts,
        Double plateVolts,
        Double cathodeAmperes,
        List<Tile> tiles,
        List<JudgedRow> limits,
        List<Lines> settings,
        DutyQuestion duty,
        List<MeasuredPoint> measured,
        String accuracy) {
    static StagePicture refused(String trouble, Map<String, FieldErrors.Complaint> said) {
        return new StagePicture(
                trouble, said, 0, null, List.of(), null, 0, null, null, List.of(), List.of(), List.of(), null,
                List.of(), "");
    }
}
