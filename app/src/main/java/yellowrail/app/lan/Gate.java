package yellowrail.app.lan;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.ResponseCookie;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.HtmlUtils;

/** On the local network nothing but the sign-in page answers to a device that does not know the passphrase. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 20)
class Gate extends OncePerRequestFilter {
    static final String COOKIE = "yellow-rail";
    static final String PATH = "/sign-in";
    private static final SecureRandom RANDOM = new SecureRandom();

    private final Passphrase passphrase;
    private final Patience patience = new Patience();
    private final String page;

    Gate(Passphrase passphrase) {
        this.passphrase = passphrase;
        try (InputStream in = new ClassPathResource("templates/lan/sign-in.html").getInputStream()) {
            page = new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException missing) {
            throw new UncheckedIOException(missing);
        }
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !passphrase.wanted();
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean posts =
                request.getRequestURI().equals(PATH) && request.getMethod().equals("POST");
        if (posts) {
            signIn(request, response);
        } else if (known(request)) {
            chain.doFilter(request, response);
        } else if (request.getRequestURI().startsWith("/api/")) {
            response.setStatus(401);
            response.setContentType("application/problem+json");
            response.getWriter().write("{\"status\":401,\"detail\":\"Sign in with the passphrase first.\"}");
        } else {
            String back = request.getMethod().equals("GET")
                            && !request.getRequestURI().equals(PATH)
                    ? request.getRequestURI()
                    : "/bench";
            show(response, 401, "", back);
        }
    }

    private boolean known(HttpServletRequest request) {
        if (request.getCookies() == null) {
            return false;
        }
        for (Cookie cookie : request.getCookies()) {
            if (cookie.getName().equals(COOKIE) && passphrase.valid(cookie.getValue(), Instant.now())) {
                return true;
            }
        }
        return false;
    }

    private void signIn(HttpServletRequest request, HttpServletResponse response) throws IOException {
        Instant now = Instant.now();
        String address = request.getRemoteAddr();
        String typed = request.getParameter("passphrase") == null ? "" : request.getParameter("passphrase");
        String asked = request.getParameter("back") == null ? "/bench" : request.getParameter("back");
        // A way back within this site only: "//elsewhere" would lead away.
        String back = asked.matches("/[A-Za-z0-9][A-Za-z0-9/_.-]*") ? asked : "/bench";
        Duration left = patience.left(address, now);
        if (!left.isZero()) {
            long seconds = left.toSeconds() + 1;
            response.setHeader("Retry-After", String.valueOf(seconds));
            show(response, 429, "Too many wrong passphrases. Wait " + seconds + " s, then try again.", back);
            return;
        }
        // Counted before it is looked at, so that many at once gain nothing.
        patience.wrong(address, now);
        if (passphrase.matches(typed)) {
            patience.right(address);
            response.addHeader(
                    "Set-Cookie",
                    ResponseCookie.from(COOKIE, passphrase.token(now))
                            .httpOnly(true)
                            .sameSite("Strict")
                            .path("/")
                            .maxAge(Passphrase.LIFE)
                            .build()
                            .toString());
            response.setStatus(303);
            response.setHeader("Location", back);
        } else {
            show(response, 401, "That is not the passphrase.", back);
        }
    }

    private void show(HttpServletResponse response, int status, String said, String back) throws IOException {
        byte[] bytes = new byte[16];
        RANDOM.nextBytes(bytes);
        String nonce = Base64.getEncoder().encodeToString(bytes);
        response.setStatus(status);
        response.setContentType("text/html;charset=UTF-8");
        response.setHeader("Cache-Control", "no-store");
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader(
                "Content-Security-Policy",
                "default-src 'none'; style-src 'nonce-" + nonce
                        + "'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'");
        response.getWriter()
                .write(page.replace("{nonce}", nonce)
                        .replace("{back}", HtmlUtils.htmlEscape(back))
                        .replace("{said}", HtmlUtils.htmlEscape(said)));
    }
}
