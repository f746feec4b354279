package yellowrail.core.round;

/**
 * The two sides of a channel: {@code Δ% = 2·|a − b| / (a + b)} of their cathode currents.
 *
 * @param channel 1 or 2
 * @param sideA total of side A, A
 * @param sideB total of side B, A
 */
public record Balance(int channel, double sideA, double sideB) {
    /** Difference as a share of the mean of both sides; zero when both are zero. */
    public double imbalance() {
        double sum = sideA + sideB;
        return sum == 0 ? 0 : 2 * Math.abs(sideA - sideB) / sum;
    }
}
