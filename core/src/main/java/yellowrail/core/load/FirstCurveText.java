package yellowrail.core.load;

import java.util.ArrayList;
import java.util.List;

/** Reads the text of a curve as the first version did, line by line: what was kept then is brought over by what it meant then. */
public final class FirstCurveText {
    private FirstCurveText() {}

    /** @param text that was taken then */
    public static List<ImpedanceCurve.Point> points(String text) {
        List<ImpedanceCurve.Point> points = new ArrayList<>();
        for (String raw : (text.startsWith("\uFEFF") ? text.substring(1) : text).split("\\r\\n|\\r|\\n")) {
            String line = raw.strip();
            if (!line.isEmpty() && !CurveText.COMMENT.matcher(line).matches()) {
                List<Double> numbers = numbers(line);
                points.add(new ImpedanceCurve.Point(
                        numbers.get(0), numbers.get(1), numbers.size() == 3 ? numbers.get(2) : Double.NaN));
            }
        }
        return CurveText.once(points);
    }

    private static List<Double> numbers(String line) {
        boolean tabs = line.indexOf('\t') >= 0;
        boolean semicolons = line.indexOf(';') >= 0;
        boolean commas = line.indexOf(',') >= 0 && line.indexOf(' ') < 0 || line.matches(".*,\\s.*");
        String[] cells = line.split(tabs ? "\\s*\\t\\s*" : semicolons ? "\\s*;\\s*" : commas ? "\\s*,\\s*" : "\\s+");
        List<Double> numbers = new ArrayList<>();
        for (String cell : cells) {
            String plain = commas && !tabs && !semicolons ? cell : cell.replace(',', '.');
            numbers.add(Double.parseDouble(plain.replace('−', '-')));
        }
        return numbers;
    }
}
