package yellowrail.core.session;

import yellowrail.core.reading.Typed;
import yellowrail.core.round.Quantity;

/**
 * A reading with the state it was taken in.
 *
 * @param supersedes id of the reading it corrects, or empty
 * @param late whether it arrived after something that was made after it on another device: it fills in history only
 * @param context the state of the amp then
 */
public record Taken(
        String id,
        long at,
        Quantity quantity,
        String point,
        Typed typed,
        String supersedes,
        String reason,
        Stop stop,
        boolean late,
        Context context) {
    /** Minutes since this power-on; meaningful while on. */
    public double minutesOn() {
        return (at - context.runSince()) / 60_000.0;
    }
}
