package yellowrail.app.web;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.Base64;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.http.ResponseCookie;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.csrf.DefaultCsrfToken;
import org.springframework.web.util.WebUtils;

/**
 * Form tokens in a cookie, signed: another program on this computer can set cookies for the same host name, but not one of
 * these. The key is kept, so that a form typed before a restart of the server can still be sent after it.
 */
class SignedFormTokens implements CsrfTokenRepository {
    private static final String COOKIE = "yellow-rail-form";
    private static final SecureRandom RANDOM = new SecureRandom();

    private final SecretKeySpec key;

    SignedFormTokens(byte[] key) {
        this.key = new SecretKeySpec(key, "HmacSHA256");
    }

    @Override
    public CsrfToken generateToken(HttpServletRequest request) {
        byte[] bytes = new byte[18];
        RANDOM.nextBytes(bytes);
        String text = Base64.getUrlEncoder().encodeToString(bytes);
        return token(text + "." + signature(text));
    }

    private static CsrfToken token(String value) {
        return new DefaultCsrfToken("X-CSRF-TOKEN", "_csrf", value);
    }

    @Override
    public void saveToken(CsrfToken token, HttpServletRequest request, HttpServletResponse response) {
        response.addHeader(
                "Set-Cookie",
                ResponseCookie.from(COOKIE, token == null ? "" : token.getToken())
                        .httpOnly(true)
                        .sameSite("Strict")
                        .path("/")
                        .maxAge(token == null ? 0 : -1)
                        .build()
                        .toString());
    }

    @Override
    public CsrfToken loadToken(HttpServletRequest request) {
        Cookie cookie = WebUtils.getCookie(request, COOKIE);
        if (cookie == null) {
            return null;
        }
        String[] parts = cookie.getValue().split("\\.", -1);
        boolean ours = parts.length == 2
                && MessageDigest.isEqual(
                        signature(parts[0]).getBytes(StandardCharsets.UTF_8),
                        parts[1].getBytes(StandardCharsets.UTF_8));
        return ours ? token(cookie.getValue()) : null;
    }

    private String signature(String text) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(key);
            return Base64.getUrlEncoder()
                    .withoutPadding()
                    .encodeToString(mac.doFinal(text.getBytes(StandardCharsets.UTF_8)));
        } catch (GeneralSecurityException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
