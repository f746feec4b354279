package yellowrail.app.rounds;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.app.forms.FieldErrors;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.idle.Slip;
import yellowrail.core.idle.Slips;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Typed;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.round.SocketAnswer;

/** Asks about the readings of a round that are far from what they usually are, before it is stored. */
final class RoundSlips {
    private final AmpDescription amp;
    private final List<Reading> readings;
    private final List<String> confirmed;
    private final FieldErrors complaints;

    private RoundSlips(AmpDescription amp, List<Reading> readings, List<String> confirmed, FieldErrors complaints) {
        this.amp = amp;
        this.readings = readings;
        this.confirmed = confirmed;
        this.complaints = complaints;
    }

    /**
     * @param answer the round judged as it would be stored
     * @param confirmed keys of the readings whose unusual values are right
     */
    static void ask(
            AmpDescription amp,
            List<Reading> readings,
            RoundAnswer answer,
            List<String> confirmed,
            FieldErrors complaints) {
        RoundSlips slips = new RoundSlips(amp, readings, confirmed, complaints);
        answer.sockets().forEach(slips::ofSocket);
        readings.forEach(slips::alone);
    }

    private void ofSocket(SocketAnswer socket) {
        String name = socket.socket().name();
        String group = amp.groupOf(name).name();
        for (Slip slip : socket.answer().slips()) {
            if (slip.asks()) {
                String key = switch (slip.about()) {
                    case PLATE_VOLTS -> RoundForm.key(Quantity.PLATE, socket.voltsFrom());
                    case SCREEN_VOLTS -> RoundForm.key(Quantity.SCREEN, name);
                    case MAINS -> RoundForm.key(Quantity.MAINS, "");
                    default ->
                        typed(Quantity.INDIVIDUAL, name)
                                .map(t -> RoundForm.key(Quantity.INDIVIDUAL, name))
                                .orElse(RoundForm.key(Quantity.CURRENT, group));
                };
                ask(key, slip);
            }
        }
    }

    /** What a reading alone asks: its sign, its range, and its neighbours of the same kind. */
    private void alone(Reading reading) {
        Typed typed = reading.typed();
        Field field = RoundReader.field(amp, reading.quantity(), reading.point());
        String key = RoundForm.key(reading.quantity(), reading.point());
        Slip.About about = about(reading.quantity());
        Optional<Slip> slip = switch (reading.quantity()) {
            case GRID, BIAS_NODE -> Slips.gridVolts(typed, Slip.About.GRID_VOLTS);
            default -> Optional.empty();
        };
        slip.or(() -> Slips.range(about, typed, field))
                .or(() -> beside(reading, about))
                .ifPresent(s -> ask(key, s));
    }

    private Optional<Slip> beside(Reading reading, Slip.About about) {
        boolean alike = reading.quantity() == Quantity.PLATE
                || reading.quantity() == Quantity.SCREEN
                || reading.quantity() == Quantity.GRID;
        if (!alike) {
            return Optional.empty();
        }
        return readings.stream()
                .filter(r -> r.quantity() == reading.quantity()
                        && !r.point().equals(reading.point())
                        // The odd one out is asked about, not its neighbour.
                        && Math.abs(r.value()) > Math.abs(reading.value()))
                .findFirst()
                .flatMap(r -> Slips.besides(about, reading.typed(), r.typed(), "at " + r.point()));
    }

    static Slip.About about(Quantity quantity) {
        return Map.of(
                        Quantity.CURRENT, Slip.About.READING,
                        Quantity.INDIVIDUAL, Slip.About.READING,
                        Quantity.PLATE, Slip.About.PLATE_VOLTS,
                        Quantity.SCREEN, Slip.About.SCREEN_VOLTS,
                        Quantity.CATHODE, Slip.About.CATHODE_VOLTS,
                        Quantity.GRID, Slip.About.GRID_VOLTS,
                        Quantity.MAINS, Slip.About.MAINS)
                .getOrDefault(quantity, Slip.About.OTHER);
    }

    private Optional<Reading> typed(Quantity quantity, String point) {
        return readings.stream()
                .filter(r -> r.quantity() == quantity && r.point().equals(point))
                .findFirst();
    }

    private void ask(String key, Slip slip) {
        if (!confirmed.contains(key)) {
            complaints.ask(key, slip);
        }
    }
}
