package yellowrail.app.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.web.filter.OncePerRequestFilter;

/** Refuses requests under a foreign host name: a page elsewhere could otherwise rebind its name to this computer. */
class LoopbackOnly extends OncePerRequestFilter {
    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String host = request.getServerName();
        if (host.equals("localhost")
                || host.matches("127(\\.\\d{1,3}){3}")
                || host.equals("[::1]")
                || host.equals("::1")) {
            chain.doFilter(request, response);
        } else {
            response.setStatus(421);
            response.setContentType("text/plain;charset=UTF-8");
            response.getWriter().write("Yellow Rail answers only under localhost.");
        }
    }
}
