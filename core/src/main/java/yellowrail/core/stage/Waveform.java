package yellowrail.core.stage;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;
import org.hipparchus.analysis.solvers.BrentSolver;
import yellowrail.core.amp.Duty;

/**
 * What the grids are driven with, as instants of which each stands for a part of the time. The stage has no memory: while
 * B+, screens and cathodes stand at their averages, an average over the time is one over the drive at an instant.
 *
 * @param shares drive at each instant, of the peak; falling
 * @param parts of the time, 1 together
 * @param limited whether each grid stops at zero volts to its cathode
 */
record Waveform(double[] shares, double[] parts, boolean limited) {
    static final Waveform STILL = new Waveform(new double[] {0}, new double[] {1}, false);

    static final Waveform SINE = sine(1, Instants.ALL, false);

    /** Mean square of the noise of music, and of a guitar played clean or between what is driven hard: of the full sine's. */
    private static final double MUSIC_SQUARE = 1 / 8.0;

    private static final double GUITAR_SQUARE = 1 / 3.0;

    /** Noise is taken to this many times its RMS value. */
    private static final double FURTHEST = 4;

    /** Within 0.11 % in heat of half as many more. */
    private static final int NOISE = 21;

    /** Peak by RMS of a sine driven hard into the grids. */
    static final double CREST = 1.1;

    private static final int CLIPPED = 32;
    private static final double MOST_CLIPPING = 20;

    private static final Map<Duty, Waveform> PLAYED = new EnumMap<>(Duty.class);

    static {
        Waveform clean = noise(GUITAR_SQUARE);
        PLAYED.put(Duty.MUSIC, noise(MUSIC_SQUARE));
        PLAYED.put(Duty.CLEAN, clean);
        PLAYED.put(Duty.HARD, half(clean, sine(clipping(CREST), CLIPPED, true)));
    }

    /** The drive of what is played, as shares of the sine that just reaches zero volts at the first grid. */
    static Waveform of(Duty played) {
        return PLAYED.get(played);
    }

    /** Mean square of its noise, of the full sine's. */
    static double meanSquare(Duty played) {
        return played == Duty.MUSIC ? MUSIC_SQUARE : GUITAR_SQUARE;
    }

    /**
     * A sine from crest to trough: the way up repeats the way down.
     *
     * @param peak share of full drive
     * @param instants of a whole cycle
     */
    private static Waveform sine(double peak, int instants, boolean limited) {
        int count = instants / 2 + 1;
        double[] shares = new double[count];
        double[] parts = new double[count];
        for (int i = 0; i < count; i++) {
            shares[i] = peak * Instants.sine((instants / 4 + i) % instants, instants);
            parts[i] = (i == 0 || i == count - 1 ? 1.0 : 2.0) / instants;
        }
        return new Waveform(shares, parts, limited);
    }

    /**
     * Noise in a narrow band: an envelope by Rayleigh and any phase make its instants those of a normal distribution.
     *
     * @param square mean square, of the full sine's
     */
    private static Waveform noise(double square) {
        double sigma = Math.sqrt(square / 2);
        double[] shares = new double[NOISE];
        double[] parts = new double[NOISE];
        for (int i = 0; i < NOISE; i++) {
            double z = FURTHEST * (1 - 2.0 * i / (NOISE - 1));
            shares[i] = sigma * z;
            parts[i] = Math.exp(-z * z / 2);
        }
        double sum = Arrays.stream(parts).sum();
        return new Waveform(shares, Arrays.stream(parts).map(p -> p / sum).toArray(), true);
    }

    /** Half of the time one, half the other. */
    private static Waveform half(Waveform one, Waveform other) {
        double[] shares = new double[one.shares.length + other.shares.length];
        double[] parts = new double[shares.length];
        int at = 0;
        for (Waveform wave : new Waveform[] {one, other}) {
            for (int i = 0; i < wave.shares.length; i++) {
                shares[at] = wave.shares[i];
                parts[at++] = wave.parts[i] / 2;
            }
        }
        return new Waveform(shares, parts, true);
    }

    /** Peak of a sine, as a share of what it is clipped at, whose crest is then this. */
    static double clipping(double crest) {
        return new BrentSolver(1e-12).solve(200, peak -> clippedSquare(peak) - 1 / (crest * crest), 1, MOST_CLIPPING);
    }

    /** Mean square of a sine clipped at 1. */
    private static double clippedSquare(double peak) {
        double a = Math.asin(1 / peak);
        return 2 / Math.PI * (peak * peak * (a / 2 - Math.sin(2 * a) / 4) + Math.PI / 2 - a);
    }
}
