package yellowrail.core.reading;

/**
 * One reading as it was typed and understood.
 *
 * @param raw the text as typed, never altered; empty for a computed value
 * @param value the value in the unit's base (V, A, Ω …), finite
 * @param unit the unit understood
 * @param lastDigit the size of the last digit typed, in the unit's base, above zero: it tells the meter's resolution
 */
public record Typed(String raw, double value, Unit unit, double lastDigit) {
    /**
     * No meter shows less, in the base of any unit: a picofarad is a hundred times this. What was kept of less, before it was
     * refused, is zero.
     */
    static final double SMALLEST = 1e-14;

    public Typed {
        if (!Double.isFinite(value)) {
            throw new IllegalArgumentException("a reading must be finite, not " + value);
        }
        if (!(lastDigit > 0) || !Double.isFinite(lastDigit)) {
            throw new IllegalArgumentException("the last digit's size must be above zero, not " + lastDigit);
        }
        if (Math.abs(value) < SMALLEST) {
            value = 0;
            lastDigit = Math.max(lastDigit, SMALLEST);
        }
    }

    /** A computed value, which nobody typed, shown with four significant digits. */
    public static Typed of(double value, Unit unit) {
        double last = value == 0 ? 1e-3 : Math.pow(10, Math.floor(Math.log10(Math.abs(value))) - 3);
        return new Typed("", value, unit, last);
    }

    /** The value in words of the field, with exactly the digits that were typed, for example {@code 36.4 mV}. */
    public String echo() {
        return Show.digits(value, unit, lastDigit);
    }
}
