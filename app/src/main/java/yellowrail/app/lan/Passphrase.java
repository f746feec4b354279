package yellowrail.app.lan;

import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.Optional;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import yellowrail.app.json.LastKnown;
import yellowrail.app.store.StoredPassphrase;
import yellowrail.app.store.StoredShapes;

/** The passphrase of the local network. Only its hash is kept; a new one signs every device out. */
@Component
@ConditionalOnProperty("yellowrail.lan")
class Passphrase implements UserDetailsService, PasswordEncoder {
    private static final int LEAST = 10;
    /** BCrypt looks at 72 bytes; a longer text would match by its beginning. */
    private static final int MOST_BYTES = 72;

    private final BCryptPasswordEncoder encoder = new BCryptPasswordEncoder();
    private final LanMapper mapper;
    private final LastKnown<StoredPassphrase> kept;

    Passphrase(LanMapper mapper, @Value("${yellowrail.passphrase}") String given) {
        this.mapper = mapper;
        this.kept = new LastKnown<>(first(given), () -> newest().orElseThrow());
    }

    private StoredPassphrase first(String given) {
        Optional<StoredPassphrase> known = newest();
        if (given.isEmpty()
                || known.filter(k -> encoder.matches(given, k.hash())).isPresent()) {
            return known.orElseThrow(() -> new PassphraseRefused(
                    "For the network a passphrase is needed: none is set and none was given (YR_PASSPHRASE)."));
        }
        int bytes = given.getBytes(StandardCharsets.UTF_8).length;
        if (given.length() < LEAST || bytes > MOST_BYTES) {
            throw new PassphraseRefused("The passphrase needs " + LEAST + " characters or more, and " + MOST_BYTES
                    + " bytes at most; this one has " + given.length() + " characters.");
        }
        return keep(encoder.encode(given));
    }

    private Optional<StoredPassphrase> newest() {
        return mapper.newest().map(body -> StoredShapes.PASSPHRASE.read(body));
    }

    private StoredPassphrase keep(String hash) {
        byte[] key = new byte[32];
        new SecureRandom().nextBytes(key);
        StoredPassphrase fresh = new StoredPassphrase(hash, Base64.getEncoder().encodeToString(key));
        mapper.insert(UUID.randomUUID(), StoredShapes.PASSPHRASE.write(fresh));
        mapper.forgetDevices();
        return fresh;
    }

    /** Signs every device out, on every instance within two seconds. */
    void signOutEverywhere() {
        keep(kept.get().hash());
        kept.forget();
    }

    /** What holds until every device is signed out. */
    String key() {
        return kept.get().key();
    }

    @Override
    public Builder loadUserByUsername(String name) {
        StoredPassphrase now = kept.get();
        return new Builder(now.hash(), now.key());
    }

    @Override
    public String encode(CharSequence typed) {
        return encoder.encode(typed);
    }

    @Override
    public boolean matches(CharSequence typed, String hash) {
        return typed.toString().getBytes(StandardCharsets.UTF_8).length <= MOST_BYTES && encoder.matches(typed, hash);
    }
}
