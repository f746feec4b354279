package yellowrail.core.tube;

/** A tube base; pins are numbered clockwise seen from below, from the key, the gap or the thick filament pins. */
public enum Base {
    OCTAL("octal", 8, false),
    NOVAL("noval", 9, true),
    MINIATURE7("seven-pin miniature", 7, true),
    FOUR_PIN("four-pin", 4, false),
    FIVE_PIN("five-pin", 5, false);

    private final String words;
    private final int pins;
    private final boolean gap;

    Base(String words, int pins, boolean gap) {
        this.words = words;
        this.pins = pins;
        this.gap = gap;
    }

    public String words() {
        return words;
    }

    public int pins() {
        return pins;
    }

    /** Whether one place in the ring is left out. */
    public boolean gap() {
        return gap;
    }

    /** Whether it has a key in its middle. */
    public boolean key() {
        return this == OCTAL;
    }

    /** What tells where pin 1 is. */
    public String orientation() {
        return switch (this) {
            case OCTAL -> "key";
            case NOVAL, MINIATURE7 -> "gap";
            case FOUR_PIN -> "thick filament pins";
            case FIVE_PIN -> "heater pins";
        };
    }

    /** How far round from its key, gap or filament pins a pin stands, clockwise seen from below, degrees. */
    public double degrees(int pin) {
        return gap ? 360.0 / (pins + 1) * pin : 360.0 / pins * (pin - 0.5);
    }
}
