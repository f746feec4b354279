package yellowrail.app.lan;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/** Ends sessions that were begun before every device was signed out. */
class CurrentKey extends OncePerRequestFilter {
    private final Passphrase passphrase;

    CurrentKey(Passphrase passphrase) {
        this.passphrase = passphrase;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication known = SecurityContextHolder.getContext().getAuthentication();
        if (known != null
                && known.getPrincipal() instanceof Builder builder
                && !builder.key().equals(passphrase.key())) {
            NetworkSecurity.end(request);
        }
        chain.doFilter(request, response);
    }
}
