package yellowrail.core.reading;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;

/** Writes numbers in plain decimal notation, quickly: an answer on a page holds a hundred of them. */
final class Digits {
    /** Above this a double no longer counts single units of the last place. */
    private static final double LARGEST_EXACT = 1e15;

    /** Powers of ten that a double holds exactly. */
    private static final double[] TEN = new double[23];

    static {
        for (int i = 0; i < TEN.length; i++) {
            TEN[i] = Double.parseDouble("1e" + i);
        }
    }

    private Digits() {}

    /** The value in units of ten to the power given, −12 to 12. */
    static double inUnitsOf(double value, int power) {
        return power < 0 ? value * TEN[-power] : value / TEN[power];
    }

    static String fixed(double value, int decimals) {
        double scaled = Math.abs(value) * TEN[decimals];
        if (scaled < LARGEST_EXACT) {
            return write(value < 0, Math.round(scaled), decimals);
        }
        return Double.isFinite(value)
                ? exactly(new BigDecimal(value).setScale(decimals, RoundingMode.HALF_UP))
                : "unknown";
    }

    static String significant(double value, int digits) {
        if (!Double.isFinite(value)) {
            return "unknown";
        }
        double size = Math.abs(value);
        if (size == 0) {
            return "0";
        }
        int shift = digits - 1 - (int) Math.floor(Math.log10(size));
        if (shift > 20 || shift < -3) {
            return exactly(new BigDecimal(value).round(new MathContext(digits, RoundingMode.HALF_UP)));
        }
        long scaled = Math.round(inUnitsOf(size, -shift));
        if (scaled >= TEN[digits]) {
            // Rounded up into one more digit: 9.996 to three is 10.0.
            shift--;
            scaled = Math.round(inUnitsOf(size, -shift));
        }
        return shift >= 0 ? write(value < 0, scaled, shift) : write(value < 0, scaled * (long) TEN[-shift], 0);
    }

    static String withoutTrailingZeros(String number) {
        int end = number.length();
        if (number.indexOf('.') >= 0) {
            while (number.charAt(end - 1) == '0') {
                end--;
            }
            end -= number.charAt(end - 1) == '.' ? 1 : 0;
        }
        return number.substring(0, end);
    }

    private static String exactly(BigDecimal value) {
        return value.toPlainString().replace('-', '−');
    }

    /** A count of units of the last place; zero has no sign. */
    private static String write(boolean negative, long scaled, int decimals) {
        StringBuilder text = new StringBuilder(20);
        text.append(scaled);
        if (decimals > 0) {
            while (text.length() <= decimals) {
                text.insert(0, '0');
            }
            text.insert(text.length() - decimals, '.');
        }
        return negative && scaled != 0 ? text.insert(0, '−').toString() : text.toString();
    }
}
