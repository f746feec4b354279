package yellowrail.app.lan;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.springframework.web.filter.OncePerRequestFilter;

/** Makes whoever sent wrong passphrases wait before the next one is looked at. */
class ThrottledSignIn extends OncePerRequestFilter {
    private final SignInThrottle throttle;
    private final Clock clock;

    ThrottledSignIn(SignInThrottle throttle, Clock clock) {
        this.clock = clock;
        this.throttle = throttle;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getMethod().equals("POST") || !request.getServletPath().equals(NetworkSecurity.SIGN_IN);
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Instant now = clock.instant();
        Duration left = throttle.left(request.getRemoteAddr(), now);
        if (left.isZero()) {
            // Counted before it is looked at, so that many at once gain nothing.
            throttle.wrong(request.getRemoteAddr(), now);
            chain.doFilter(request, response);
            return;
        }
        long seconds = left.toSeconds() + 1;
        response.setHeader("Retry-After", String.valueOf(seconds));
        SignInPage.show(request, response, 429, "Too many wrong passphrases. Wait " + seconds + " s, then try again.");
    }
}
