package yellowrail.app.api;

import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;

/** A route that takes texts by the names of a page's fields; its documentation is made of them. */
interface TakesFields {
    /** What is sent to it, with its article: {@code A stage}. */
    String what();

    /** The fields it takes. */
    List<FieldSpec<?>> fields();

    /** Paths under which it takes them. */
    List<String> paths();

    /**
     * What a body says of these fields, null where it says nothing. A name that is none of them is refused, and so is a text that
     * its field does not understand, whether or not the answer would hang on it.
     *
     * @throws ApiRefused with a sentence at each name
     */
    default UnaryOperator<String> said(Map<String, String> body) {
        ApiRefused.unlessKnown(body.keySet(), FieldSpec.names(fields()), what());
        FieldErrors complaints = new FieldErrors();
        for (FieldSpec<?> field : fields()) {
            String text = body.get(field.name());
            if (text != null && !text.isBlank()) {
                field.read(text.strip(), complaints);
            }
        }
        if (complaints.any()) {
            throw new ApiRefused(complaints);
        }
        return body::get;
    }
}
