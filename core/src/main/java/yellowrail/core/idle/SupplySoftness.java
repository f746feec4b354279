package yellowrail.core.idle;

/** How much of its volts a supply loses at idle, as a share: experience-level figures. */
public final class SupplySoftness {
    /** A tube-rectified supply of a large amp; stiffer ones lose less. */
    public static final double MOST_SAG = 0.15;
    /** A usual supply with silicon rectifiers. */
    public static final double SILICON_SAG = 0.02;

    private SupplySoftness() {}
}
