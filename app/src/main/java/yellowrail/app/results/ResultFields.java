package yellowrail.app.results;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.forms.Texts;
import yellowrail.core.experiment.MeasuredPoint;

/** What is asked of a measured result: what the amp was like, the points, and a note. */
final class ResultFields {
    /** One for each factor, in the order they are asked. */
    static final Map<String, FieldSpec<String>> FACTORS = factors();

    static final FieldSpec<List<MeasuredPoint>> POINTS = FieldSpec.text(
            "points",
            "Measured: level, frequency in Hz, watts, THD in per cent, a line each",
            "200 mV, 1000, 1.0, 0.42",
            ResultFields::points,
            ResultStore::text);
    static final FieldSpec<String> NOTE = limited("note", "Note", Texts.NOTE);

    static final List<FieldSpec<?>> ALL = FieldSpec.all(List.copyOf(FACTORS.values()), List.of(POINTS, NOTE));

    private ResultFields() {}

    private static Map<String, FieldSpec<String>> factors() {
        Map<String, FieldSpec<String>> fields = new LinkedHashMap<>();
        BenchResult.FACTORS.forEach(f -> fields.put(f, limited("f-" + f.replace(' ', '-'), f, Texts.SENTENCE)));
        return fields;
    }

    private static FieldSpec<String> limited(String name, String label, int most) {
        return FieldSpec.text(
                name,
                label,
                "not said",
                (n, text, complaints) -> {
                    if (text.length() > most) {
                        complaints.add(n, Texts.tooLong(most, text));
                    }
                    return text;
                },
                value -> value);
    }

    private static List<MeasuredPoint> points(String name, String text, FieldErrors complaints) {
        try {
            List<MeasuredPoint> read = MeasuredText.read(text);
            if (read.isEmpty()) {
                complaints.add(name, "Type at least one line: level, frequency, watts, THD.");
            }
            return read;
        } catch (IllegalArgumentException unread) {
            complaints.add(name, unread.getMessage());
            return List.of();
        }
    }
}
