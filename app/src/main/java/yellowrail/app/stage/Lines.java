package yellowrail.app.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import yellowrail.app.forms.FieldSpec;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.DriveSweep;

/**
 * The curves of one setting.
 *
 * @param label what tells it from the present setting, in words
 * @param heat idle first
 * @param changes what the present setting does differently from this one; empty for the present one
 * @param trouble why it has no curves, or empty
 */
record Lines(String label, List<Level> heat, String changes, String trouble) {
    /**
     * One level of drive.
     *
     * @param drive share of full drive
     * @param watts into the load, W
     * @param plate hottest plate, share of its rating
     * @param screen hottest screen, share of its rating; null when that is not published
     * @param distortion share; null at idle
     */
    record Level(double drive, double watts, double plate, Double screen, Double distortion) {}

    /** What no picture shows. */
    private static final Set<FieldSpec<?>> UNSEEN =
            Set.of(StageFields.HIGHEST, StageFields.MARGIN, StageFields.CLEAN, StageFields.READINGS);

    static List<Level> heat(DriveSweep sweep, TubeFacts facts) {
        List<Level> levels = new ArrayList<>();
        levels.add(level(sweep.idle(), sweep, facts));
        sweep.levels().forEach(l -> levels.add(level(l, sweep, facts)));
        return levels;
    }

    private static Level level(Cycle cycle, DriveSweep sweep, TubeFacts facts) {
        double screen = facts.screenWatts();
        return new Level(
                cycle.drive() / sweep.full().drive(),
                cycle.watts(),
                cycle.hottestPlateWatts() / facts.plateWatts(),
                Double.isNaN(screen) ? null : cycle.hottestScreenWatts() / screen,
                cycle.drive() == 0 ? null : cycle.distortion());
    }

    /** What tells a setting from another: its differing fields with their texts. */
    static String label(StageForm form, StageForm other) {
        Set<String> differing = Set.copyOf(form.differing(other));
        String words = StageFields.ALL.stream()
                .filter(f -> differing.contains(f.name()) && !UNSEEN.contains(f))
                .map(f -> f.word() + " " + shown(f, form.text(f)))
                .collect(Collectors.joining(", "));
        return words.isEmpty() ? "the same setting" : words;
    }

    private static String shown(FieldSpec<?> field, String text) {
        return text.isEmpty()
                ? "as set by the slider"
                : text + (field == StageFields.IDLE || field == StageFields.MAINS ? " %" : "");
    }
}
