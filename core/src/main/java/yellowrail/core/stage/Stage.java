package yellowrail.core.stage;

import java.util.List;
import java.util.function.Supplier;
import yellowrail.core.amp.Topology;
import yellowrail.core.reading.Show;
import yellowrail.core.tube.Connection;

/**
 * An output stage to be computed.
 *
 * @param tap share of the primary the screens are tapped at, above 0 and below 1; used with ultralinear only
 * @param supplyVolts B+ without load, V
 * @param supplyOhms source resistance of the supply, Ω
 * @param screenSupplyVolts a screen supply of its own without load, V; NaN when the screens are fed from B+
 * @param screenFeedOhms common screen feed resistor, Ω (pentode)
 * @param halfPrimaryOhms winding resistance of a half primary (single-ended: the primary), Ω
 * @param secondaryOhms copper of the secondary reflected to the whole primary, Ω: heat that never reaches the load
 * @param loadOhms load plate to plate (single-ended: at the primary), Ω
 * @param tubes 1 to 4 a side; single-ended on side 0 only
 */
public record Stage(
        Topology topology,
        Connection connection,
        double tap,
        double supplyVolts,
        double supplyOhms,
        double screenSupplyVolts,
        double screenFeedOhms,
        double halfPrimaryOhms,
        double secondaryOhms,
        double loadOhms,
        List<StageTube> tubes,
        Biasing biasing) {
    public Stage {
        tubes = List.copyOf(tubes);
        within("supply volts", supplyVolts, 20, 2000, "V");
        within("supply ohms", supplyOhms, 0, 20e3, "Ω");
        if (!Double.isNaN(screenSupplyVolts)) {
            within("screen supply volts", screenSupplyVolts, 20, 1000, "V");
        }
        within("screen feed ohms", screenFeedOhms, 0, 100e3, "Ω");
        within("half-primary ohms", halfPrimaryOhms, 0, 5e3, "Ω");
        within("secondary ohms", secondaryOhms, 0, 5e6, "Ω");
        within("load ohms", loadOhms, 50, 10e6, "Ω");
        if (connection == Connection.ULTRALINEAR && !(tap > 0 && tap < 1)) {
            throw new IllegalArgumentException(
                    "an ultralinear tap lies between 0 and 100 %, not at " + 100 * tap + " %");
        }
        long a = tubes.stream().filter(t -> t.side() == 0).count();
        long b = tubes.size() - a;
        boolean pushPull = topology == Topology.PUSH_PULL;
        if (a < 1 || a > 4 || b > 4 || (pushPull ? b < 1 : b > 0)) {
            throw new IllegalArgumentException((pushPull
                            ? "push-pull takes 1 to 4 tubes on each side"
                            : "single-ended takes 1 to 4 tubes on one side")
                    + ", not " + a + " and " + b);
        }
    }

    private static void within(String what, double value, double low, double high, String unit) {
        if (!(value >= low && value <= high)) {
            throw new IllegalArgumentException(what + " of " + Show.plain(value, 4) + " " + unit + "; "
                    + Show.plain(low, 4) + " to " + Show.plain(high, 6) + " " + unit);
        }
    }

    public boolean pushPull() {
        return topology == Topology.PUSH_PULL;
    }

    /** Which share of the plate's swing the screens follow: 0 pentode, the tap, or 1 triode. */
    public double screenTap() {
        return connection == Connection.PENTODE ? 0 : connection == Connection.TRIODE ? 1 : tap;
    }

    /** What one half primary sees with both halves driven: a quarter plate to plate, or the whole primary. */
    public double halfLoad() {
        double ohms = loadOhms + secondaryOhms;
        return pushPull() ? ohms / 4 : ohms;
    }

    /** Share of the power leaving the primary that reaches the load. */
    public double loadShare() {
        return loadOhms / (loadOhms + secondaryOhms);
    }

    /**
     * Direct current that magnetises the output transformer, A: all of a single-ended stage as far as it flows through the
     * primary, the difference of the sides in push-pull.
     *
     * @param cycle one of this stage
     */
    public double coreAmperes(Cycle cycle) {
        boolean screens = connection != Connection.PENTODE;
        return pushPull()
                ? Math.abs(cycle.standingDifference())
                : cycle.tubes().stream()
                        .mapToDouble(t -> t.plateAmperes() + (screens ? t.screenAmperes() : 0))
                        .sum();
    }

    /** The same stage with other tubes. */
    public Stage tubed(List<StageTube> others) {
        return with(supplyVolts, screenSupplyVolts, loadOhms, others, biasing);
    }

    /** The same tubes connected otherwise; screens that leave pentode leave a supply of their own too. */
    public Stage connected(Connection other, double otherTap) {
        return new Stage(
                topology,
                other,
                otherTap,
                supplyVolts,
                supplyOhms,
                other == Connection.PENTODE ? screenSupplyVolts : Double.NaN,
                screenFeedOhms,
                halfPrimaryOhms,
                secondaryOhms,
                loadOhms,
                tubes,
                biasing);
    }

    /** The same stage behind another source resistance of its supply, Ω. */
    public Stage fedThrough(double ohms) {
        return new Stage(
                topology,
                connection,
                tap,
                supplyVolts,
                ohms,
                screenSupplyVolts,
                screenFeedOhms,
                halfPrimaryOhms,
                secondaryOhms,
                loadOhms,
                tubes,
                biasing);
    }

    /** The same stage with its screens fed from a supply of their own, V without load. */
    public Stage screensAt(double volts) {
        return with(supplyVolts, volts, loadOhms, tubes, biasing);
    }

    /** @throws NoSolution for a load beyond what is computed */
    public Stage withLoad(double ohms) {
        return moved(() -> with(supplyVolts, screenSupplyVolts, ohms, tubes, biasing));
    }

    /**
     * The same stage with the copper of another transformer.
     *
     * @param half winding resistance of a half primary (single-ended: the primary), Ω
     * @param secondary reflected to the whole primary, Ω
     */
    public Stage withCopper(double half, double secondary) {
        return new Stage(
                topology,
                connection,
                tap,
                supplyVolts,
                supplyOhms,
                screenSupplyVolts,
                screenFeedOhms,
                half,
                secondary,
                loadOhms,
                tubes,
                biasing);
    }

    public Stage biased(Biasing other) {
        return with(supplyVolts, screenSupplyVolts, loadOhms, tubes, other);
    }

    /**
     * The same stage at another mains: B+ and screens scale; a grid supply that follows the mains scales too.
     *
     * @throws NoSolution for volts beyond what is computed
     */
    public Stage atMains(double factor, boolean biasFollows) {
        double grid = biasFollows ? factor : 1;
        return moved(() -> with(
                supplyVolts * factor,
                screenSupplyVolts * factor,
                loadOhms,
                tubes,
                new Biasing(biasing.gridA() * grid, biasing.gridB() * grid, biasing.cathodeOhms(), biasing.shared())));
    }

    /** What a described stage becomes may lie beyond the limits without anybody having typed it so. */
    private static Stage moved(Supplier<Stage> made) {
        try {
            return made.get();
        } catch (IllegalArgumentException outside) {
            throw new NoSolution(
                    "With load or mains moved there would be " + outside.getMessage() + " can be computed.");
        }
    }

    private Stage with(double supply, double screenSupply, double load, List<StageTube> fitted, Biasing biased) {
        return new Stage(
                topology,
                connection,
                tap,
                supply,
                supplyOhms,
                screenSupply,
                screenFeedOhms,
                halfPrimaryOhms,
                secondaryOhms,
                load,
                fitted,
                biased);
    }
}
