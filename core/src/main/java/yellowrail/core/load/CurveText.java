package yellowrail.core.load;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;
import yellowrail.core.load.columns.Columns;
import yellowrail.core.reading.Show;

/**
 * An impedance curve as text: frequency in Hz, magnitude in Ω and, where measured, phase in degrees, a point on each line.
 * Columns stand apart by tabs, semicolons, commas or blanks ({@link Columns}); where they do not stand apart by commas, a comma
 * is a decimal sign or parts thousands ({@link CommaSense}). Lines that begin with {@code # * ; / " '} or a letter say something
 * about the curve and are passed over, unless they speak of decibels.
 */
public final class CurveText {
    /** Longest text, characters: 100 000 points of 60. */
    public static final int LONGEST = 6_000_000;

    /** Two figures for one frequency that differ by more than this contradict one another, share. */
    private static final double SAME = 0.05;

    static final Pattern COMMENT = Pattern.compile("[#*;/\"'%\\p{L}].*");
    private static final Pattern LINE_END = Pattern.compile("\\r\\n|\\r|\\n");
    private static final Pattern DECIBELS = Pattern.compile("\\bdB", Pattern.CASE_INSENSITIVE);
    private static final Pattern OHMS = Pattern.compile("ohm|[ΩΩ]", Pattern.CASE_INSENSITIVE);
    private static final Pattern NUMBER = Pattern.compile("[-+−]?(?:\\d+\\.?\\d*|\\.\\d+)(?:[eE][-+]?\\d{1,3})?");

    /**
     * How a text was understood.
     *
     * @param curve empty where it was not
     * @param points as they were given, rising, each frequency once
     * @param columns how they stand apart, in words
     * @param complaint a sentence that says why there is no curve, or empty
     */
    public record Read(
            Optional<ImpedanceCurve> curve, List<ImpedanceCurve.Point> points, String columns, String complaint) {
        private static Read refused(String sentence) {
            return new Read(Optional.empty(), List.of(), "", sentence);
        }
    }

    private static final class NotUnderstood extends RuntimeException {
        private static final long serialVersionUID = 1L;

        NotUnderstood(String sentence) {
            super(sentence, null, false, false);
        }
    }

    private CurveText() {}

    public static Read read(String text) {
        if (text.length() > LONGEST) {
            return Read.refused("At most " + LONGEST / 1_000_000 + " million characters are taken; this has "
                    + text.length() + ". Export the curve with fewer points.");
        }
        if (text.chars().anyMatch(c -> c < ' ' && c != '\n' && c != '\r' && c != '\t' || c == '\uFFFD')) {
            return Read.refused("This is no text: it holds signs that no text file has. Export the curve as columns of"
                    + " text: frequency, ohms, phase.");
        }
        try {
            List<Line> lines = lines(text);
            List<ImpedanceCurve.Point> points = once(points(lines));
            return new Read(
                    Optional.of(ImpedanceCurve.of(points)),
                    points,
                    Columns.of(lines.get(0).text()).words(),
                    "");
        } catch (NotUnderstood not) {
            return Read.refused(not.getMessage());
        } catch (IllegalArgumentException beyond) {
            return Read.refused("Not taken: " + beyond.getMessage() + ".");
        }
    }

    /** A line with figures. */
    private record Line(int number, String text, String[] cells) {}

    private static List<ImpedanceCurve.Point> points(List<Line> lines) {
        if (lines.isEmpty()) {
            throw new NotUnderstood(
                    "There is no point in this text: each line holds a frequency in Hz and the ohms there.");
        }
        if (lines.size() > ImpedanceCurve.MOST) {
            throw new NotUnderstood(
                    "At most " + ImpedanceCurve.MOST + " points are taken; this has " + lines.size() + ".");
        }
        CommaSense commas = new CommaSense();
        if (Columns.of(lines.get(0).text()).commaInFigures()) {
            lines.forEach(l -> Arrays.stream(l.cells()).forEach(commas::see));
            if (!commas.question().isEmpty()) {
                throw new NotUnderstood(commas.question());
            }
        }
        int columns = lines.get(0).cells().length;
        List<ImpedanceCurve.Point> points = new ArrayList<>(lines.size());
        for (Line line : lines) {
            int count = line.cells().length;
            if (count < 2 || count > 3 || count != columns) {
                throw new NotUnderstood("Line " + line.number() + ": “" + shorten(line.text()) + "” has " + count
                        + (count == 1 ? " column" : " columns")
                        + (columns >= 2 && columns <= 3 ? ", the lines before have " + columns : "")
                        + ". Each line holds frequency, ohms and perhaps phase, apart by tabs, semicolons or blanks; apart"
                        + " by commas, decimals take a point.");
            }
            points.add(new ImpedanceCurve.Point(
                    number(line, 0, commas),
                    number(line, 1, commas),
                    columns == 3 ? number(line, 2, commas) : Double.NaN));
            check(points.get(points.size() - 1), line.number());
        }
        return points;
    }

