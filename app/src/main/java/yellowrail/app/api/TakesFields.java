package yellowrail.app.api;

import java.util.List;
import java.util.Map;
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
     * What a body says of these fields: a name that is none of them is refused, and so is what is no text.
     *
     * @throws ApiRefused with a sentence at each name
     */
    default Map<String, String> texts(Map<String, Object> body) {
        return ApiRefused.texts(body, FieldSpec.names(fields()), what());
    }
}
