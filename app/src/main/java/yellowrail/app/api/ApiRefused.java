package yellowrail.app.api;

import java.util.List;
import yellowrail.app.forms.Complaints;

/** Something sent was not understood; every field has its sentence. */
class ApiRefused extends RuntimeException {
    /** A sentence at a field, with texts that would settle it. */
    record FieldError(String field, String message, List<String> choices) {}

    private final transient List<FieldError> errors;

    ApiRefused(Complaints complaints) {
        this(complaints.byField().entrySet().stream()
                .map(e -> new FieldError(
                        e.getKey(), e.getValue().sentence(), e.getValue().choices()))
                .toList());
    }

    ApiRefused(List<FieldError> errors) {
        super(errors.size() + " fields were not understood");
        this.errors = errors;
    }

    List<FieldError> errors() {
        return errors;
    }
}
