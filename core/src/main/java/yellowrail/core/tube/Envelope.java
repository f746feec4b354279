package yellowrail.core.tube;

import java.util.Optional;

/** Envelope size in millimetres; empty is unknown. */
public record Envelope(Optional<Figure> diameterMm, Optional<Figure> overallMm, Optional<Figure> seatedMm) {
    public static Envelope unknown() {
        return new Envelope(Optional.empty(), Optional.empty(), Optional.empty());
    }
}
