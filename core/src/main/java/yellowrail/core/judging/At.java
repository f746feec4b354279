package yellowrail.core.judging;

import yellowrail.core.reading.Unit;
import yellowrail.core.tube.RatingSystem;

/** The mains a limit is judged at. */
public enum At {
    /** As it stands: as read, or at the mains a stage is computed for. */
    NOW,
    /** At nominal mains, where that is higher. */
    NOMINAL,
    /** At the lowest mains, computed. */
    LOWEST,
    HIGHEST;

    /** Whether limits of this system are judged at it: at nominal mains those whose makers allowed for the line. */
    boolean judges(RatingSystem system) {
        return this != NOMINAL || system.allowsForMains();
    }

    /** What a limit of this system is multiplied by at it. */
    double allowance(RatingSystem system, Unit unit) {
        return this == HIGHEST ? system.allowanceAtHighestMains(unit) : 1;
    }
}
