package yellowrail.app.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What every page has: a form token in time, and a sentence when the database is away. */
@ControllerAdvice
class PageAdvice {
    private static final Logger log = LoggerFactory.getLogger(PageAdvice.class);

    /** Makes the form token before anything is written: once a long page is on its way its cookie could not be sent. */
    @ModelAttribute
    void formToken(HttpServletRequest request) {
        if (request.getAttribute(CsrfToken.class.getName()) instanceof CsrfToken token) {
            token.getToken();
        }
    }

    @ExceptionHandler({DataAccessException.class, CannotCreateTransactionException.class})
    void databaseAway(Exception problem, HttpServletRequest request, HttpServletResponse response) throws IOException {
        log.warn("Database: {}", problem.getMessage());
        request.setAttribute(Trouble.SENTENCE, Trouble.DATABASE);
        if (request.getMethod().equals("POST")) {
            request.setAttribute(Trouble.SENT, Map.copyOf(request.getParameterMap()));
        }
        response.setHeader("Retry-After", "2");
        response.sendError(503);
    }
}
