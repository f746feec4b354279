package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.List;

/** What a solved cycle comes to: power, harmonics, heat and extremes. */
final class CycleTotals {
    private final Equations equations;
    private final Stage stage;
    private final double[] mean;
    private final double[][] held;
    private final double peak;
    private final Waveform wave;

    private CycleTotals(Equations equations, double[][] held, double peak, Waveform wave) {
        this.equations = equations;
        this.stage = equations.stage;
        this.mean = equations.mean;
        this.held = held;
        this.peak = peak;
        this.wave = wave;
    }

    /**
     * @param held unknowns of the solved instants, by instant
     * @param peak grid volts that the waveform is a share of, V
     */
    static Cycle of(Equations equations, double[][] held, double peak, Waveform wave) {
        return new CycleTotals(equations, held, peak, wave).cycle();
    }

    private Cycle cycle() {
        double[] v = new double[held.length];
        double[][] perTube = new double[equations.tubeCount][7];
        for (double[] t : perTube) {
            t[5] = Double.POSITIVE_INFINITY;
        }
        double most = Double.NEGATIVE_INFINITY;
        double least = Double.POSITIVE_INFINITY;
        double square = 0;
        double winding = 0;
        for (int j = 0; j < held.length; j++) {
            double[] u = held[j];
            double share = wave.parts()[j];
            equations.evaluate(u, peak * wave.shares()[j]);
            double difference = 0;
            for (int t = 0; t < equations.tubeCount; t++) {
                TubePoint p = equations.point(t);
                difference += equations.sign(t) * (p.plate + equations.tap * p.screen);
                double cathode = equations.cathodeVolts(t);
                double[] sum = perTube[t];
                sum[0] += p.plate * share;
                sum[1] += p.screen * share;
                sum[2] += p.plate * (u[equations.tube(t).side()] - cathode) * share;
                sum[3] += p.screen * (u[equations.sides + t] - cathode) * share;
                sum[4] = Math.max(sum[4], p.plate);
                sum[5] = Math.min(sum[5], p.plate);
                sum[6] += p.screen * p.screen * share;
            }
            winding += windingWatts() * share;
            v[j] = equations.load * (difference - mean[2]);
            square += v[j] * v[j] * share;
            for (int s = 0; s < equations.sides; s++) {
                most = Math.max(most, u[s]);
                least = Math.min(least, u[s]);
            }
        }
        boolean sine = wave == Waveform.SINE;
        double[] cycle = sine ? whole(v) : v;
        List<Double> harmonics = new ArrayList<>();
        double fundamental = sine ? Harmonics.amplitude(cycle, 1) : 0;
        for (int h = 2; h <= 9; h++) {
            harmonics.add(fundamental > 1e-9 ? Harmonics.amplitude(cycle, h) / fundamental : 0);
        }
        List<Double> cathodeVolts = new ArrayList<>();
        for (int c = 0; c < equations.cathodes; c++) {
            cathodeVolts.add(mean[3 + c]);
        }
        List<Cycle.TubeCycle> tubeCycles = new ArrayList<>();
        for (double[] t : perTube) {
            tubeCycles.add(new Cycle.TubeCycle(t[0], t[1], t[2], t[3], t[4], t[5], t[6]));
        }
        return new Cycle(
                peak,
                square / equations.load * stage.loadShare(),
                fundamental * fundamental / 2 / equations.load * stage.loadShare(),
                harmonics,
                mean[0],
                equations.pentode ? mean[1] : mean[0],
                cathodeVolts,
                tubeCycles,
                most,
                least,
                supplyWatts(perTube),
                winding
                        + screenResistorWatts(perTube)
                        + steadyWatts(perTube)
                        + square / equations.load * (1 - stage.loadShare()),
                mean[2]);
    }

    private static double[] whole(double[] falling) {
        double[] cycle = new double[Instants.ALL];
        for (int j = 0; j < cycle.length; j++) {
            cycle[j] = falling[Instants.solvedFor(j)];
        }
        return cycle;
    }

    /** Heat in the windings at this instant: both currents flow in the tapped part. */
    private double windingWatts() {
        double heat = 0;
        for (int s = 0; s < equations.sides; s++) {
            double plate = 0;
            double screen = 0;
            for (int t = 0; t < equations.tubeCount; t++) {
                if (equations.tube(t).side() == s) {
                    plate += equations.point(t).plate;
                    screen += equations.point(t).screen;
                }
            }
            heat += stage.halfPrimaryOhms() * (plate * plate + equations.tap * (2 * plate * screen + screen * screen));
        }
        return heat;
    }

    private double screenResistorWatts(double[][] perTube) {
        double heat = 0;
        for (int t = 0; t < equations.tubeCount; t++) {
            heat += equations.tube(t).screenOhms() * perTube[t][6];
        }
        return heat;
    }

    private double supplyWatts(double[][] perTube) {
        double plates = 0;
        double screens = 0;
        for (double[] t : perTube) {
            plates += t[0];
            screens += t[1];
        }
        boolean own = equations.pentode && !Double.isNaN(stage.screenSupplyVolts());
        return own
                ? stage.supplyVolts() * plates + stage.screenSupplyVolts() * screens
                : stage.supplyVolts() * (plates + screens);
    }

    /** Heat where the average current flows: supply, screen feed, cathode resistors. */
    private double steadyWatts(double[][] perTube) {
        double plates = 0;
        double screens = 0;
        double cathodeHeat = 0;
        for (int c = 0; c < equations.cathodes; c++) {
            cathodeHeat += mean[3 + c] * mean[3 + c] / stage.biasing().cathodeOhms();
        }
        for (double[] t : perTube) {
            plates += t[0];
            screens += t[1];
        }
        boolean own = equations.pentode && !Double.isNaN(stage.screenSupplyVolts());
        double fromSupply = own ? plates : plates + screens;
        double feed = equations.pentode ? stage.screenFeedOhms() * screens * screens : 0;
        return stage.supplyOhms() * fromSupply * fromSupply + feed + cathodeHeat;
    }
}
