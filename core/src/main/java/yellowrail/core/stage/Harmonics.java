package yellowrail.core.stage;

/** Amplitudes of a sampled cycle by direct Fourier sums. */
final class Harmonics {
    private static final int INSTANTS = 64;
    private static final double[] COSINE = new double[INSTANTS];

    static {
        for (int j = 0; j < INSTANTS; j++) {
            COSINE[j] = Math.cos(2 * Math.PI * j / INSTANTS);
        }
    }

    private Harmonics() {}

    /** @param samples one cycle in 64 even steps, or in a part of 64 */
    static double amplitude(double[] samples, int harmonic) {
        double real = 0;
        double imaginary = 0;
        int step = INSTANTS / samples.length;
        for (int j = 0; j < samples.length; j++) {
            int angle = step * harmonic * j % INSTANTS;
            real += samples[j] * COSINE[angle];
            // A sine is a cosine three quarters of a turn on.
            imaginary += samples[j] * COSINE[(angle + 3 * INSTANTS / 4) % INSTANTS];
        }
        return 2 * Math.hypot(real, imaginary) / samples.length;
    }
}
