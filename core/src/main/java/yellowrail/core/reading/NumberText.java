package yellowrail.core.reading;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads the digits of a number: decimal point or comma, grouping by space, apostrophe, point or comma. */
final class NumberText {
    private static final Pattern GROUPED_BY_SPACE = Pattern.compile("\\d{1,3}(?:[ '’]\\d{3})+(?:[.,]\\d*)?");
    private static final Pattern EXPONENT = Pattern.compile("(.*?\\d[.,]?)[eE]([+-]?\\d{1,3})");

    private NumberText() {}

    /** Decimal text and the number of decimals shown. */
    record Decimal(String plain, int decimals) {
        double value() {
            return Double.parseDouble(plain);
        }
    }

    /** The one reading, or the two possible readings, of the digits; empty if they are no number. */
    static List<Decimal> read(String text) {
        Matcher scientific = EXPONENT.matcher(text);
        if (scientific.matches()) {
            int power = Integer.parseInt(scientific.group(2));
            return read(scientific.group(1)).stream()
                    .map(d -> new Decimal(d.plain() + "e" + power, d.decimals() - power))
                    .toList();
        }
        String digits = text;
        if (digits.matches(".*[ '’].*")) {
            if (!GROUPED_BY_SPACE.matcher(digits).matches()) {
                return List.of();
            }
            digits = digits.replaceAll("[ '’]", "");
            return plain(digits.replace(',', '.'));
        }
        if (!digits.matches("[0-9.,]*[0-9][0-9.,]*")) {
            return List.of();
        }
        int points = count(digits, '.');
        int commas = count(digits, ',');
        if (points > 0 && commas > 0) {
            char decimal = digits.lastIndexOf('.') > digits.lastIndexOf(',') ? '.' : ',';
            char group = decimal == '.' ? ',' : '.';
            return count(digits, decimal) == 1 ? ungroup(digits, group, decimal) : List.of();
        }
        if (points > 1) {
            return ungroup(digits, '.', ' ');
        }
        if (commas > 1) {
            return ungroup(digits, ',', ' ');
        }
        if (commas == 1 && digits.matches("[1-9]\\d{0,2},\\d{3}")) {
            return List.of(
                    plain(digits.replace(',', '.')).get(0),
                    plain(digits.replace(",", "")).get(0));
        }
        return plain(digits.replace(',', '.'));
    }

    private static List<Decimal> ungroup(String digits, char group, char decimal) {
        int cut = decimal == ' ' ? digits.length() : digits.indexOf(decimal);
        String whole = digits.substring(0, cut);
        if (!whole.matches("\\d{1,3}(?:" + Pattern.quote(String.valueOf(group)) + "\\d{3})+")) {
            return List.of();
        }
        String rest = cut == digits.length() ? "" : "." + digits.substring(cut + 1);
        return plain(whole.replace(String.valueOf(group), "") + rest);
    }

    private static List<Decimal> plain(String digits) {
        int point = digits.indexOf('.');
        return List.of(new Decimal(digits, point < 0 ? 0 : digits.length() - point - 1));
    }

    private static int count(String text, char c) {
        return (int) text.chars().filter(x -> x == c).count();
    }
}
