package yellowrail.core.stage;

/** The instants of a cycle at which a stage is solved. */
final class Instants {
    /** 32 instants are within 0.07 % in power and heat; twice that leaves harmonics up to the ninth clean. */
    static final int ALL = 64;

    private static final double[] SINE = new double[ALL];

    static {
        for (int j = 0; j < ALL; j++) {
            SINE[j] = sine(j, ALL);
        }
    }

    private Instants() {}

    static double sine(int j) {
        return SINE[j];
    }

    /** @param all instants of the cycle */
    static double sine(int j, int all) {
        return Math.sin(2 * Math.PI * j / all);
    }

    /** Which instant of {@link Waveform#SINE} has the drive of this one: the way up repeats the way down. */
    static int solvedFor(int j) {
        int falling = j < ALL / 4 || j > 3 * ALL / 4 ? (ALL / 2 - j + ALL) % ALL : j;
        return falling - ALL / 4;
    }
}
