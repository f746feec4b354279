package yellowrail.core.session;

/** Why the amp is on the bench; with the bias scheme it decides which stops belong to the session. */
public enum Purpose {
    NEW_TUBES("New tubes"),
    YEARLY_CHECK("Yearly check"),
    FAULT("Fault"),
    EXPERIMENT("Experiment");

    private final String words;

    Purpose(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
