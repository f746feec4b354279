package yellowrail.core.stage;

/**
 * What a stage does at one place of a sweep.
 *
 * @param at the place, a share or a factor
 * @param idleWatts plate dissipation of the hottest tube at idle, W
 * @param watts into the load at full drive, W
 * @param distortion at full drive, share
 * @param distortionAtOneWatt share; NaN when 1 W is not reached
 * @param secondAtOneWatt second harmonic at 1 W, share; NaN when 1 W is not reached
 * @param plateWatts hottest average plate by what is played, W
 * @param screenWatts hottest average screen by what is played, W
 * @param plateVolts highest plate volts over the drive, V
 * @param supplyVolts highest average B+, V
 * @param cathodeAmperes largest average cathode current of a tube by what is played, A
 * @param plateAmperes largest instantaneous plate current, A
 * @param standingDifference difference of the sides at idle, A
 * @param trouble why there is no answer, or empty; then every figure is NaN
 */
public record SweepPoint(
        double at,
        double idleWatts,
        double watts,
        double distortion,
        double distortionAtOneWatt,
        double secondAtOneWatt,
        double plateWatts,
        double screenWatts,
        double plateVolts,
        double supplyVolts,
        double cathodeAmperes,
        double plateAmperes,
        double standingDifference,
        String trouble) {
    /** Enough to find the hottest average within 1 %. */
    private static final int LEVELS = 12;

    public static SweepPoint of(Sweep sweep, StageSetting setting, double place) {
        try {
            DriveSweep drive = DriveSweep.of(sweep.at(setting, place), LEVELS);
            double nan = Double.NaN;
            return new SweepPoint(
                    place,
                    drive.idle().hottestPlateWatts(),
                    drive.full().watts(),
                    drive.full().distortion(),
                    drive.oneWatt().map(Cycle::distortion).orElse(nan),
                    drive.oneWatt().map(c -> c.harmonics().get(0)).orElse(nan),
                    drive.hottestPlate(setting.duty()).hottestPlateWatts(),
                    drive.hottestScreen(setting.duty()).hottestScreenWatts(),
                    drive.plateMost(),
                    drive.idle().supplyVolts(),
                    drive.cathodeAmperes(setting.duty()),
                    drive.plateAmperes(),
                    Math.abs(drive.idle().standingDifference()),
                    "");
        } catch (NoSolution none) {
            double nan = Double.NaN;
            return new SweepPoint(place, nan, nan, nan, nan, nan, nan, nan, nan, nan, nan, nan, nan, none.getMessage());
        }
    }
}
