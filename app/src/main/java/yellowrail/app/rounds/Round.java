package yellowrail.app.rounds;

import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import yellowrail.app.amps.Amp;
import yellowrail.core.reading.MeterText;
import yellowrail.core.reading.Pairing;
import yellowrail.core.reading.Typed;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.round.RoundCheck;
import yellowrail.core.round.RoundReadings;
import yellowrail.core.round.RoundState;
import yellowrail.core.target.Target;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.TubeType;

/**
 * A stored round with the description and the tube types it was taken with.
 *
 * @param readings every reading, superseded ones included, in order
 */
public record Round(
        UUID id,
        Amp amp,
        OffsetDateTime takenAt,
        RoundState state,
        Map<String, TubeType> types,
        String note,
        List<Reading> readings) {
    /** The readings that hold: those no other one supersedes. */
    public List<Reading> holding() {
        Set<UUID> superseded = new HashSet<>();
        readings.stream().filter(r -> r.supersedes() != null).forEach(r -> superseded.add(r.supersedes()));
        return readings.stream().filter(r -> !superseded.contains(r.id())).toList();
    }

    /** The value that holds for a quantity at a point. */
    public Optional<Reading> holding(Quantity quantity, String point) {
        return holding().stream()
                .filter(r -> r.quantity() == quantity && r.point().equals(point))
                .findFirst();
    }

    /** The round judged, with today's formulas and target windows. */
    public RoundAnswer judged(List<Window> windows) {
        Optional<Target> target = amp.description().judging().target().equals(Target.MakersFigure.NAME)
                ? makersFigure()
                : windows.stream()
                        .filter(w -> w.name().equals(amp.description().judging().target()))
                        .map(w -> (Target) w)
                        .findFirst();
        return RoundCheck.check(amp.description(), types, asRead(), target, windows);
    }

    private Optional<Target> makersFigure() {
        return MeterText.understand(
                        amp.description().judging().makersFigure(),
                        amp.description().groups().get(0).method().field())
                .value()
                .map(Target.MakersFigure::new);
    }

    private RoundReadings asRead() {
        return new RoundReadings(
                        state.meter(),
                        state.reference(),
                        holding(Quantity.MAINS, "").map(Reading::value),
                        state.limiter().yes(),
                        state.reduced().yes(),
                        state.apart().yes() ? Pairing.apart() : Pairing.together(),
                        state.spread(),
                        byPoint(Quantity.CURRENT),
                        byPoint(Quantity.INDIVIDUAL),
                        byPoint(Quantity.PLATE),
                        byPoint(Quantity.CATHODE),
                        byPoint(Quantity.SCREEN),
                        byPoint(Quantity.SCREEN_DROP),
                        holding(Quantity.CHOKE, "").map(Reading::typed),
                        Map.of())
                .grids(byPoint(Quantity.GRID), holding(Quantity.BIAS_NODE, "").map(Reading::typed));
    }

    private Map<String, Typed> byPoint(Quantity quantity) {
        Map<String, Typed> values = new HashMap<>();
        holding().stream().filter(r -> r.quantity() == quantity).forEach(r -> values.put(r.point(), r.typed()));
        return values;
    }
}
