package yellowrail.app.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Session;
import yellowrail.core.session.Stop;

/** The cautions of each stop, one sentence each, with this amp's own volts in them. */
final class Cautions {
    private Cautions() {}

    static List<String> of(Session session) {
        String volts =
                volts(session).map(v -> "about " + Show.si(v, Unit.VOLT, 3)).orElse("several hundred volts");
        List<String> cautions = new ArrayList<>();
        switch (session.here()) {
            case BEFORE_POWER -> {
                cautions.add("The supply can hold " + volts
                        + " after switching off, until it is drained and read: that kills.");
                cautions.add(
                        "Off is the mains switch and the plug. Standby is not off, and a variable transformer does not"
                                + " isolate.");
            }
            case DRAINED -> {
                cautions.add(
                        "Drain through a resistor with an insulated clip, never with metal, and leave the clip on.");
                cautions.add("Waiting proves nothing: a bleed path that failed leaves " + volts + " there for hours.");
            }
            case TUBES_OUT -> {
                cautions.add(
                        "Without the output tubes B+ rises above its loaded value: leads, clips and capacitors must stand "
                                + volts + " and more.");
                cautions.add("One hand inside, the black lead clipped on first.");
            }
            case TUBES_IN -> {
                cautions.add("Hot glass burns and cracks: wait or use a glove, line up the key, force nothing.");
                cautions.add("Stay at the bench for the first minutes. A plate that glows red means power off first.");
            }
            case MAINS ->
                cautions.add("Mains and heater volts are AC: set the meter before the probe touches, and keep clear of "
                        + volts + " beside the heater pins.");
            case WARM_UP ->
                cautions.add("Do not leave the bench while it warms up; look at the plates, not only at the meter.");
            case MEASURE -> {
                cautions.add(
                        Character.toUpperCase(volts.charAt(0)) + volts.substring(1)
                                + " is on the plate and screen pins. One hand in your pocket, black lead first, stop if a plate glows.");
                cautions.add(
                        "Turn with an insulated tool in the right hole, the meter in sight, never toward the hottest end.");
            }
            case SOAK ->
                cautions.add(
                        "A current that creeps does not wait: do not leave the amp alone until every position is steady.");
            case PLAY ->
                cautions.add("Never open the load with a signal on it, and keep loud tests short: speakers and ears.");
            case CLOSE ->
                cautions.add(
                        "The supply can hold " + volts + " again: drain and read every node before a hand goes in.");
            case SIGN_OFF ->
                cautions.add("The application cannot see the amplifier. Local electrical codes apply; whoever is not"
                        + " trained asks a qualified technician.");
        }
        return cautions;
    }

    /** The highest voltage known of this amp: read unloaded, read at a plate, or what its capacitors are rated for. */
    static Optional<Double> volts(Session session) {
        return session.holding().stream()
                .filter(r -> r.quantity() == Quantity.UNLOADED || r.quantity() == Quantity.PLATE)
                .map(r -> r.typed().value())
                .max(Double::compare)
                .or(() -> session.nodes().stream()
                        .flatMap(n -> n.nodeRatedVolts().stream())
                        .max(Double::compare));
    }

    static boolean emergencyBelongs(Session session, long now) {
        Stop here = session.here();
        return here.powered() || session.power(now).on();
    }

    static Optional<SupplyNode> node(Session session, String name) {
        return session.nodes().stream().filter(n -> n.name().equals(name)).findFirst();
    }
}
