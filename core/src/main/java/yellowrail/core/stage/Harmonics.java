package yellowrail.core.stage;

/** Amplitudes of a sampled cycle by direct Fourier sums. */
final class Harmonics {
    private Harmonics() {}

    static double amplitude(double[] samples, int harmonic) {
        double real = 0;
        double imaginary = 0;
        int n = samples.length;
        for (int j = 0; j < n; j++) {
            double angle = 2 * Math.PI * harmonic * j / n;
            real += samples[j] * Math.cos(angle);
            imaginary += samples[j] * Math.sin(angle);
        }
        return 2 * Math.hypot(real, imaginary) / n;
    }
}
