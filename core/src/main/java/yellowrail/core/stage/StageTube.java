package yellowrail.core.stage;

import yellowrail.core.tube.TubeModel;

/**
 * One tube of a stage.
 *
 * @param model its type's model
 * @param side 0 for the side driven with +sin, 1 for the other
 * @param scale this tube's currents over the model's, above zero
 * @param screenOhms its own screen resistor, Ω, zero or above
 * @param gridOffset volts added to its side's grid bias, V
 */
public record StageTube(TubeModel model, int side, double scale, double screenOhms, double gridOffset) {
    public StageTube {
        if (side != 0 && side != 1) {
            throw new IllegalArgumentException("a tube stands on side 0 or 1, not " + side);
        }
        if (!(scale > 0 && scale <= 10)) {
            throw new IllegalArgumentException("a tube's scale is above 0, at most 10, not " + scale);
        }
        if (!(screenOhms >= 0 && screenOhms <= 1e6)) {
            throw new IllegalArgumentException("a screen resistor of " + screenOhms + " Ω; 0 to 1 MΩ");
        }
        if (!(Math.abs(gridOffset) <= 200)) {
            throw new IllegalArgumentException("a grid offset of " + gridOffset + " V; within ±200 V");
        }
    }

    /** The same with another screen resistor, Ω. */
    public StageTube behind(double ohms) {
        return new StageTube(model, side, scale, ohms, gridOffset);
    }
}
