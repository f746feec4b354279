package yellowrail.app.rounds;

import java.util.List;
import yellowrail.app.forms.CheckFields;
import yellowrail.app.forms.FieldSpec;

/** What is asked of a round beside its readings, in order; most of it as of an idle check. */
public final class RoundFields {
    public static final FieldSpec<String> TAKEN_AT =
            FieldSpec.plain("takenAt", "When it was taken, ISO 8601 with offset; blank for now");
    public static final FieldSpec<String> NOTE = FieldSpec.plain("note", "Note");

    /** All of them. */
    public static final List<FieldSpec<?>> ALL = List.of(
            TAKEN_AT,
            CheckFields.METER,
            CheckFields.REFERENCE,
            CheckFields.LIMITER,
            CheckFields.REDUCED,
            CheckFields.APART,
            CheckFields.SPREAD,
            NOTE);

    private RoundFields() {}
}
