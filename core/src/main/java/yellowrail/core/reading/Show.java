package yellowrail.core.reading;

/** Writes values for people: prefixes, a true minus sign, and no more digits than are known. */
public final class Show {
    private Show() {}

    /** Four significant digits with a fitting prefix, for example {@code 32.91 mA}. */
    public static String si(double value, Unit unit) {
        return si(value, unit, 4);
    }

    /** The given number of significant digits with a fitting prefix. */
    public static String si(double value, Unit unit, int significant) {
        if (!Double.isFinite(value)) {
            return "not a number";
        }
        Prefix prefix = prefixFor(value, unit);
        double scaled = Digits.inUnitsOf(value, prefix.power());
        return significant(scaled, significant) + " " + prefix.symbol() + unit.symbol();
    }

    /** At most the given significant digits with a fitting prefix and no trailing zeros, for round figures. */
    public static String siPlain(double value, Unit unit, int digits) {
        String text = si(value, unit, digits);
        int space = text.indexOf(' ');
        return Digits.withoutTrailingZeros(text.substring(0, space)) + text.substring(space);
    }

    /** The value with the digits a meter showed, so that {@code 36.40 mV} keeps its zero. */
    static String digits(double value, Unit unit, double lastDigit) {
        Prefix prefix = prefixFor(value, unit);
        int decimals = (int) Math.round(-Math.log10(lastDigit)) + prefix.power();
        return fixed(Digits.inUnitsOf(value, prefix.power()), Math.max(0, Math.min(12, decimals))) + " "
                + prefix.symbol() + unit.symbol();
    }

    /** A number with a fixed count of decimals, 0 to 12. */
    public static String fixed(double value, int decimals) {
        return Digits.fixed(value, decimals);
    }

    /** A number with a count of significant digits, 1 to 12, without an exponent. */
    public static String significant(double value, int digits) {
        return Digits.significant(value, digits);
    }

    /** At most the given significant digits, without trailing zeros: for round figures such as ratings and windows. */
    public static String plain(double value, int digits) {
        return Digits.withoutTrailingZeros(Digits.significant(value, digits));
    }

    /**
     * How many decimals a value with this uncertainty deserves: one significant digit of the uncertainty, two when it
     * begins with a 1 (so 12.25 ± 0.38 becomes 12.3 ± 0.4, and 60.9 ± 1.4 keeps its decimal).
     */
    public static int decimalsFor(double uncertainty) {
        if (!(uncertainty > 0) || !Double.isFinite(uncertainty)) {
            return 2;
        }
        int exponent = (int) Math.floor(Math.log10(uncertainty));
        double lead = uncertainty / Math.pow(10, exponent);
        int decimals = -exponent + (lead < 1.95 ? 1 : 0);
        return Math.max(0, Math.min(6, decimals));
    }

    /** {@code 12.3 ± 0.4}: value and uncertainty in the same digits. */
    public static String plusMinus(double value, double uncertainty) {
        int decimals = decimalsFor(uncertainty);
        return fixed(value, decimals) + " ± " + fixed(uncertainty, decimals);
    }

    private static Prefix prefixFor(double value, Unit unit) {
        double size = Math.abs(value);
        if (!unit.takesPrefixes() || size == 0) {
            return Prefix.NONE;
        }
        if (unit == Unit.OHM) {
            return size >= 1e6 ? Prefix.MEGA : size >= 1e4 ? Prefix.KILO : Prefix.NONE;
        }
        if (unit == Unit.FARAD) {
            return size >= 1e-6 ? Prefix.MICRO : size >= 1e-9 ? Prefix.NANO : Prefix.PICO;
        }
        double kilo = unit == Unit.VOLT ? 10e3 : 1e3;
        return size >= kilo
                ? Prefix.KILO
                : size >= 0.99995 ? Prefix.NONE : size >= 1e-3 * 0.01 ? Prefix.MILLI : Prefix.MICRO;
    }
}
