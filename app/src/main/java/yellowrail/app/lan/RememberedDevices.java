package yellowrail.app.lan;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.Base64;
import java.util.HexFormat;
import java.util.Optional;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.web.authentication.rememberme.AbstractRememberMeServices;
import org.springframework.security.web.authentication.rememberme.InvalidCookieException;
import org.springframework.stereotype.Component;
import yellowrail.app.text.CleanText;

/**
 * Devices that stay signed in, each with a token of its own, so that one can be signed out alone. The token does not change
 * with use: a page sends several requests at once after a restart, and each of them has to be known.
 */
@Component
@ConditionalOnProperty("yellowrail.lan")
class RememberedDevices extends AbstractRememberMeServices {
    static final String COOKIE = "yellow-rail";
    static final Duration LIFE = Duration.ofDays(30);
    private static final int LONGEST_NAME = 120;
    private static final SecureRandom RANDOM = new SecureRandom();

    private final Passphrase passphrase;
    private final LanMapper mapper;
    private final Clock clock;

    RememberedDevices(Passphrase passphrase, LanMapper mapper, Clock clock) {
        super(UUID.randomUUID().toString(), passphrase);
        this.passphrase = passphrase;
        this.mapper = mapper;
        this.clock = clock;
        setAlwaysRemember(true);
        setCookieName(COOKIE);
        setTokenValiditySeconds((int) LIFE.toSeconds());
        setUseSecureCookie(false);
    }

    @Override
    protected void onLoginSuccess(
            HttpServletRequest request, HttpServletResponse response, Authentication authentication) {
        byte[] bytes = new byte[32];
        RANDOM.nextBytes(bytes);
        String token = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        UUID series = UUID.randomUUID();
        mapper.keepDevice(
                series, hash(token), name(request), OffsetDateTime.now(clock).plus(LIFE));
        setCookie(new String[] {series.toString(), token}, (int) LIFE.toSeconds(), request, response);
    }

    private static String name(HttpServletRequest request) {
        String agent = CleanText.line(
                Optional.ofNullable(request.getHeader("User-Agent")).orElse("unnamed"));
        return agent.length() > LONGEST_NAME ? agent.substring(0, LONGEST_NAME) : agent;
    }

    @Override
    protected UserDetails processAutoLoginCookie(
            String[] parts, HttpServletRequest request, HttpServletResponse response) {
        boolean known = parts.length == 2
                && series(parts[0])
                        .flatMap(mapper::tokenHash)
                        .filter(hash -> MessageDigest.isEqual(
                                hash.getBytes(StandardCharsets.US_ASCII),
                                hash(parts[1]).getBytes(StandardCharsets.US_ASCII)))
                        .isPresent();
        if (!known) {
            throw new InvalidCookieException("not a device that is signed in");
        }
        return getUserDetailsService().loadUserByUsername(Builder.NAME);
    }

    /** Signs this device out, and no other. */
    @Override
    public void logout(HttpServletRequest request, HttpServletResponse response, Authentication authentication) {
        String cookie = extractRememberMeCookie(request);
        if (cookie != null && !cookie.isEmpty()) {
            try {
                series(decodeCookie(cookie)[0]).ifPresent(mapper::forgetDevice);
            } catch (InvalidCookieException none) {
                logger.debug("No device's cookie");
            }
        }
        super.logout(request, response, authentication);
    }

    private static Optional<UUID> series(String text) {
        try {
            return Optional.of(UUID.fromString(text));
        } catch (IllegalArgumentException none) {
            return Optional.empty();
        }
    }

    /** With what signing out everywhere changes: a token of before is none, whatever became of its row. */
    private String hash(String token) {
        try {
            return HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256")
                            .digest((token + passphrase.key()).getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
