package yellowrail.app.api;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import yellowrail.app.forms.FieldErrors;

/** Something sent was not understood, or is so unusual that it is asked about; every field has its sentence. */
class ApiRefused extends RuntimeException {
    /** A sentence at a field, with texts that would settle it. */
    record FieldError(String field, String message, List<String> choices) {}

    private final transient List<FieldError> errors;
    private final HttpStatus status;

    ApiRefused(FieldErrors complaints) {
        this(errors(complaints), HttpStatus.UNPROCESSABLE_CONTENT);
    }

    ApiRefused(List<FieldError> errors) {
        this(errors, HttpStatus.UNPROCESSABLE_CONTENT);
    }

    private ApiRefused(List<FieldError> errors, HttpStatus status) {
        super(errors.size() + " fields were not understood");
        this.errors = errors;
        this.status = status;
    }

    /**
     * Goes on only where everything was understood and nothing unusual is left to confirm: what was not understood comes
     * first, then what is asked about, with status 409.
     */
    static void unlessClear(FieldErrors complaints) {
        if (complaints.refused()) {
            throw new ApiRefused(complaints);
        }
        if (complaints.any()) {
            throw new ApiRefused(errors(complaints), HttpStatus.CONFLICT);
        }
    }

    /**
     * The texts of a body by their names; null says nothing. A name that is none of these is refused, and so is a list, number
     * or object.
     *
     * @param of what has these names, with its article
     */
    static Map<String, String> texts(Map<String, Object> body, List<String> names, String of) {
        List<FieldError> refused = new ArrayList<>();
        Map<String, String> texts = new LinkedHashMap<>();
        body.forEach((name, value) -> {
            if (!names.contains(name)) {
                refused.add(new FieldError(
                        name, of + " has no such part; it has " + String.join(", ", names) + ".", names));
            } else if (value instanceof String text) {
                texts.put(name, text);
            } else if (value != null) {
                refused.add(new FieldError(
                        name,
                        "A text is taken here, as in \"" + value(value) + "\", not " + kind(value) + ".",
                        List.of()));
            }
        });
        if (!refused.isEmpty()) {
            throw new ApiRefused(refused);
        }
        return texts;
    }

    private static String value(Object value) {
        return value instanceof Number || value instanceof Boolean ? String.valueOf(value) : "4.2 k";
    }

    private static String kind(Object value) {
        if (value instanceof List) {
            return "a list";
        }
        return value instanceof Number ? "a number" : value instanceof Boolean ? "true or false" : "an object";
    }

    static List<FieldError> errors(FieldErrors complaints) {
        return complaints.byField().entrySet().stream()
                .map(e -> new FieldError(
                        e.getKey(), e.getValue().sentence(), e.getValue().choices()))
                .toList();
    }

    List<FieldError> errors() {
        return errors;
    }

    HttpStatus status() {
        return status;
    }

    /** Whether it is a question about unusual values, which a confirmation answers. */
    boolean asks() {
        return status == HttpStatus.CONFLICT;
    }
}
