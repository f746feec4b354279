package yellowrail.app.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
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

    private static final Map<String, String> WORDS = Map.ofEntries(
            Map.entry("tube", "tube"),
            Map.entry("judge", "judged by"),
            Map.entry("topology", "topology"),
            Map.entry("connection", "connection"),
            Map.entry("tap", "tap"),
            Map.entry("tubes", "tubes"),
            Map.entry("bias", "bias"),
            Map.entry("at", "bias at"),
            Map.entry("cathode", "cathode resistor"),
            Map.entry("shared", "cathode resistor"),
            Map.entry("supply", "B+"),
            Map.entry("source", "source resistance"),
            Map.entry("screens", "screen supply"),
            Map.entry("feed", "screen feed"),
            Map.entry("rg2", "screen resistors"),
            Map.entry("rdc", "half primary"),
            Map.entry("secondary", "secondary loss"),
            Map.entry("load", "load"),
            Map.entry("scales", "tube strengths"),
            Map.entry("offsets", "grids apart"),
            Map.entry("idle", "idle"),
            Map.entry("loadFactor", "load ×"),
            Map.entry("mains", "mains"));

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
        String words = form.differing(other).stream()
                .filter(WORDS::containsKey)
                .map(name -> WORDS.get(name) + " " + shown(name, form.text(name)))
                .collect(Collectors.joining(", "));
        return words.isEmpty() ? "the same setting" : words;
    }

    private static String shown(String name, String text) {
        return text.isEmpty()
                ? "as set by the slider"
                : text + (name.equals("idle") || name.equals("mains") ? " %" : "");
    }
}