    private static List<Line> lines(String text) {
        List<Line> lines = new ArrayList<>();
        Columns columns = null;
        int number = 0;
        for (String raw : LINE_END.split(text.startsWith("\uFEFF") ? text.substring(1) : text)) {
            number++;
            String line = raw.strip();
            if (line.isEmpty()) {
                continue;
            }
            if (COMMENT.matcher(line).matches()) {
                if (DECIBELS.matcher(line).find() && !OHMS.matcher(line).find()) {
                    throw new NotUnderstood("Line " + number
                            + " speaks of dB: decibels are no ohms. Export the impedance" + " in ohms.");
                }
                continue;
            }
            columns = columns == null ? Columns.of(line) : columns;
            lines.add(new Line(number, line, columns.cells(line)));
        }
        return lines;
    }

    private static double number(Line line, int column, CommaSense commas) {
        String cell = line.cells()[column];
        String plain = commas.plain(cell);
        if (!NUMBER.matcher(plain).matches()) {
            throw new NotUnderstood("Line " + line.number() + ": “" + shorten(cell) + "” is no number.");
        }
        return Double.parseDouble(plain.replace('−', '-'));
    }

    private static void check(ImpedanceCurve.Point point, int line) {
        if (!(point.hertz() > 0)) {
            throw new NotUnderstood(
                    "Line " + line + ": a frequency of " + Show.plain(point.hertz(), 4) + " Hz; it is above 0.");
        }
        if (!(point.ohms() > 0)) {
            throw new NotUnderstood("Line " + line + ": an impedance of " + Show.plain(point.ohms(), 4)
                    + " Ω; its magnitude is above 0. Are the columns frequency, ohms, phase?");
        }
        if (Math.abs(point.degrees()) > 90) {
            throw new NotUnderstood("Line " + line + ": a phase of " + Show.plain(point.degrees(), 4)
                    + "°; a speaker's lies within −90 to 90°. Is the third column the phase in degrees?");
        }
    }

    /** By rising frequency, each once: the same point twice counts once, two nearly equal ones count as their mean. */
    static List<ImpedanceCurve.Point> once(List<ImpedanceCurve.Point> points) {
        List<ImpedanceCurve.Point> sorted = new ArrayList<>(points);
        sorted.sort(Comparator.comparingDouble(ImpedanceCurve.Point::hertz));
        List<ImpedanceCurve.Point> once = new ArrayList<>();
        for (ImpedanceCurve.Point p : sorted) {
            ImpedanceCurve.Point last = once.isEmpty() ? null : once.get(once.size() - 1);
            if (last == null || p.hertz() > last.hertz()) {
                once.add(clamped(p));
            } else if (Math.abs(p.ohms() / last.ohms() - 1) > SAME) {
                throw new NotUnderstood("At " + Show.plain(p.hertz(), 5) + " Hz there are both "
                        + Show.plain(last.ohms(), 4) + " Ω and " + Show.plain(p.ohms(), 4)
                        + " Ω: is this more than one curve? Give one at a time.");
            } else {
                once.set(
                        once.size() - 1,
                        new ImpedanceCurve.Point(
                                p.hertz(), (p.ohms() + last.ohms()) / 2, (p.degrees() + last.degrees()) / 2));
            }
        }
        return once;
    }

    private static ImpedanceCurve.Point clamped(ImpedanceCurve.Point p) {
        return new ImpedanceCurve.Point(p.hertz(), p.ohms(), Math.max(-89, Math.min(89, p.degrees())));
    }

    private static String shorten(String text) {
        return text.length() > 40 ? text.substring(0, 40) + "…" : text;
    }

    /** The same as text: a line that says what the columns are, and one for each point. */
    public static String write(ImpedanceCurve curve) {
        StringBuilder text = new StringBuilder("# frequency Hz, impedance Ohm, phase deg\n");
        for (ImpedanceCurve.Point p : curve.points()) {
            text.append(String.format(Locale.ROOT, "%.6g,%.6g,%.4f%n", p.hertz(), p.ohms(), p.degrees()));
        }
        return text.toString().replace("\r\n", "\n");
    }
}
