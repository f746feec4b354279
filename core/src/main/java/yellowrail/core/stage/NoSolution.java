package yellowrail.core.stage;

/** A stage that could not be solved, and why, as a sentence. */
public final class NoSolution extends RuntimeException {
    public NoSolution(String sentence) {
        super(sentence);
    }
}
