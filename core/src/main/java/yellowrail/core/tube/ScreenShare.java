package yellowrail.core.tube;

/**
 * The usual share of the cathode current that the screen takes at idle.
 *
 * @param share of cathode current, 0 to 0.5
 * @param band ± limit of that share, in the same measure
 */
public record ScreenShare(double share, double band) {
    public ScreenShare {
        if (!(share > 0 && share < 0.5) || !(band >= 0 && band <= share)) {
            throw new IllegalArgumentException("screen share out of range: " + share + " ± " + band
                    + "; 0 to 0.5 of cathode current, band not wider than the share");
        }
    }
}
