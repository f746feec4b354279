package yellowrail.core.session;

import java.util.function.ToDoubleFunction;
import yellowrail.core.reading.Show;

/** Residual volts up to which something may be done inside an amp that is off and drained, the highest first. */
public enum DrainLimit {
    /** A hand goes in; the builder chooses the limit. */
    HANDS(Plan::handsVolts, "Hands stay out.", "it is safe to touch at %s or less. Drain it again."),
    /** A resistance is measured: more volts spoil the reading and can harm the meter. */
    OHMS(plan -> Plan.OHMS_VOLTS, "Ohms are locked.", "ohms are measured at %s or less.");

    private final ToDoubleFunction<Plan> volts;
    private final String locked;
    private final String above;

    DrainLimit(ToDoubleFunction<Plan> volts, String locked, String above) {
        this.volts = volts;
        this.locked = locked;
        this.above = above;
    }

    /** V. */
    double volts(Plan plan) {
        return volts.applyAsDouble(plan);
    }

    /** What is said where it is locked. */
    String locked() {
        return locked;
    }

    /** What is said of a node that holds more. */
    String above(Plan plan) {
        return above.formatted(Show.plain(volts(plan), 2) + " V");
    }
}
