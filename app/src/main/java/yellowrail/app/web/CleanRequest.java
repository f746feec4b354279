package yellowrail.app.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Collections;
import java.util.Enumeration;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import yellowrail.app.text.CleanText;

/** Takes out of every parameter what cannot be shown, before anything reads it; parameters that cannot be read are said. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class CleanRequest extends OncePerRequestFilter {
    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Map<String, String[]> clean = new LinkedHashMap<>();
        try {
            request.getParameterMap().forEach((name, values) -> {
                String[] texts = new String[values.length];
                for (int i = 0; i < values.length; i++) {
                    texts[i] = CleanText.of(values[i]);
                }
                clean.put(CleanText.of(name), texts);
            });
        } catch (IllegalStateException unreadable) {
            response.sendError(400);
            return;
        }
        chain.doFilter(new Cleaned(request, clean), response);
    }

    private static final class Cleaned extends HttpServletRequestWrapper {
        private final Map<String, String[]> parameters;

        Cleaned(HttpServletRequest request, Map<String, String[]> parameters) {
            super(request);
            this.parameters = Collections.unmodifiableMap(parameters);
        }

        @Override
        public String getParameter(String name) {
            String[] values = parameters.get(name);
            return values == null || values.length == 0 ? null : values[0];
        }

        @Override
        public String[] getParameterValues(String name) {
            String[] values = parameters.get(name);
            return values == null ? null : values.clone();
        }

        @Override
        public Map<String, String[]> getParameterMap() {
            return parameters;
        }

        @Override
        public Enumeration<String> getParameterNames() {
            return Collections.enumeration(parameters.keySet());
        }
    }
}
