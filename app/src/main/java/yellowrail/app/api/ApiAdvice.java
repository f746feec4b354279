package yellowrail.app.api;

import java.util.List;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.TransactionException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import tools.jackson.databind.exc.MismatchedInputException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.web.ErrorTexts;
import yellowrail.app.web.NotThere;

/** Errors of the JSON interface as problem+json, in the same sentences as on the pages. */
@RestControllerAdvice(basePackageClasses = ApiAdvice.class)
@Order(Ordered.HIGHEST_PRECEDENCE)
class ApiAdvice {
    @ExceptionHandler(ApiRefused.class)
    ResponseEntity<ProblemDetail> refused(ApiRefused refused) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(
                refused.status(),
                refused.asks()
                        ? "What was sent is so unusual that it is asked about first; nothing was stored. Send another value, or"
                                + " the same with its field in “confirmed”."
                        : "Something sent was not understood; nothing was stored.");
        problem.setProperty("errors", refused.errors());
        if (refused.asks()) {
            problem.setProperty(
                    "choices",
                    refused.errors().stream().flatMap(e -> e.choices().stream()).toList());
            problem.setProperty(
                    "confirm",
                    refused.errors().stream().map(ApiRefused.FieldError::field).toList());
        }
        return ResponseEntity.status(refused.status()).body(problem);
    }

    @ExceptionHandler(NotThere.class)
    ProblemDetail notThere(NotThere missing) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.NOT_FOUND, "There is no " + missing.getMessage() + ".");
    }

    @ExceptionHandler({AmpStore.ChangedMeanwhile.class, StoredDifferently.class})
    ProblemDetail conflict(RuntimeException conflict) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.CONFLICT, conflict.getMessage());
    }

    @ExceptionHandler({DataAccessException.class, TransactionException.class})
    ProblemDetail notStored(Exception problem) {
        ErrorTexts.Told told = ErrorTexts.of(problem);
        return ProblemDetail.forStatusAndDetail(HttpStatusCode.valueOf(told.status()), told.sentence());
    }

    /** A field that is not known is refused with those that are: a slip in its name would else be ignored. */
    @ExceptionHandler(HttpMessageNotReadableException.class)
    ResponseEntity<ProblemDetail> unreadable(HttpMessageNotReadableException unreadable) {
        if (unreadable.getCause() instanceof UnrecognizedPropertyException unknown) {
            List<String> known = unknown.getKnownPropertyIds().stream()
                    .map(Object::toString)
                    .sorted()
                    .toList();
            return refused(at(
                    unknown.getPropertyName(),
                    "There is no field called “" + FieldErrors.shorten(unknown.getPropertyName()) + "”; known are "
                            + String.join(", ", known) + ".",
                    known));
        }
        if (unreadable.getCause() instanceof MismatchedInputException other && other.getTargetType() == String.class) {
            return refused(at(where(other), FieldErrors.TEXT_TAKEN));
        }
        return ResponseEntity.badRequest().body(unreadable());
    }

    /** The name under which it was sent; of a list with its place. */
    private static String where(MismatchedInputException other) {
        return other.getPath().stream()
                .map(r -> r.getPropertyName() != null ? r.getPropertyName() : "[" + r.getIndex() + "]")
                .reduce((one, next) -> next.startsWith("[") ? one + next : next)
                .orElse("");
    }

    @ExceptionHandler(MethodArgumentTypeMismatchException.class)
    ProblemDetail unreadable() {
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.BAD_REQUEST,
                "The request is not the JSON, or the address not the id, that is described at /api/v1/openapi.json.");
    }

    /** One sentence at one field. */
    static ApiRefused at(String field, String sentence) {
        return at(field, sentence, List.of());
    }

    private static ApiRefused at(String field, String sentence, List<String> choices) {
        return new ApiRefused(List.of(new ApiRefused.FieldError(field, sentence, choices)));
    }
}
