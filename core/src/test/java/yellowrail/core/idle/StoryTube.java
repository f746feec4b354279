package yellowrail.core.idle;

import static yellowrail.core.tube.Publications.with;
import static yellowrail.core.tube.Publications.without;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Topology;
import yellowrail.core.reading.Accuracy;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.Envelope;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Publications;
import yellowrail.core.tube.RatingSystem;
import yellowrail.core.tube.ScreenShare;
import yellowrail.core.tube.TubeType;

/** Invented tube types and readings that several tests use. */
final class StoryTube {
    /** Volts ±0.8 % and ±0.5 % on drops are given by two accuracies of one meter; ohms ±1 %. */
    static final Meter EXACT = new Meter("exact", new Accuracy(0, 0), new Accuracy(0, 0), new Accuracy(0, 0));

    private StoryTube() {}

    static TubeType type(String name, double plateWatts, double sharePercent, double bandPoints) {
        return type(name, RatingSystem.DESIGN_CENTRE, plateWatts, Optional.empty(), sharePercent, bandPoints);
    }

    static TubeType type(
            String name,
            RatingSystem system,
            double plateWatts,
            Optional<Double> screenWatts,
            double sharePercent,
            double bandPoints) {
        return new TubeType(
                name,
                List.of(),
                "",
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                List.of(without(
                        with(Publications.of(system, "own", plateWatts), Limit.SCREEN_WATTS, screenWatts.orElse(null)),
                        Limit.PLATE_VOLTS,
                        Limit.SCREEN_WATTS,
                        Limit.SCREEN_VOLTS)),
                Optional.of(new ScreenShare(sharePercent / 100, bandPoints / 100)),
                Envelope.unknown(),
                Map.of(),
                "typed in",
                true);
    }

    /** The story tube: 19 W plate, screen share 6 ± 2 % of cathode current. */
    static TubeType x19() {
        return type("X19", 19, 6, 2);
    }

    static StageFacts fixedPair(TubeType type) {
        return StageFacts.of(type, Topology.PUSH_PULL, Connection.PENTODE, BiasScheme.FIXED_TRACKING);
    }

    static Typed volts(double value, double lastDigit) {
        return new Typed(value + " V", value, Unit.VOLT, lastDigit);
    }

    static Typed ohms(double value, double lastDigit) {
        return new Typed(value + " Ω", value, Unit.OHM, lastDigit);
    }

    static Typed amperes(double value, double lastDigit) {
        return new Typed(value + " A", value, Unit.AMPERE, lastDigit);
    }

    static PlateVolts toChassis(double value) {
        return PlateVolts.of(PlateVolts.Reference.CHASSIS, Optional.of(volts(value, 0.1)));
    }
}
