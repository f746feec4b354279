package yellowrail.app.load;

import java.util.List;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.forms.Texts;

/** What is asked of a transformer whose leads are not marked. */
final class UnknownFields {
    private static final int LONGEST = 3000;

    /** Readings between its leads; nothing where they are too many to be read. */
    static final FieldSpec<String> NOTES =
            FieldSpec.text("notes", "Readings, one on each line", "blue red 148", UnknownFields::notes, text -> text);

    static final List<FieldSpec<?>> ALL = List.of(NOTES);

    private UnknownFields() {}

    private static String notes(String name, String text, FieldErrors complaints) {
        if (text.length() > LONGEST) {
            complaints.add(name, Texts.tooLong(LONGEST, text));
            return "";
        }
        return text;
    }
}
