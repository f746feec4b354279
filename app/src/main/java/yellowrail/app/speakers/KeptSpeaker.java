package yellowrail.app.speakers;

import java.util.UUID;
import yellowrail.core.load.Speaker;

/**
 * A speaker that is kept.
 *
 * @param name the word that stands for it in a wiring
 */
public record KeptSpeaker(UUID id, String name, Speaker.Measured speaker) {}
