package yellowrail.core.tube;

import java.util.Optional;
import yellowrail.core.reading.Unit;

/** A limit that a publication may give. */
public sealed interface PublishedLimit permits Limit, DriveLimit, OtherLimit {
    /** How it stands in a publication. */
    Printed printed();

    /** What it limits. */
    default String words() {
        return printed().words();
    }

    /** Its name beside a figure. */
    default String label() {
        return words();
    }

    /** What it means that a publication gives no figure, as a field says it. */
    default String blank() {
        return "unknown";
    }

    default Unit unit() {
        return printed().field().unit();
    }

    /** What holds of a publication, in {@link #unit}; empty when it is unknown or none is published. */
    default Optional<Figure> in(Ratings ratings) {
        return ratings.figure(this);
    }

    /** Whether it limits a screen. */
    boolean ofScreen();

    /** Whether a tube is let pass where it is not known. */
    boolean letPass();

    /** Whether a publication says nothing of it: neither a figure nor that there is none. */
    default boolean unknownIn(Ratings ratings) {
        return ratings.unknown(this);
    }
}
