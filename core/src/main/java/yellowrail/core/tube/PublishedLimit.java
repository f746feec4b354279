package yellowrail.core.tube;

import java.util.Optional;
import yellowrail.core.reading.Unit;

/** A limit that a publication may give. */
public sealed interface PublishedLimit permits Limit, DriveLimit {
    /** What it limits. */
    String words();

    Unit unit();

    /** Its figure in a publication, in {@link #unit}; empty when it is unknown or none is published. */
    Optional<Figure> in(Ratings ratings);

    /** Whether it limits a screen. */
    boolean ofScreen();

    /** Whether a tube is let pass where it is not known. */
    boolean letPass();

    /** Whether a publication says nothing of it: neither a figure nor that there is none. */
    boolean unknownIn(Ratings ratings);
}
