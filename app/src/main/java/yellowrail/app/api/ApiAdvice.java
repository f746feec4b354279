package yellowrail.app.api;

import java.util.List;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.web.NotThere;
import yellowrail.app.web.StoredDifferently;
import yellowrail.app.web.Trouble;

/** Errors of the JSON interface as problem+json, in the same sentences as on the pages. */
@RestControllerAdvice(basePackageClasses = ApiAdvice.class)
@Order(Ordered.HIGHEST_PRECEDENCE)
class ApiAdvice {
    @ExceptionHandler(ApiRefused.class)
    ProblemDetail refused(ApiRefused refused) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(
                HttpStatus.UNPROCESSABLE_CONTENT, "Something sent was not understood; nothing was stored.");
        problem.setProperty("errors", refused.errors());
        return problem;
    }

    @ExceptionHandler(NotThere.class)
    ProblemDetail notThere(NotThere missing) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.NOT_FOUND, "There is no " + missing.getMessage() + ".");
    }

    @ExceptionHandler({AmpStore.ChangedMeanwhile.class, StoredDifferently.class})
    ProblemDetail conflict(RuntimeException conflict) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.CONFLICT, conflict.getMessage());
    }

    @ExceptionHandler({DataAccessException.class, CannotCreateTransactionException.class})
    ProblemDetail databaseAway() {
        return ProblemDetail.forStatusAndDetail(HttpStatus.SERVICE_UNAVAILABLE, Trouble.DATABASE);
    }

    @ExceptionHandler({HttpMessageNotReadableException.class, MethodArgumentTypeMismatchException.class})
    ProblemDetail unreadable() {
        return ProblemDetail.forStatusAndDetail(
                HttpStatus.BAD_REQUEST,
                "The request is not the JSON, or the address not the id, that is described at /api/v1/openapi.json.");
    }

    /** One sentence at one field. */
    static ApiRefused at(String field, String sentence) {
        return new ApiRefused(List.of(new ApiRefused.FieldError(field, sentence, List.of())));
    }
}
