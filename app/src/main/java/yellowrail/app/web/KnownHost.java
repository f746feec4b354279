package yellowrail.app.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Refuses requests under a foreign host name: a page elsewhere could otherwise rebind its name to this computer. For the
 * local network an address in figures is known too, since nobody else can own its name.
 */
class KnownHost extends OncePerRequestFilter {
    /** Of a host name in the domain name system. */
    private static final int LONGEST = 255;

    private final boolean lan;

    KnownHost(boolean lan) {
        this.lan = lan;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String host = request.getServerName();
        if (host == null || host.length() > LONGEST) {
            response.sendError(400);
            return;
        }
        boolean loopback = host.equals("localhost")
                || host.matches("127(\\.\\d{1,3}){3}")
                || host.equals("[::1]")
                || host.equals("::1");
        boolean figures = host.matches("\\d{1,3}(\\.\\d{1,3}){3}") || host.matches("\\[?[0-9a-fA-F:]*:[0-9a-fA-F:]*]?");
        if (loopback || (lan && figures)) {
            chain.doFilter(request, response);
        } else {
            response.setStatus(421);
            response.setContentType("text/plain;charset=UTF-8");
            response.getWriter()
                    .write(
                            lan
                                    ? "Yellow Rail answers under its address in figures, as shown where it was started."
                                    : "Yellow Rail answers only under localhost.");
        }
    }
}
