package yellowrail.app.web;

import jakarta.servlet.http.HttpServletRequest;

/**
 * API calls that a form on another site cannot make: a browser sends {@code application/json} across sites only after
 * asking, and is not allowed to here. They need no form token.
 */
final class JsonOnly {
    private JsonOnly() {}

    static boolean matches(HttpServletRequest request) {
        String type = request.getContentType();
        return request.getRequestURI().startsWith("/api/") && type != null && type.startsWith("application/json");
    }
}
