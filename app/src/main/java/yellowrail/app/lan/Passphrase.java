package yellowrail.app.lan;

import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.time.Duration;
import java.time.Instant;
import java.util.Base64;
import java.util.Optional;
import java.util.UUID;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.stereotype.Component;
import yellowrail.app.json.CoreJson;

/**
 * The passphrase of the local network. Only its hash is kept. A device that knew it gets a token, signed with a key that
 * changes with the passphrase, so that a new passphrase signs every device out.
 */
@Component
class Passphrase {
    static final Duration LIFE = Duration.ofDays(30);
    private static final int LEAST = 10;

    /** What is kept. */
    record Kept(String hash, String key) {}

    private final BCryptPasswordEncoder encoder = new BCryptPasswordEncoder();
    private final Optional<Kept> kept;

    Passphrase(
            LanMapper mapper,
            CoreJson json,
            @Value("${yellowrail.lan}") boolean lan,
            @Value("${yellowrail.passphrase}") String given) {
        kept = lan ? Optional.of(keep(mapper, json, given)) : Optional.empty();
    }

    private Kept keep(LanMapper mapper, CoreJson json, String given) {
        Optional<Kept> known = mapper.newest().map(body -> json.read(body, Kept.class));
        if (given.isEmpty()
                || known.filter(k -> encoder.matches(given, k.hash())).isPresent()) {
            return known.orElseThrow(() -> new IllegalStateException(
                    "For the network a passphrase is needed: none is set and none was given (YR_PASSPHRASE)."));
        }
        if (given.length() < LEAST) {
            throw new IllegalStateException("The passphrase needs " + LEAST + " characters or more.");
        }
        byte[] key = new byte[32];
        new SecureRandom().nextBytes(key);
        Kept fresh = new Kept(encoder.encode(given), Base64.getEncoder().encodeToString(key));
        mapper.insert(UUID.randomUUID(), json.write(fresh));
        return fresh;
    }

    boolean wanted() {
        return kept.isPresent();
    }

    boolean matches(String typed) {
        // BCrypt looks at 72 bytes; a longer text would match by its beginning.
        return typed.getBytes(StandardCharsets.UTF_8).length <= 72
                && encoder.matches(typed, kept.orElseThrow().hash());
    }

    String token(Instant now) {
        String until = String.valueOf(now.plus(LIFE).getEpochSecond());
        return until + "." + signature(until);
    }

    boolean valid(String token, Instant now) {
        int dot = token.indexOf('.');
        if (dot < 1 || dot > 12 || !token.substring(0, dot).matches("\\d+")) {
            return false;
        }
        String until = token.substring(0, dot);
        boolean signed = MessageDigest.isEqual(
                signature(until).getBytes(StandardCharsets.UTF_8),
                token.substring(dot + 1).getBytes(StandardCharsets.UTF_8));
        return signed && Long.parseLong(until) > now.getEpochSecond();
    }

    private String signature(String text) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(
                    Base64.getDecoder().decode(kept.orElseThrow().key()), "HmacSHA256"));
            return Base64.getUrlEncoder()
                    .withoutPadding()
                    .encodeToString(mac.doFinal(text.getBytes(StandardCharsets.UTF_8)));
        } catch (GeneralSecurityException impossible) {
            throw new IllegalStateException(impossible);
        }
    }
}
