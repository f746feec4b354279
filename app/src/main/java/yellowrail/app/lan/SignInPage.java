package yellowrail.app.lan;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.Base64;
import org.springframework.core.io.ClassPathResource;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.web.util.HtmlUtils;

/** The one page that a device sees before it is signed in: it needs nothing else of the application. */
final class SignInPage {
    private static final SecureRandom RANDOM = new SecureRandom();
    private static final String PAGE = read();

    private SignInPage() {}

    private static String read() {
        try (InputStream in = new ClassPathResource("templates/lan/sign-in.html").getInputStream()) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException missing) {
            throw new UncheckedIOException(missing);
        }
    }

    /** Where to go after it, within this site only: "//elsewhere" would lead away. */
    static String back(HttpServletRequest request) {
        String asked = request.getParameter("back");
        if (asked == null) {
            boolean page = request.getMethod().equals("GET")
                    && !request.getRequestURI().equals(NetworkSecurity.SIGN_IN);
            asked = page ? request.getRequestURI() : "";
        }
        return asked.matches("/[A-Za-z0-9][A-Za-z0-9/_.-]*") ? asked : "/bench";
    }

    static void show(HttpServletRequest request, HttpServletResponse response, int status, String said)
            throws IOException {
        response.setStatus(status);
        response.setHeader("Cache-Control", "no-store");
        if (request.getRequestURI().startsWith("/api/")) {
            response.setContentType("application/problem+json");
            response.getWriter().write("{\"status\":" + status + ",\"detail\":\"Sign in with the passphrase first.\"}");
            return;
        }
        byte[] bytes = new byte[16];
        RANDOM.nextBytes(bytes);
        String nonce = Base64.getEncoder().encodeToString(bytes);
        CsrfToken token = (CsrfToken) request.getAttribute(CsrfToken.class.getName());
        response.setContentType("text/html;charset=UTF-8");
        response.setHeader(
                "Content-Security-Policy",
                "default-src 'none'; style-src 'nonce-" + nonce
                        + "'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'");
        response.getWriter()
                .write(PAGE.replace("{nonce}", nonce)
                        .replace("{token}", token == null ? "" : HtmlUtils.htmlEscape(token.getToken()))
                        .replace("{back}", HtmlUtils.htmlEscape(back(request)))
                        .replace("{said}", HtmlUtils.htmlEscape(said)));
    }
}
