package yellowrail.core.reading;

import java.util.Set;

/** A unit a builder can type. {@link #limit()} is the largest magnitude taken as a reading, in this unit. */
public enum Unit {
    VOLT("V", "volts", 100e3, Set.of("v", "volt", "volts")),
    AMPERE("A", "amperes", 100, Set.of("a", "amp", "amps", "ampere", "amperes")),
    OHM("Ω", "ohms", 1e9, Set.of("ω", "ohm", "ohms", "r")),
    WATT("W", "watts", 100e3, Set.of("w", "watt", "watts")),
    FARAD("F", "farads", 1, Set.of("f", "farad", "farads")),
    HENRY("H", "henries", 10e3, Set.of("h", "henry", "henries")),
    HERTZ("Hz", "hertz", 1e6, Set.of("hz", "hertz", "cps")),
    SIEMENS("S", "siemens (A/V)", 1, Set.of("s", "siemens", "a/v", "mho")),
    PERCENT("%", "per cent", 1000, Set.of("%", "percent", "pc")),
    KELVIN("°C", "degrees", 500, Set.of("°c", "c", "k", "deg", "degrees")),
    MINUTE("min", "minutes", 1e6, Set.of("min", "mins", "minute", "minutes")),
    DIVISION("div", "divisions", 1000, Set.of("div", "divs", "division", "divisions"));

    private final String symbol;
    private final String words;
    private final double limit;
    private final Set<String> spellings;

    Unit(String symbol, String words, double limit, Set<String> spellings) {
        this.symbol = symbol;
        this.words = words;
        this.limit = limit;
        this.spellings = spellings;
    }

    public String symbol() {
        return symbol;
    }

    public String words() {
        return words;
    }

    public double limit() {
        return limit;
    }

    boolean isSpelled(String lowerCase) {
        return spellings.contains(lowerCase);
    }

    /** Whether readings in this unit are shown with prefixes (mV, kΩ); per cent, degrees and minutes are not. */
    public boolean takesPrefixes() {
        return this == VOLT
                || this == AMPERE
                || this == OHM
                || this == WATT
                || this == FARAD
                || this == HENRY
                || this == HERTZ
                || this == SIEMENS;
    }
}
