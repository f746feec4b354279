package yellowrail.app.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.dao.DataAccessException;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.transaction.TransactionException;
import org.springframework.web.ErrorResponse;
import org.springframework.web.HttpRequestMethodNotSupportedException;
import org.springframework.web.bind.ServletRequestBindingException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.method.annotation.MethodArgumentTypeMismatchException;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import yellowrail.app.store.StoredDifferently;

/** What every page has: a form token in time, and a sentence when the database is away. */
@ControllerAdvice
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class PageAdvice {
    private static final Logger log = LoggerFactory.getLogger(PageAdvice.class);

    /** Makes the form token before anything is written: once a long page is on its way its cookie could not be sent. */
    @ModelAttribute
    void formToken(HttpServletRequest request) {
        if (request.getAttribute(CsrfToken.class.getName()) instanceof CsrfToken token) {
            token.getToken();
        }
    }

    @ExceptionHandler({DataAccessException.class, TransactionException.class})
    void databaseAway(Exception problem, HttpServletRequest request, HttpServletResponse response) throws IOException {
        log.warn("Database: {}", problem.getMessage());
        ErrorTexts.Told told = ErrorTexts.of(problem);
        request.setAttribute(ErrorTexts.SENTENCE, told.sentence());
        if (request.getMethod().equals("POST")) {
            request.setAttribute(ErrorTexts.SENT, Map.copyOf(request.getParameterMap()));
        }
        if (told.status() == 503) {
            response.setHeader("Retry-After", "2");
        }
        response.sendError(told.status());
    }

    /** The same id with other content: nothing was written, and the sentence says so. */
    @ExceptionHandler(StoredDifferently.class)
    void storedDifferently(StoredDifferently conflict, HttpServletRequest request, HttpServletResponse response)
            throws IOException {
        request.setAttribute(ErrorTexts.SENTENCE, conflict.getMessage());
        response.sendError(409);
    }

    /** A browser gets a page for an address or a request that is none, not a document for programs. */
    @ExceptionHandler({
        NoResourceFoundException.class,
        HttpRequestMethodNotSupportedException.class,
        MethodArgumentTypeMismatchException.class,
        ServletRequestBindingException.class
    })
    void notUnderstood(Exception problem, HttpServletResponse response) throws IOException {
        response.sendError(
                problem instanceof ErrorResponse known ? known.getStatusCode().value() : 400);
    }
}
