package yellowrail.app.text;

/**
 * Text as it can be stored, printed and shown everywhere: without control characters (tabs and line ends aside), halves of
 * a character pair, code points that are no characters, and marks that turn the direction of what follows.
 */
public final class CleanText {
    private CleanText() {}

    /** The text without them; the same text when it holds none, null when there is none. */
    public static String of(String text) {
        if (text == null || text.codePoints().allMatch(CleanText::shown)) {
            return text;
        }
        StringBuilder clean = new StringBuilder(text.length());
        text.codePoints().filter(CleanText::shown).forEach(clean::appendCodePoint);
        return clean.toString();
    }

    /** The same on one line: line ends and tabs become blanks. */
    public static String line(String text) {
        String clean = of(text);
        return clean == null ? null : clean.replaceAll("[\\t\\r\\n\\u2028\\u2029]+", " ");
    }

    private static boolean shown(int c) {
        boolean layout = c == '\t' || c == '\n' || c == '\r';
        boolean half = c >= Character.MIN_SURROGATE && c <= Character.MAX_SURROGATE;
        boolean none = (c & 0xFFFE) == 0xFFFE || (c >= 0xFDD0 && c <= 0xFDEF);
        boolean turns = (c >= 0x202A && c <= 0x202E) || (c >= 0x2066 && c <= 0x2069);
        return layout || !(Character.isISOControl(c) || half || none || turns);
    }
}
