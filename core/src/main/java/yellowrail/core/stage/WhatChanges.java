package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.Duty;
import yellowrail.core.reading.Show;

/** What one setting of a stage does differently from another, in a sentence with its numbers. */
public final class WhatChanges {
    /** Below this share a change is smaller than a model can tell. */
    private static final double HARDLY = 0.03;

    private WhatChanges() {}

    /**
     * @param duty what both play
     * @param rated plate rating, W
     */
    public static String between(DriveSweep one, DriveSweep other, Duty duty, double rated) {
        List<String> parts = new ArrayList<>();
        parts.add(change("power at clipping", one.full().watts(), other.full().watts(), "W"));
        parts.add(distortion(one.oneWatt(), other.oneWatt()));
        parts.add(classA(one.classAWatts(), other.classAWatts()));
        double before = one.hottestPlate(duty).hottestPlateWatts();
        double after = other.hottestPlate(duty).hottestPlateWatts();
        parts.add(change("the hottest plate with signal", before, after, "W") + ", "
                + Show.fixed(100 * after / rated, 0) + " % of its rating" + (after > rated ? " and over it" : ""));
        parts.add(change(
                "the hottest screen",
                one.hottestScreen(duty).hottestScreenWatts(),
                other.hottestScreen(duty).hottestScreenWatts(),
                "W"));
        parts.add(change("peak plate voltage", one.plateMost(), other.plateMost(), "V"));
        String sentence = String.join("; ", parts);
        return Character.toUpperCase(sentence.charAt(0)) + sentence.substring(1) + ".";
    }

    private static String change(String what, double before, double after, String unit) {
        String numbers = Show.significant(before, 3) + " to " + Show.significant(after, 3) + " " + unit;
        double ratio = after / before;
        if (Math.abs(ratio - 1) < HARDLY) {
            return what + " hardly changes (" + numbers + ")";
        }
        return what + (ratio > 1 ? " rises from " : " falls from ") + numbers;
    }

    private static String distortion(Optional<Cycle> before, Optional<Cycle> after) {
        if (before.isEmpty() || after.isEmpty()) {
            return "distortion at 1 W cannot be compared, 1 W is not reached";
        }
        double one = 100 * before.get().distortion();
        double other = 100 * after.get().distortion();
        return change("distortion at 1 W", one, other, "%");
    }

    private static String classA(Optional<Double> before, Optional<Double> after) {
        String one = before.map(w -> Show.significant(w, 2) + " W").orElse("full drive");
        String other = after.map(w -> Show.significant(w, 2) + " W").orElse("full drive");
        return one.equals(other)
                ? "class A ends at " + one + " in both"
                : "class A reaches " + other + " instead of " + one;
    }
}
