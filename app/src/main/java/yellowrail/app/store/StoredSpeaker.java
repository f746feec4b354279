package yellowrail.app.store;

import java.util.Optional;

/**
 * A speaker whose impedance was measured.
 *
 * @param markedOhms what it is marked with, Ω
 * @param curve the curve's text as it was given
 */
public record StoredSpeaker(Optional<Double> markedOhms, String curve) {}
