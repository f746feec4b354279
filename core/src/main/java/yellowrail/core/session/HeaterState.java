package yellowrail.core.session;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;

/**
 * Heater volts as read in this power-on, with the mains read nearest in order.
 *
 * @param reading the reading
 * @param mains the mains paired with it; empty when it was not read
 * @param check as read
 * @param raised what it becomes at highest mains, an estimate; empty when that is not known
 */
public record HeaterState(
        RecordedReading reading, Optional<RecordedReading> mains, HeaterCheck check, Optional<HeaterCheck> raised) {
    /** Of every heater reading that holds, loaded or not. */
    public static List<HeaterState> all(Session session, SessionAssessment judged) {
        Optional<Double> nominal = nominal(session, judged);
        return session.holding().stream()
                .filter(r -> r.quantity() == Quantity.HEATER || r.quantity() == Quantity.HEATER_UNLOADED)
                .map(r -> of(session, r, nominal))
                .toList();
    }

    /** The newest loaded reading, whichever power-on it was read in: heaters are not better for being read no more. */
    static Optional<HeaterState> newest(Session session, SessionAssessment judged) {
        return all(session, judged).stream()
                .filter(h -> h.reading().quantity() == Quantity.HEATER)
                .reduce((a, b) -> b);
    }

    private static HeaterState of(Session session, RecordedReading reading, Optional<Double> nominal) {
        boolean loaded = reading.quantity() == Quantity.HEATER;
        Optional<RecordedReading> mains = mainsNear(session, reading);
        double highest = session.plan().amp().mains().highest();
        return new HeaterState(
                reading,
                mains,
                HeaterCheck.of(
                        reading.typed().value(),
                        loaded,
                        nominal,
                        session.plan().heaterAmber(),
                        session.plan().heaterRed()),
                loaded
                        ? mains.flatMap(m -> HeaterCheck.raised(
                                reading.typed().value(),
                                nominal,
                                highest / m.typed().value()))
                        : Optional.empty());
    }

    /** The winding's volts as described, else what every type of the amp wants. */
    private static Optional<Double> nominal(Session session, SessionAssessment judged) {
        return session.plan().amp().supply().windings().heater().volts().or(() -> {
            List<Double> volts = session.amp().sockets().stream()
                    .map(s -> judged.heaterVolts(s.tubeType()))
                    .flatMap(Optional::stream)
                    .distinct()
                    .toList();
            return volts.size() == 1 ? Optional.of(volts.get(0)) : Optional.empty();
        });
    }

    /** The last one before the reading, else the first one after it. */
    public static Optional<RecordedReading> mainsNear(Session session, RecordedReading reading) {
        List<RecordedReading> mains = session.holding().stream()
                .filter(r -> r.quantity() == Quantity.MAINS
                        && r.context().run() == reading.context().run())
                .sorted(Comparator.comparingLong(RecordedReading::at))
                .toList();
        return mains.stream()
                .filter(r -> r.at() <= reading.at())
                .reduce((a, b) -> b)
                .or(() -> mains.stream().findFirst());
    }

    /** At which mains, for people. */
    public String at() {
        return mains.map(m -> "At " + m.typed().echo() + " mains: ").orElse("Mains not recorded: ");
    }

    /** The estimate at highest mains, for people. */
    public Optional<String> raisedSentence(double highest) {
        return raised.map(r -> "At " + Show.si(highest, Unit.VOLT, 3) + " mains, estimated: " + r.sentence());
    }
}
