package yellowrail.app.amps;

import java.util.UUID;
import yellowrail.core.amp.AmpDescription;

/** An amp in one version of its description. */
public record Amp(UUID id, int version, AmpDescription description) {}
