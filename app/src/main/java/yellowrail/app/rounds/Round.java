package yellowrail.app.rounds;

import java.time.OffsetDateTime;
import java.util.DoubleSummaryStatistics;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import yellowrail.app.amps.Amp;
import yellowrail.app.store.StoredTurns;
import yellowrail.core.reading.MeterText;
import yellowrail.core.reading.Pairing;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
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
 * @param turns how its positions were read by turns; empty when all were read in one power-on
 */
public record Round(
        UUID id,
        Amp amp,
        OffsetDateTime takenAt,
        RoundState state,
        Map<String, TubeType> types,
        String note,
        List<Reading> readings,
        Optional<StoredTurns> turns) {
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

    /** Mains as it was read, in words; by turns from the lowest to the highest. */
    public String mains() {
        if (turns.isEmpty()) {
            return holding(Quantity.MAINS, "").map(Reading::echo).orElse("not recorded");
        }
        DoubleSummaryStatistics read = turns.get().positions().values().stream()
                .flatMap(p -> p.mains().stream())
                .mapToDouble(m -> m)
                .summaryStatistics();
        return read.getCount() == 0
                ? "not recorded"
                : read.getMin() == read.getMax()
                        ? Show.si(read.getMin(), Unit.VOLT, 4)
                        : Show.siPlain(read.getMin(), Unit.VOLT, 4) + " to "
                                + Show.siPlain(read.getMax(), Unit.VOLT, 4);
    }

    /** Mains beside a socket, V; empty where it was not read with it. */
    public Optional<Double> mainsOf(String socket) {
        return turns.isPresent()
                ? Optional.ofNullable(turns.get().positions().get(socket)).flatMap(StoredTurns.PowerOn::mains)
                : holding(Quantity.MAINS, "").map(Reading::value);
    }

    private RoundReadings asRead() {
        RoundReadings together = readTogether();
        return turns.map(t -> together.byTurns(new RoundReadings.Turns(
                        t.positions().entrySet().stream()
                                .filter(p -> p.getValue().mains().isPresent())
                                .collect(Collectors.toMap(
                                        Map.Entry::getKey,
                                        p -> p.getValue().mains().get())),
                        t.drift())))
                .orElse(together);
    }

    private RoundReadings readTogether() {
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
