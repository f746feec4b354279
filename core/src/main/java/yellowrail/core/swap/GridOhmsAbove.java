package yellowrail.core.swap;

import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.Duty;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Standing;
import yellowrail.core.judging.Value;
import yellowrail.core.stage.Cycle.TubeCycle;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.table.Row;
import yellowrail.core.table.Table;
import yellowrail.core.tube.TubeType;

/**
 * A grid-circuit limit that falls where the tube is run hotter; the table is {@code grid-ohms-above.csv}.
 *
 * @param watts of plate and screen together, above which it holds, W
 * @param fixedOhms with fixed bias, Ω
 * @param cathodeOhms with cathode bias, Ω
 */
record GridOhmsAbove(String designation, double watts, double fixedOhms, double cathodeOhms) {
    private static final double KILO = 1e3;

    static final List<GridOhmsAbove> ALL = Table.beside(
                    GridOhmsAbove.class,
                    "grid-ohms-above.csv",
                    List.of("designation", "above W", "grid kohm fixed bias", "grid kohm cathode bias", "source"))
            .stream()
            .map(row -> row.made(() -> of(row)))
            .toList();

    private static GridOhmsAbove of(Row row) {
        row.needed("source");
        return new GridOhmsAbove(
                row.needed("designation"),
                row.neededNumber("above W"),
                KILO * row.neededNumber("grid kohm fixed bias"),
                KILO * row.neededNumber("grid kohm cathode bias"));
    }

    static Optional<GridOhmsAbove> of(TubeType type) {
        return ALL.stream()
                .filter(g -> g.designation.equals(type.designation()))
                .findFirst();
    }

    double ohms(boolean cathode) {
        return cathode ? cathodeOhms : fixedOhms;
    }

    /** Plate and screen of the hottest tube, highest average over what is played, W. */
    static double watts(SolvedStage solved, Duty duty) {
        return Math.max(watts(solved.drive(), duty), watts(solved.highest(), duty));
    }

    private static double watts(DriveSweep drive, Duty duty) {
        return drive.over(duty).stream()
                .flatMap(c -> c.tubes().stream())
                .mapToDouble(GridOhmsAbove::watts)
                .max()
                .orElse(0);
    }

    private static double watts(TubeCycle tube) {
        return tube.plateWatts() + tube.screenWatts();
    }

    /**
     * How this much resistance stands: a pass where it is within the lower limit, or the tube stays cooler.
     *
     * @param duty what is played
     */
    SwapVerdict verdict(double seen, boolean cathode, Optional<SolvedStage> after, Duty duty) {
        if (seen <= ohms(cathode) * (1 + 1e-9)) {
            return SwapVerdict.PASS;
        }
        Standing heat = after.map(a -> Standing.ofOutcomes(duty.outcomes().stream()
                        .map(d ->
                                Judge.part(Value.computed(watts(a, d), a.bands().plate()), Optional.of(watts)))
                        .toList()))
                .orElse(Standing.UNKNOWN);
        return SwapVerdict.of(heat, false);
    }
}
