package yellowrail.core.load;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Understands how speakers are wired as one writes it down: {@code 16 | 16} beside one another, {@code 8 + 8} one after the
 * other, {@code (8 + 8) | (8 + 8)}, {@code 2x16} two of them beside one another. A number is a nominal impedance in Ω,
 * {@code dc 6.4} a measured coil resistance, a letter or word a speaker that is described elsewhere.
 */
public final class WiringText {
    private static final int LONGEST = 200;
    private static final Pattern TOKEN = Pattern.compile(
            "\\s*(?:([()|+])|(\\d{1,2})\\s*[x×*]\\s*(?=\\S)|(?:dc\\s*)?(\\d+(?:[.,]\\d+)?)\\s*(?:Ω|ohms?\\b)?|([\\p{L}][\\p{L}\\d_-]{0,30}))",
            Pattern.CASE_INSENSITIVE);

    private final String text;
    private final Map<String, Speaker> named;
    private int at;

    /** How a text was understood: the wiring, or a sentence that says why there is none. */
    public record Read(Optional<Wiring> wiring, String complaint) {}

    private static final class NotUnderstood extends RuntimeException {
        NotUnderstood(String sentence) {
            super(sentence, null, false, false);
        }
    }

    private WiringText(String text, Map<String, Speaker> named) {
        this.text = text;
        this.named = named;
    }

    /**
     * @param text what was typed, not blank
     * @param named speakers that are described elsewhere, by the word that stands for each
     */
    public static Read read(String text, Map<String, Speaker> named) {
        if (text.length() > LONGEST) {
            return new Read(
                    Optional.empty(), "A wiring is at most " + LONGEST + " characters, not " + text.length() + ".");
        }
        try {
            WiringText reader = new WiringText(
                    text.strip().replace('∥', '|').replace("||", "|").replace("//", "|"), named);
            Wiring wiring = reader.sum();
            if (!reader.rest().isEmpty()) {
                throw new NotUnderstood("understood up to “"
                        + reader.text.substring(0, reader.at).strip() + "”; “" + reader.rest() + "” is left over");
            }
            return new Read(Optional.of(wiring), "");
        } catch (NotUnderstood not) {
            return new Read(
                    Optional.empty(),
                    "“" + text.strip() + "”: " + not.getMessage()
                            + ". Write for example 16 | 16 (in parallel), 8 + 8 (in"
                            + " series) or (8 + 8) | (8 + 8).");
        } catch (IllegalArgumentException beyond) {
            return new Read(Optional.empty(), "“" + text.strip() + "”: " + beyond.getMessage() + ".");
        }
    }

    private String rest() {
        return text.substring(at).strip();
    }

    private boolean next(char sign) {
        String rest = text.substring(at);
        String tidy = rest.stripLeading();
        if (!tidy.isEmpty() && tidy.charAt(0) == sign) {
            at += rest.length() - tidy.length() + 1;
            return true;
        }
        return false;
    }

    /** Parallel binds closer than series, as a product does than a sum. */
    private Wiring sum() {
        List<Wiring> parts = new ArrayList<>();
        parts.add(beside());
        while (next('+')) {
            parts.add(beside());
        }
        return parts.size() == 1 ? parts.get(0) : new Wiring.Series(parts);
    }

    private Wiring beside() {
        List<Wiring> parts = new ArrayList<>();
        several(parts);
        while (next('|')) {
            several(parts);
        }
        return parts.size() == 1 ? parts.get(0) : new Wiring.Parallel(parts);
    }

    private void several(List<Wiring> parts) {
        if (next('(')) {
            parts.add(sum());
            if (!next(')')) {
                throw new NotUnderstood("a bracket is not closed");
            }
            return;
        }
        Matcher token = TOKEN.matcher(text).region(at, text.length());
        if (!token.lookingAt()) {
            throw new NotUnderstood(
                    rest().isEmpty() ? "a speaker is missing at the end" : "“" + rest() + "” is no speaker");
        }
        if (token.group(1) != null) {
            throw new NotUnderstood("a speaker is missing before “" + rest() + "”");
        }
        String typed = token.group().strip();
        at = token.end();
        if (token.group(2) != null) {
            int times = Integer.parseInt(token.group(2));
            if (times < 1 || times > Wiring.MOST_DRIVERS) {
                throw new NotUnderstood("1 to " + Wiring.MOST_DRIVERS + " speakers are one load, not " + times);
            }
            int from = at;
            for (int i = 0; i < times; i++) {
                at = from;
                several(parts);
            }
            return;
        }
        parts.add(token.group(3) != null ? number(typed, token.group(3)) : word(typed));
    }

    private static Wiring number(String typed, String digits) {
        double ohms = Double.parseDouble(digits.replace(',', '.'));
        boolean coil = typed.toLowerCase(java.util.Locale.ROOT).startsWith("dc");
        return new Wiring.Driver(typed, coil ? new Speaker.VoiceCoil(ohms) : new Speaker.Nominal(ohms));
    }

    private Wiring word(String typed) {
        Speaker speaker = named.get(typed);
        if (speaker == null) {
            throw new NotUnderstood("no speaker is called “" + typed + "”"
                    + (named.isEmpty() ? "" : "; there are " + String.join(", ", named.keySet())));
        }
        return new Wiring.Driver(typed, speaker);
    }
}
