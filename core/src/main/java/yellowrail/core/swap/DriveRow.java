package yellowrail.core.swap;

import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.StageSolver;

/** Grid swing for full power against what the driver gave the present tubes, and the change of gain. */
final class DriveRow {
    /** What a driver that just managed the present tubes is taken to have in reserve, share. */
    private static final double RESERVE = 0.03;
    /** A gain that changes by less is not told, dB. */
    private static final double HEARD = 1;

    private DriveRow() {}

    static SwapRow of(SolvedStage before, SolvedStage after) {
        double needed = after.drive().full().drive();
        double given = before.drive().full().drive();
        boolean more = needed > given * (1 + RESERVE);
        double small = Math.min(needed, given) / 4;
        double decibels = 10
                * Math.log10(new StageSolver(after.stage()).driven(small).watts()
                        / new StageSolver(before.stage()).driven(small).watts());
        String gain = Math.abs(decibels) < HEARD
                ? "the gain stays about as it is"
                : "the same signal comes out " + Show.fixed(Math.abs(decibels), 1) + " dB "
                        + (decibels > 0 ? "louder" : "quieter");
        String reached = more
                ? "; whether the driver gives that is not known: with the old swing it comes to "
                        + Show.si(new StageSolver(after.stage()).driven(given).watts(), Unit.WATT, 3) + " instead of "
                        + Show.si(after.drive().full().watts(), Unit.WATT, 3)
                : "";
        return SwapRow.of(
                        Criterion.DRIVE,
                        more || Math.abs(decibels) >= HEARD ? SwapVerdict.NOTE : SwapVerdict.PASS,
                        "Full power takes " + volts(needed) + " peak at each grid, the present tubes take "
                                + volts(given) + reached + "; " + gain + ".")
                .figures(volts(needed), volts(given) + " now", Double.NaN)
                .mend(more ? "Look at the driver with a generator and a scope before you count on the power." : "")
                .formula("peak grid volts at which the first grid reaches 0 V");
    }

    private static String volts(double volts) {
        return Show.si(volts, Unit.VOLT, 3);
    }
}
