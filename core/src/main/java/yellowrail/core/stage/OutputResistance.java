package yellowrail.core.stage;

/**
 * The resistance a stage shows to its load at small signals: how stiffly it drives a speaker whose impedance changes over
 * frequency. Solved from the volts that the same small drive gives into two loads, so that connection, screen resistors and
 * copper are in it. Feedback around the stage is not: it lowers the figure.
 */
public final class OutputResistance {
    /** Share of full drive that is small: harmonics are below a per cent of the fundamental there. */
    private static final double SMALL = 0.05;

    private static final double OTHER_LOAD = 2;

    private OutputResistance() {}

    /**
     * @param stage with its bias set
     * @return Ω, plate to plate (single-ended: at the primary), above zero
     * @throws NoSolution when the stage cannot be solved
     */
    public static double of(Stage stage) {
        double drive = SMALL * new StageSolver(stage).full().drive();
        if (!(drive > 0)) {
            throw new NoSolution("There is no room to drive this stage: a grid stands at zero volts at idle.");
        }
        Stage other = stage.withLoad(OTHER_LOAD * stage.loadOhms());
        double volts = volts(stage, drive);
        double otherVolts = volts(other, drive);
        double amperes = volts / (stage.loadOhms() + stage.secondaryOhms());
        double otherAmperes = otherVolts / (other.loadOhms() + other.secondaryOhms());
        return (otherVolts - volts) / (amperes - otherAmperes);
    }

    /** Peak of the fundamental across load and secondary copper, V. */
    private static double volts(Stage stage, double drive) {
        double load = Math.sqrt(2 * new StageSolver(stage).driven(drive).fundamentalWatts() * stage.loadOhms());
        return load / stage.loadShare();
    }
}
