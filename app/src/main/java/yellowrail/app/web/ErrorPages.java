package yellowrail.app.web;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.RequestMapping;

/** Error pages: a sentence and a way on, never a stack trace. The API gets problem+json instead. */
@Controller
class ErrorPages implements ErrorController {
    @RequestMapping("/error")
    Object error(HttpServletRequest request, Model model, HttpServletResponse response) {
        Object code = request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE);
        HttpStatus status = code instanceof Integer number ? HttpStatus.resolve(number) : null;
        // Asked for by its own address there is no error to tell of.
        HttpStatus known =
                code == null ? HttpStatus.NOT_FOUND : status == null ? HttpStatus.INTERNAL_SERVER_ERROR : status;
        Object given = request.getAttribute(ErrorTexts.SENTENCE);
        String sentence = given instanceof String text ? text : sentence(known);
        Object path = request.getAttribute(RequestDispatcher.ERROR_REQUEST_URI);
        if (path instanceof String uri && uri.startsWith("/api/")) {
            ProblemDetail problem = ProblemDetail.forStatusAndDetail(known, sentence);
            return ResponseEntity.status(known)
                    .contentType(MediaType.APPLICATION_PROBLEM_JSON)
                    .body(problem);
        }
        if (known == HttpStatus.SERVICE_UNAVAILABLE || known == HttpStatus.INSUFFICIENT_STORAGE) {
            recover(request, response, model, path);
        }
        model.addAttribute("status", known.value());
        model.addAttribute("sentence", sentence);
        response.setStatus(known.value());
        return "error-page";
    }

    /** A page comes back by itself; what was sent is kept on the page, to be sent again under the same ids. */
    private static void recover(HttpServletRequest request, HttpServletResponse response, Model model, Object path) {
        if (!(request.getAttribute(ErrorTexts.SENT) instanceof Map<?, ?> fields)) {
            response.setHeader("Refresh", "3");
            return;
        }
        List<Sent> sent = new ArrayList<>();
        fields.forEach((name, values) -> {
            if (!name.equals("_csrf")) {
                for (String value : (String[]) values) {
                    sent.add(new Sent((String) name, value));
                }
            }
        });
        model.addAttribute("again", path);
        model.addAttribute("sent", sent);
    }

    /** One field of a form that could not be stored. */
    record Sent(String name, String value) {}

    private static String sentence(HttpStatus status) {
        return switch (status) {
            case NOT_FOUND -> "There is nothing here. The address may be incomplete, or what it names does not exist.";
            case BAD_REQUEST -> "The address or form holds something that could not be understood.";
            case METHOD_NOT_ALLOWED -> "This address does not take that kind of request.";
            case CONTENT_TOO_LARGE -> "That was too long to be taken.";
            case SERVICE_UNAVAILABLE -> ErrorTexts.DATABASE;
            default -> "The application could not do that. Nothing was changed; going back keeps what you typed.";
        };
    }
}
