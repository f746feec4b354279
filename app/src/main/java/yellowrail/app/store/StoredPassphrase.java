package yellowrail.app.store;

/**
 * The passphrase of the local network.
 *
 * @param hash of the passphrase
 * @param key the devices' tokens belong to, Base64
 */
public record StoredPassphrase(String hash, String key) {}
