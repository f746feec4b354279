package yellowrail.core.stage;

/** The instants of a cycle at which a stage is solved. */
final class Instants {
    /** 32 instants are within 0.07 % in power and heat; twice that leaves harmonics up to the ninth clean. */
    static final int ALL = 64;

    private static final double[] SINE = new double[ALL];

    /** The stage has no memory: the way up from trough to crest repeats the way down, so that half the instants do. */
    private static final int[] FALLING = new int[ALL / 2 + 1];

    private static final int[] STILL = {0};

    static {
        for (int j = 0; j < ALL; j++) {
            SINE[j] = Math.sin(2 * Math.PI * j / ALL);
        }
        for (int i = 0; i < FALLING.length; i++) {
            FALLING[i] = (ALL / 4 + i) % ALL;
        }
    }

    private Instants() {}

    static double sine(int j) {
        return SINE[j];
    }

    /** Those to be solved, of one instant at idle or of all. */
    static int[] solved(int samples) {
        return samples == 1 ? STILL : FALLING;
    }

    /** The instant with the same drive that is solved. */
    static int solvedFor(int j) {
        return j < ALL / 4 || j > 3 * ALL / 4 ? mirrored(j) : j;
    }

    /** The other instant with the same drive. */
    static int mirrored(int j) {
        return (ALL / 2 - j + ALL) % ALL;
    }

    /** How many instants of the cycle this one stands for: crest and trough come once, all else twice. */
    static int weight(int j, int samples) {
        return samples == 1 || j == ALL / 4 || j == 3 * ALL / 4 ? 1 : 2;
    }
}
