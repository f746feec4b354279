package yellowrail.core.reading;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Locale;

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
        double scaled = value / Math.pow(10, prefix.power());
        return significant(scaled, significant) + " " + prefix.symbol() + unit.symbol();
    }

    /** At most the given significant digits with a fitting prefix and no trailing zeros, for round figures. */
    public static String siPlain(double value, Unit unit, int digits) {
        String[] parts = si(value, unit, digits).split(" ", 2);
        String number = parts[0].contains(".") ? parts[0].replaceAll("0+$", "").replaceAll("\\.$", "") : parts[0];
        return number + " " + parts[1];
    }

    /** The value with the digits a meter showed, so that {@code 36.40 mV} keeps its zero. */
    static String digits(double value, Unit unit, double lastDigit) {
        Prefix prefix = prefixFor(value, unit);
        int decimals = (int) Math.round(-Math.log10(lastDigit)) + prefix.power();
        return fixed(value / Math.pow(10, prefix.power()), Math.max(0, Math.min(12, decimals))) + " " + prefix.symbol()
                + unit.symbol();
    }

    /** A number with a fixed count of decimals. */
    public static String fixed(double value, int decimals) {
        String text = String.format(Locale.ROOT, "%." + decimals + "f", value);
        boolean zero = text.chars().allMatch(c -> c == '0' || c == '.' || c == '-');
        return (zero ? text.replace("-", "") : text).replace('-', '−');
    }

    /** A number with a count of significant digits, without an exponent. */
    public static String significant(double value, int digits) {
        if (!Double.isFinite(value)) {
            return "unknown";
        }
        if (value == 0) {
            return "0";
        }
        BigDecimal rounded = new BigDecimal(value).round(new java.math.MathContext(digits, RoundingMode.HALF_UP));
        int scale = digits - rounded.precision() + rounded.scale();
        return rounded.setScale(Math.max(0, scale), RoundingMode.HALF_UP)
                .toPlainString()
                .replace('-', '−');
    }

    /** At most the given significant digits, without trailing zeros: for round figures such as ratings and windows. */
    public static String plain(double value, int digits) {
        String text = significant(value, digits);
        return text.contains(".") ? text.replaceAll("0+$", "").replaceAll("\\.$", "") : text;
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
