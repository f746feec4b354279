package yellowrail.core.tube;

/** How an output tube is built, as far as its screen current depends on it. */
public enum TubeKind {
    BEAM_TETRODE("beam tetrode", 0.02, 0.09, 0.01, 0.14),
    PENTODE("pentode", 0.09, 0.15, 0.05, 0.22),
    /** No screen: its limits do not apply. */
    TRIODE("triode", 0, 0, 0, 0),
    UNKNOWN("kind not known", 0, 0.15, 0.005, 0.22);

    private final String words;
    private final double leastShare;
    private final double mostShare;
    private final double leastCredible;
    private final double mostCredible;

    TubeKind(String words, double leastShare, double mostShare, double leastCredible, double mostCredible) {
        this.words = words;
        this.leastShare = leastShare;
        this.mostShare = mostShare;
        this.leastCredible = leastCredible;
        this.mostCredible = mostCredible;
    }

    public String words() {
        return words;
    }

    /** Least usual share of the cathode current that the screen takes at idle; plate watts are judged with it. */
    public double leastShare() {
        return leastShare;
    }

    /** Largest usual share; screen watts are judged with it. */
    public double mostShare() {
        return mostShare;
    }

    /**
     * Whether a measured share can be real at idle. The bounds are half the least and about one and a half times the
     * largest share of the makers' published idle points of this kind; outside them drop, resistor or current is wrong.
     */
    public boolean credible(double share) {
        return share >= leastCredible && share <= mostCredible;
    }

    /** The kind that the words of a catalogue entry tell. */
    public static TubeKind of(String construction) {
        for (TubeKind kind : values()) {
            if (construction.startsWith(kind.words)) {
                return kind;
            }
        }
        return UNKNOWN;
    }
}
