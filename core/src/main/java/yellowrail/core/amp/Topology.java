package yellowrail.core.amp;

/** How the output tubes share the work. */
public enum Topology {
    PUSH_PULL("push-pull"),
    SINGLE_ENDED("single-ended");

    private final String words;

    Topology(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
