package yellowrail.core.tube;

/** A tube base; pins are numbered clockwise seen from below, from the key or the gap. */
public enum Base {
    OCTAL("octal", 8),
    NOVAL("noval", 9);

    private final String words;
    private final int pins;

    Base(String words, int pins) {
        this.words = words;
        this.pins = pins;
    }

    public String words() {
        return words;
    }

    public int pins() {
        return pins;
    }
}
