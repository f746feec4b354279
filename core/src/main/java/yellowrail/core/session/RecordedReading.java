package yellowrail.core.session;

import yellowrail.core.reading.Typed;
import yellowrail.core.round.Point;
import yellowrail.core.round.Quantity;

/**
 * A reading with the state it was taken in.
 *
 * @param supersedes id of the reading it corrects, or empty
 * @param late whether it arrived after something that was made after it on another device: it fills in history only
 * @param context the state of the amp then
 */
public record RecordedReading(
        String id,
        long at,
        Quantity quantity,
        Point point,
        Typed typed,
        String supersedes,
        String reason,
        Stop stop,
        boolean late,
        Context context) {
    /** What it is a reading of: quantity and point, in words. */
    public String words() {
        return quantity.words() + (point.name().isEmpty() ? "" : " " + point.name());
    }

    /** Whether it is a reading of this quantity at this point. */
    public boolean isOf(Quantity other, String name) {
        return quantity == other && point.name().equals(name);
    }

    /** Whether another is a reading of the same quantity at the same point. */
    public boolean sameAs(RecordedReading other) {
        return quantity == other.quantity && point.equals(other.point);
    }

    /** Minutes since this power-on; meaningful while on. */
    public double minutesOn() {
        return (at - context.runSince()) / 60_000.0;
    }
}
