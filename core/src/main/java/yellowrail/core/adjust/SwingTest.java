package yellowrail.core.adjust;

import yellowrail.core.reading.Show;

/**
 * The mirror test of a balance control: swung one way and as far the other way, matched tubes mirror each other.
 *
 * @param sentence the verdict with its numbers
 * @param symmetric whether the two swings mirror each other within 5 %
 */
public record SwingTest(boolean symmetric, String sentence) {
    private static final double WITHIN = 0.05;

    /** Currents of side A and side B, A, above zero. */
    public record Sides(double a, double b) {
        public Sides {
            if (!(a > 0 && b > 0)) {
                throw new IllegalArgumentException("both sides need a current above zero: " + a + " A, " + b + " A");
            }
        }
    }

    /** @param one the sides with the control swung one way; {@code other} as far the other way */
    public static SwingTest of(Sides one, Sides other) {
        double first = 2 * (one.a() - other.b()) / (one.a() + other.b());
        double second = 2 * (one.b() - other.a()) / (one.b() + other.a());
        double worst = Math.abs(first) >= Math.abs(second) ? first : second;
        boolean symmetric = Math.abs(worst) <= WITHIN;
        String apart = Show.fixed(100 * Math.abs(worst), 1) + " %";
        String stronger = first - second > 0 ? "A draws more than B" : "B draws more than A";
        return new SwingTest(
                symmetric,
                symmetric
                        ? "The swings mirror each other within " + apart + ": the sides are alike."
                        : "The swings differ by " + apart + ", " + stronger
                                + " at the mirrored setting: tubes or circuit are unequal. Exchange the two tubes (off,"
                                + " drained, cool) and swing again: what follows the tube is the tube.");
    }
}
