package yellowrail.app.api;

import java.util.List;
import java.util.Set;
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

    /** @param of what has these names, with its article */
    static void unlessKnown(Set<String> said, List<String> names, String of) {
        List<FieldError> unknown = said.stream()
                .filter(name -> !names.contains(name))
                .map(name ->
                        new FieldError(name, of + " has no such part; it has " + String.join(", ", names) + ".", names))
                .toList();
        if (!unknown.isEmpty()) {
            throw new ApiRefused(unknown);
        }
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
