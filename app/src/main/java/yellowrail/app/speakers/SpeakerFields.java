package yellowrail.app.speakers;

import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;
import yellowrail.core.load.CurveText;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Unit;

/** What is asked of a speaker that is to be kept. */
final class SpeakerFields {
    /** A word of a wiring, and not one that stands for something else there. */
    private static final Pattern WORD = Pattern.compile("(?!(?i)dc\\d)\\p{L}[\\p{L}\\d_-]{1,30}");

    static final FieldSpec<String> NAME =
            FieldSpec.text("name", "Name in a wiring", "barn12", SpeakerFields::name, value -> value);
    static final FieldSpec<Optional<Double>> MARKED = FieldSpec.quantity(
            "marked",
            "Marked, Ω",
            "if it is marked",
            Field.of("the marking", Unit.OHM, Prefix.NONE, 0.5, 2000).aboveZero());
    static final FieldSpec<CurveText.Read> CURVE =
            FieldSpec.text("curve", "Its curve", "20  7.1  12.5", SpeakerFields::curve, SpeakerFields::points);

    static final List<FieldSpec<?>> ALL = List.of(NAME, MARKED, CURVE);

    private SpeakerFields() {}

    private static String name(String name, String text, FieldErrors complaints) {
        if (!WORD.matcher(text).matches()) {
            complaints.add(
                    name,
                    "A short name that stands for it in a wiring, such as barn12: letters first, then letters, digits, _"
                            + " or -, 2 to 31 in all"
                            + (text.isEmpty() ? "." : "; not “" + FieldErrors.shorten(text) + "”."));
        }
        return text;
    }

    private static CurveText.Read curve(String name, String text, FieldErrors complaints) {
        CurveText.Read read = CurveText.read(text);
        if (read.curve().isEmpty()) {
            complaints.add(name, read.complaint());
        }
        return read;
    }

    private static String points(CurveText.Read read) {
        return read.curve().map(CurveText::write).orElse("");
    }
}
