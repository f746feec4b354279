package yellowrail.core.load;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * What was read between the leads of an unmarked transformer, as one writes it down, a reading on each line: {@code 1 2 148}
 * is 148 Ω between leads 1 and 2, {@code 1 5 open} no connection, {@code 1 3 20V 5 6 0.63V} is 20 V AC put on leads 1 and 3
 * and 0.63 V read between 5 and 6. A lead is a number or a word such as {@code blue}.
 */
public final class LeadNotes {
    private static final int MOST_LINES = 60;
    private static final int MOST_LEADS = 16;
    private static final String LEAD = "([\\p{L}\\d/]{1,12})";
    private static final String NUMBER = "(\\d+(?:[.,]\\d+)?)";
    private static final Pattern OHMS = Pattern.compile(
            LEAD + "[\\s-]+" + LEAD + "\\s+(?:" + NUMBER + "\\s*(k?)\\s*(?:Ω|ohms?)?|open|OL|∞)",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern VOLTS = Pattern.compile(
            LEAD + "[\\s-]+" + LEAD + "\\s+" + NUMBER + "\\s*(m?)V\\s+" + LEAD + "[\\s-]+" + LEAD + "\\s+" + NUMBER
                    + "\\s*(m?)V",
            Pattern.CASE_INSENSITIVE);

    /** DC ohms between two leads; empty: no connection. */
    public record Ohms(String one, String two, Optional<Double> ohms) {
        boolean between(String a, String b) {
            return one.equals(a) && two.equals(b) || one.equals(b) && two.equals(a);
        }
    }

    /**
     * AC volts put on two leads, and read between two others (or the same winding's taps), V above zero.
     *
     * @param voltsDigit size of the last digit of what was read, V
     */
    public record Volts(
            String driven,
            String drivenTo,
            double drive,
            String read,
            String readTo,
            double volts,
            double voltsDigit) {}

    /** How a text was understood; with a complaint nothing is to be built on it. */
    public record Read(List<Ohms> ohms, List<Volts> volts, String complaint) {
        /** Every lead that is named, in the order they come. */
        public List<String> leads() {
            return Stream.concat(
                            ohms.stream().flatMap(r -> Stream.of(r.one(), r.two())),
                            volts.stream().flatMap(r -> Stream.of(r.driven(), r.drivenTo(), r.read(), r.readTo())))
                    .distinct()
                    .toList();
        }
    }

    private LeadNotes() {}

    public static Read read(String text) {
        List<Ohms> ohms = new ArrayList<>();
        List<Volts> volts = new ArrayList<>();
        String[] lines = text.split("\\R");
        if (lines.length > MOST_LINES) {
            return refused("At most " + MOST_LINES + " readings, not " + lines.length + ".");
        }
        for (int i = 0; i < lines.length; i++) {
            String line = lines[i].strip();
            if (line.isEmpty()) {
                continue;
            }
            String where = "Line " + (i + 1) + ", “" + line + "”: ";
            Matcher o = OHMS.matcher(line);
            Matcher v = VOLTS.matcher(line);
            if (v.matches()) {
                Volts reading = new Volts(
                        v.group(1),
                        v.group(2),
                        number(v.group(3), v.group(4)),
                        v.group(5),
                        v.group(6),
                        number(v.group(7), v.group(8)),
                        digit(v.group(7), v.group(8)));
                String wrong = wrong(reading);
                if (!wrong.isEmpty()) {
                    return refused(where + wrong);
                }
                volts.add(reading);
            } else if (o.matches()) {
                if (o.group(1).equals(o.group(2))) {
                    return refused(where + "two different leads are needed.");
                }
                Optional<Double> value = Optional.ofNullable(o.group(3))
                        .map(n -> Double.parseDouble(n.replace(',', '.'))
                                * (o.group(4).isEmpty() ? 1 : 1000));
                ohms.add(new Ohms(o.group(1), o.group(2), value));
            } else {
                return refused(where
                        + "write two leads and the ohms between them (1 2 148, or 1 5 open), or AC volts on two leads and the"
                        + " volts on two others (1 3 20V 5 6 0.63V).");
            }
        }
        Read read = new Read(List.copyOf(ohms), List.copyOf(volts), "");
        int leads = read.leads().size();
        return leads > MOST_LEADS ? refused("At most " + MOST_LEADS + " leads, not " + leads + ".") : read;
    }

    private static String wrong(Volts r) {
        if (r.driven().equals(r.drivenTo()) || r.read().equals(r.readTo())) {
            return "two different leads are needed.";
        }
        if (!(r.drive() > 0 && r.volts() > 0)) {
            return "volts above zero are needed.";
        }
        return r.drive() > SafeDrive.ANY_LEADS || r.volts() > SafeDrive.ANY_LEADS
                ? SafeDrive.MOST + ": take the source off, and repeat it with less."
                : "";
    }

    private static double digit(String digits, String milli) {
        int decimals = digits.length() - 1 - digits.replace(',', '.').indexOf('.');
        return Math.pow(10, decimals == digits.length() ? 0 : -decimals) * (milli.isEmpty() ? 1 : 1e-3);
    }

    private static double number(String digits, String milli) {
        return Double.parseDouble(digits.replace(',', '.')) * (milli.isEmpty() ? 1 : 1e-3);
    }

    private static Read refused(String sentence) {
        return new Read(List.of(), List.of(), sentence);
    }
}
