package yellowrail.app.store;

/** The same id was sent with other content, or what was corrected was corrected meanwhile: nothing was stored. */
public class StoredDifferently extends RuntimeException {
    public StoredDifferently(String sentence) {
        super(sentence);
    }

    /** @param what begins the sentence, as in “This result” */
    public static StoredDifferently now(String what) {
        return new StoredDifferently(what
                + " was already stored with other figures, and nothing was overwritten. What you typed is still here:"
                + " keep it again to store it too.");
    }
}
