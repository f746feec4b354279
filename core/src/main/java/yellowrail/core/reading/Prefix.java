package yellowrail.core.reading;

/** A decimal prefix; {@link #power()} is its power of ten. */
public enum Prefix {
    PICO("p", -12),
    NANO("n", -9),
    MICRO("µ", -6),
    MILLI("m", -3),
    NONE("", 0),
    KILO("k", 3),
    MEGA("M", 6);

    private final String symbol;
    private final int power;

    Prefix(String symbol, int power) {
        this.symbol = symbol;
        this.power = power;
    }

    public String symbol() {
        return symbol;
    }

    public int power() {
        return power;
    }
}
