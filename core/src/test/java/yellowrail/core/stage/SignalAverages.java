package yellowrail.core.stage;

import java.util.Random;
import yellowrail.core.amp.Duty;

/** Averages over the time of a signal through the static stage, sample by sample, without the solver of what is played. */
final class SignalAverages {
    /** Samples of a signal; one period of the tone beneath it has no whole number of them. */
    private static final int SAMPLES = 400_000;

    private static final double PERIOD = 37.3;

    /** Places of a line of the stage over the drive, from one end to the other in full drives. */
    private static final int FINE = 400;

    private static final double MOST = 3;

    private SignalAverages() {}

    /** Shares of full drive over the time, unlimited. */
    private static double[] signal(Duty duty, Random random) {
        double sigma = Math.sqrt(duty == Duty.MUSIC ? 1 / 16.0 : 1 / 6.0);
        double[] signal = new double[SAMPLES];
        // Two slow random quantities on a carrier are noise in a narrow band.
        double[] in = slow(random);
        double[] across = slow(random);
        double peak = Waveform.clipping(1.1);
        for (int i = 0; i < SAMPLES; i++) {
            double angle = 2 * Math.PI * i / PERIOD;
            boolean hard = duty == Duty.HARD && i % 2000 < 1000;
            signal[i] = hard ? peak * Math.sin(angle) : sigma * (in[i] * Math.cos(angle) + across[i] * Math.sin(angle));
        }
        return signal;
    }

    /** A random quantity of variance 1 that moves slowly against the carrier. */
    private static double[] slow(Random random) {
        double[] values = new double[SAMPLES];
        double keep = Math.exp(-1 / (2 * PERIOD));
        double sum = 0;
        double now = random.nextGaussian();
        for (int i = 0; i < SAMPLES; i++) {
            now = keep * now + Math.sqrt(1 - keep * keep) * random.nextGaussian();
            values[i] = now;
            sum += now * now / SAMPLES;
        }
        for (int i = 0; i < SAMPLES; i++) {
            values[i] /= Math.sqrt(sum);
        }
        return values;
    }

    /**
     * Sample by sample: averages are looked for by walking, without slopes, and full drive follows them.
     *
     * @param near drive to begin with, V
     * @return plate W, screen W and cathode A of each tube
     */
    static double[][] direct(Stage stage, double[] parts, double near) {
        Equations equations = new Equations(stage);
        equations.start();
        equations.limited = true;
        double[][] sums = {};
        double full = near;
        for (int round = 0; round < 200; round++) {
            sums = sampled(equations, parts, full);
            double all = 0;
            double screens = 0;
            double difference = 0;
            for (int t = 0; t < sums.length; t++) {
                all += sums[t][3] + sums[t][4];
                screens += sums[t][4];
                difference += equations.sign(t) * (sums[t][3] + equations.tap * sums[t][4]);
            }
            boolean own = equations.pentode && !Double.isNaN(stage.screenSupplyVolts());
            walk(equations.mean, 0, stage.supplyVolts() - stage.supplyOhms() * (own ? all - screens : all));
            double node = Double.isNaN(stage.screenSupplyVolts()) ? equations.mean[0] : stage.screenSupplyVolts();
            walk(equations.mean, 1, node - stage.screenFeedOhms() * screens);
            walk(equations.mean, 2, difference);
            double room = Double.POSITIVE_INFINITY;
            for (int t = 0; t < sums.length; t++) {
                int column = equations.cathodeColumn(t);
                if (column >= 0) {
                    double amperes = 0;
                    for (int other = 0; other < sums.length; other++) {
                        amperes += equations.cathodeColumn(other) == column ? sums[other][2] : 0;
                    }
                    walk(equations.mean, column, stage.biasing().cathodeOhms() * amperes);
                }
                room = Math.min(room, equations.cathodeVolts(t) - equations.bias(t));
            }
            full = room;
        }
        return sums;
    }

    private static void walk(double[] mean, int at, double to) {
        mean[at] += 0.1 * (to - mean[at]);
    }

    /** Averages over the signal; what a sample gives is read off a fine line of the static stage. */
    private static double[][] sampled(Equations equations, double[] parts, double full) {
        double[][] sums = new double[equations.tubeCount][5];
        double[] u = equations.unsolved();
        for (int i = 0; i <= FINE; i++) {
            equations.solve(u, full * MOST * (2.0 * i / FINE - 1));
            for (int t = 0; t < sums.length; t++) {
                TubePoint p = equations.point(t);
                double cathode = equations.cathodeVolts(t);
                sums[t][0] += parts[i] * p.plate * (u[equations.tube(t).side()] - cathode);
                sums[t][1] += parts[i] * p.screen * (u[equations.sides + t] - cathode);
                sums[t][2] += parts[i] * (p.plate + p.screen);
                sums[t][3] += parts[i] * p.plate;
                sums[t][4] += parts[i] * p.screen;
            }
        }
        return sums;
    }

    /** The part of the time for which each place of that line stands, between two of them in parts. */
    static double[] parts(Duty duty, Random random) {
        double[] signal = signal(duty, random);
        double[] parts = new double[FINE + 1];
        for (double x : signal) {
            double place = (Math.max(-MOST, Math.min(MOST, x)) / MOST + 1) / 2 * FINE;
            int i = (int) Math.min(FINE - 1, Math.floor(place));
            parts[i] += (1 - (place - i)) / signal.length;
            parts[i + 1] += (place - i) / signal.length;
        }
        return parts;
    }
}
