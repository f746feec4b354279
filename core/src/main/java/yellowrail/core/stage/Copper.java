package yellowrail.core.stage;

import yellowrail.core.amp.Topology;

/** Winding resistance of an output transformer that was not measured. */
public final class Copper {
    /** Of the plate-to-plate load in each half primary, or twice that in a single-ended primary; a round figure of ours. */
    public static final double SHARE = 0.016;

    private Copper() {}

    /**
     * Ω of a half primary (single-ended: of the primary).
     *
     * @param loadOhms plate to plate, or at the primary, Ω
     */
    public static double assumedOhms(double loadOhms, Topology topology) {
        return loadOhms * SHARE * (topology == Topology.PUSH_PULL ? 1 : 2);
    }
}
