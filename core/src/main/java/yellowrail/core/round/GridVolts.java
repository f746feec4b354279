package yellowrail.core.round;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.idle.Contradiction;
import yellowrail.core.idle.Contradiction.Code;
import yellowrail.core.idle.IdleQuestion;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.TubeModel;
import yellowrail.core.tube.TubeModels;
import yellowrail.core.tube.TubeType;

/**
 * Whether the volts between grid and cathode can go with the current that was read: a confirmed reading that cannot be so is
 * no ground for an all-clear. Where a type has curves, they tell where its grid stands at these volts and this current, over
 * the spread of tubes and three times the bands of model and readings.
 */
final class GridVolts {
    /** Cathodes of two tubes of one type at one current differ by less, as a share of the lower. */
    private static final double CATHODES_ALIKE = 0.4;
    /** A tube that is biased further off draws less than this share of the other's current. */
    private static final double LESS_CURRENT = 0.9;

    private final AmpDescription amp;
    private final RoundReadings readings;
    private final List<Contradiction> contradictions = new ArrayList<>();
    private final Map<String, String> weak = new TreeMap<>();

    private GridVolts(AmpDescription amp, RoundReadings readings) {
        this.amp = amp;
        this.readings = readings;
    }

    /**
     * What was found.
     *
     * @param weak sockets whose tube draws its current only at a grid less negative than any new tube's, with a sentence
     */
    record Found(List<Contradiction> contradictions, Map<String, String> weak) {}

    static Found of(AmpDescription amp, RoundReadings readings, List<SocketAnswer> sockets) {
        GridVolts found = new GridVolts(amp, readings);
        found.node();
        sockets.stream()
                .filter(s -> s.seenAlone()
                        && s.answer().plateAmperes().filter(i -> i.value() > 0).isPresent()
                        && s.answer().plateToCathodeVolts().isPresent())
                .forEach(found::socket);
        found.cathodes(sockets);
        return new Found(List.copyOf(found.contradictions), Map.copyOf(found.weak));
    }

    /** A bias supply stands below the chassis. */
    private void node() {
        readings.biasNode()
                .filter(v -> v.value() > readings.meter().limit(v))
                .ifPresent(v -> contradictions.add(new Contradiction(
                        Code.GRID_VOLTS,
                        "",
                        "The bias node is stored as " + v.echo()
                                + ", above the chassis: a bias supply stands below it. Is"
                                + " the sign missing, or is it another node? Read it again.")));
    }

    private void socket(SocketAnswer socket) {
        Optional<Typed> read =
                Optional.ofNullable(readings.grid().get(socket.socket().name()));
        if (read.isEmpty() || amp.bias().scheme() == BiasScheme.CATHODE) {
            return;
        }
        Typed grid = read.get();
        Optional<Typed> cathode = socket.question().plate().cathodeVolts();
        double error = readings.meter().limit(grid);
        if (!positive(socket, grid, error)) {
            double volts = grid.value() - cathode.map(Typed::value).orElse(0.0);
            double both = error + cathode.map(readings.meter()::limit).orElse(0.0);
            range(socket).ifPresent(range -> beside(socket, volts, both, range));
        }
    }

    /** With a grid at the chassis or above it no tube of an output stage idles inside its rating. */
    private boolean positive(SocketAnswer socket, Typed grid, double error) {
        boolean inside = socket.answer().share().filter(s -> s.value() <= 1).isPresent();
        if (amp.bias().scheme() == BiasScheme.MIXED || grid.value() < -error || !inside) {
            return false;
        }
        contradictions.add(new Contradiction(
                Code.GRID_VOLTS,
                socket.socket().name(),
                "The grid of " + socket.socket().name() + " is stored as " + grid.echo() + " beside an idle of "
                        + Show.fixed(100 * socket.answer().share().orElseThrow().value(), 0)
                        + " %: with its grid there the tube would draw many times this current. Is the sign missing? Read"
                        + " grid and current again."));
        return true;
    }

    /** Grid from cathode, V: from the strongest new tube to the weakest. */
    private record Range(String type, double coldest, double hottest) {}

