package yellowrail.app.lan;

import java.util.Collection;
import java.util.List;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.userdetails.UserDetails;

/**
 * Whoever knows the passphrase.
 *
 * @param hash of the passphrase
 * @param key what signing out everywhere changes
 */
record Builder(String hash, String key) implements UserDetails {
    static final String NAME = "builder";

    @Override
    public Collection<? extends GrantedAuthority> getAuthorities() {
        return List.of();
    }

    @Override
    public String getPassword() {
        return hash;
    }

    @Override
    public String getUsername() {
        return NAME;
    }

    /** Nothing of it belongs in a log. */
    @Override
    public String toString() {
        return NAME;
    }
}
