package yellowrail.core.session;

import java.util.Optional;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;

/**
 * Unloaded B+ against the capacitors of its node, at the highest mains. A series pair shares the voltage.
 *
 * @param state within, over or unknown
 * @param sentence with its numbers
 */
public record Headroom(State state, String sentence) {
    /** How the volts compare with the capacitors' rating. */
    public enum State {
        WITHIN,
        OVER,
        UNKNOWN
    }

    /**
     * @param unloaded V as read
     * @param limit limit of error of that reading, V
     * @param mains as it was then
     */
    public static Headroom of(SupplyNode node, double unloaded, double limit, Mains mains) {
        if (node.nodeRatedVolts().isEmpty()) {
            return new Headroom(
                    State.UNKNOWN,
                    node.name() + ": the capacitors' rated volts are not given, so their headroom is unknown.");
        }
        double rated = node.nodeRatedVolts().get();
        Optional<Double> now = mains.now();
        double highest =
                now.map(m -> unloaded * Math.max(1, mains.highest() / m)).orElse(unloaded);
        String at = now.isPresent()
                ? Show.si(highest, Unit.VOLT, 3) + " at highest mains (" + Show.si(mains.highest(), Unit.VOLT, 3) + ")"
                : Show.si(unloaded, Unit.VOLT, 3) + " as read, mains not known";
        String share = node.series() > 1
                ? " The " + node.series() + " in series share it, " + Show.si(highest / node.series(), Unit.VOLT, 3)
                        + " each, if balancing resistors make them."
                : "";
        if (highest > rated) {
            return new Headroom(
                    State.OVER,
                    node.name() + ": " + at + " is more than the " + Show.si(rated, Unit.VOLT, 3)
                            + " its capacitors are rated for. Switch off: they can burst." + share);
        }
        if (now.isPresent() && highest * (1 + limit / unloaded) > rated) {
            return new Headroom(
                    State.UNKNOWN,
                    node.name() + ": " + at + ", and the " + Show.si(rated, Unit.VOLT, 3)
                            + " of its capacitors lie inside the meter's error." + share);
        }
        return now.isEmpty()
                ? new Headroom(
                        State.UNKNOWN,
                        node.name() + ": " + at + ", rated " + Show.si(rated, Unit.VOLT, 3)
                                + ". Read the mains to see the highest it can reach." + share)
                : new Headroom(
                        State.WITHIN,
                        node.name() + ": " + at + ", rated " + Show.si(rated, Unit.VOLT, 3) + "." + share);
    }
}