    private Optional<Range> range(SocketAnswer socket) {
        IdleQuestion question = socket.question();
        Optional<TubeType> type = question.stage().type().filter(t -> !t.own());
        Optional<TubeModel> model = type.flatMap(t -> TubeModels.of(t.designation()));
        Optional<ModelTrust> trust = type.flatMap(t -> ModelTrust.of(t.designation()));
        if (model.isEmpty() || trust.isEmpty()) {
            return Optional.empty();
        }
        double plate = socket.answer().plateToCathodeVolts().orElseThrow().value();
        Estimate current = socket.answer().plateAmperes().orElseThrow();
        double cathode = question.plate().cathodeVolts().map(Typed::value).orElse(0.0);
        Optional<Double> read = question.stage().connection() == Connection.PENTODE
                ? question.screenVolts().map(v -> v.value() - cathode)
                : Optional.of(plate);
        double high = read.orElse(plate);
        double low = read.orElse(ModelTrust.LEAST_SCREEN * plate);
        ModelTrust.Bands bands = trust.get().bands(plate, high);
        if (!bands.hold() || !(low > 0)) {
            return Optional.empty();
        }
        double strength = 1 + ModelTrust.SPREAD + 3 * (bands.plate() + current.likely() / current.value());
        return Optional.of(new Range(
                type.get().designation(),
                model.get().gridVolts(plate, high, current.value() / strength),
                model.get().gridVolts(plate, low, current.value() * strength)));
    }

    private void beside(SocketAnswer socket, double volts, double error, Range range) {
        String name = socket.socket().name();
        String where = Show.fixed(volts, 1) + " V between grid and cathode of " + name + " at "
                + Show.si(socket.answer().plateAmperes().orElseThrow().value(), Unit.AMPERE, 3)
                + ": with these volts the " + range.type() + " has " + Show.fixed(range.coldest(), 1) + " to "
                + Show.fixed(Math.min(0, range.hottest()), 1)
                + " V there, over the spread of new tubes and three bands of model and readings.";
        if (volts < range.coldest() - error) {
            contradictions.add(new Contradiction(
                    Code.GRID_VOLTS,
                    name,
                    where
                            + " So negative, it could not draw this current: one of the readings is wrong, or the type is."
                            + " Read them again."));
        } else if (volts > range.hottest() + error) {
            weak.put(
                    name,
                    where
                            + " Less negative, it is a weak tube, or a grid that draws current. Read it once more to be sure"
                            + " of it.");
        }
    }

    /** Of two tubes of one type the one whose cathode stands far higher draws less. */
    private void cathodes(List<SocketAnswer> sockets) {
        for (SocketAnswer one : sockets) {
            for (SocketAnswer other : sockets) {
                Typed low = readings.cathode().get(one.socket().name());
                Typed high = readings.cathode().get(other.socket().name());
                boolean alike = one.socket().tubeType().equals(other.socket().tubeType())
                        && one.seenAlone()
                        && other.seenAlone()
                        && asMuch(one, other);
                if (low != null
                        && high != null
                        && alike
                        && low.value() > 0
                        && high.value() - low.value()
                                > CATHODES_ALIKE * low.value()
                                        + readings.meter().limit(low)
                                        + readings.meter().limit(high)) {
                    contradictions.add(new Contradiction(
                            Code.CATHODE_VOLTS,
                            other.socket().name(),
                            "The cathodes of " + one.socket().name() + " and "
                                    + other.socket().name() + " stand at "
                                    + low.echo() + " and " + high.echo()
                                    + ", and the second draws as much: tubes of one type cannot. Read both again."));
                }
            }
        }
    }

    private static boolean asMuch(SocketAnswer one, SocketAnswer other) {
        Optional<Double> a = one.answer().plateAmperes().map(Estimate::value);
        Optional<Double> b = other.answer().plateAmperes().map(Estimate::value);
        return a.isPresent() && b.isPresent() && b.get() >= LESS_CURRENT * a.get();
    }
}
