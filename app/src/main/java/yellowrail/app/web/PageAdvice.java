package yellowrail.app.web;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataAccessException;
import org.springframework.transaction.CannotCreateTransactionException;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What every page has: the place it is in, and a sentence when the database is away. */
@ControllerAdvice
class PageAdvice {
    private static final Logger log = LoggerFactory.getLogger(PageAdvice.class);

    @ModelAttribute("path")
    String path(HttpServletRequest request) {
        return request.getRequestURI();
    }

    @ExceptionHandler({DataAccessException.class, CannotCreateTransactionException.class})
    void databaseAway(Exception problem, HttpServletRequest request, HttpServletResponse response) throws IOException {
        log.warn("Database: {}", problem.getMessage());
        request.setAttribute(Trouble.SENTENCE, Trouble.DATABASE);
        response.setHeader("Retry-After", "2");
        response.sendError(503);
    }
}
