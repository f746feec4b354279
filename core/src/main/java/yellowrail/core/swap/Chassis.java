package yellowrail.core.swap;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What a builder says of everything around the tubes, part by part; empty is not answered, which is never taken as good.
 *
 * @param channels channels that the same transformer feeds, each with such a stage, 1 or 2
 */
public record Chassis(int channels, Map<Class<? extends Part>, Part> parts) {
    /** What answers a criterion. */
    public interface Part {}

    public Chassis {
        if (channels != 1 && channels != 2) {
            throw new IllegalArgumentException(channels + " channels; 1 or 2");
        }
        parts = Map.copyOf(parts);
    }

    /** Of which nothing is answered. */
    public static Chassis unanswered(int channels) {
        return Criterion.unanswered().reduce(new Chassis(channels, Map.of()), Chassis::with, (one, other) -> one);
    }

    /** The same with one part answered otherwise. */
    public Chassis with(Part part) {
        Map<Class<? extends Part>, Part> all = new HashMap<>(parts);
        all.put(part.getClass(), part);
        return new Chassis(channels, all);
    }

    /** The same behind a transformer that feeds so many channels. */
    public Chassis channels(int other) {
        return new Chassis(other, parts);
    }

    /** What is answered of one kind. */
    public <P extends Part> P part(Class<P> kind) {
        return kind.cast(parts.get(kind));
    }

    /**
     * What is wired to the sockets beside the present tubes' own pins.
     *
     * @param tied pins without a function in the present tube that hold other parts; empty set for none
     * @param oneToEight whether pin 1 is wired to pin 8
     * @param oneToChassis whether pin 1 is wired to the chassis
     * @param adaptor whether adaptors are to be used between socket and tube
     * @param senseOhms from each cathode to the chassis with fixed bias, Ω; 0 for a wire
     * @param sockets how many there are in one channel; those that the present tubes are in where it is not said
     */
    public record SocketWiring(
            Optional<Set<Integer>> tied,
            Optional<Boolean> oneToEight,
            Optional<Boolean> oneToChassis,
            boolean adaptor,
            Optional<Double> senseOhms,
            Optional<Integer> sockets)
            implements Part {
        static final SocketWiring UNANSWERED = new SocketWiring(
                Optional.empty(), Optional.empty(), Optional.empty(), false, Optional.empty(), Optional.empty());

        public SocketWiring {
            tied = tied.map(Set::copyOf);
        }
    }

    /**
     * The winding of the output tubes' heaters.
     *
     * @param amperes its rating, A
     * @param others what other heaters and lamps draw from it, A
     * @param reserve share of the rating that is to stay free, 0 to 0.5
     */
    public record HeaterWinding(Optional<Double> amperes, Optional<Double> others, double reserve) implements Part {
        static final HeaterWinding UNANSWERED = new HeaterWinding(Optional.empty(), Optional.empty(), 0);

        public HeaterWinding {
            if (!(reserve >= 0 && reserve <= 0.5)) {
                throw new IllegalArgumentException("a reserve of " + 100 * reserve + " %; 0 to 50 %");
            }
        }
    }

    /**
     * The resistance from a grid to its bias supply, or to chassis.
     *
     * @param ohms leak and stopper together, Ω
     * @param tubes how many present tubes share it, 1 to 4
     */
    public record GridCircuit(Optional<Double> ohms, Optional<Integer> tubes) implements Part {
        static final GridCircuit UNANSWERED = new GridCircuit(Optional.empty(), Optional.empty());

        public GridCircuit {
            tubes.filter(t -> t < 1 || t > 4).ifPresent(t -> {
                throw new IllegalArgumentException(t + " tubes on one grid resistor; 1 to 4");
            });
        }
    }

    /**
     * The ends of the bias control as measured at the grids, V, zero or below.
     *
     * @param coldest most negative
     * @param hottest least negative
     */
    public record BiasControl(Optional<Double> coldest, Optional<Double> hottest) implements Part {
        static final BiasControl UNANSWERED = new BiasControl(Optional.empty(), Optional.empty());

        public BiasControl {
            if (coldest.isPresent() && hottest.isPresent() && coldest.get() > hottest.get()) {
                throw new IllegalArgumentException("the coldest end of the bias is the more negative one");
            }
        }
    }

    /**
     * Ratings of the parts at the cathode.
     *
     * @param resistorWatts of the resistor, W
     * @param bypassVolts of the capacitor across it, V; 0 where there is none
     */
    public record CathodeParts(Optional<Double> resistorWatts, Optional<Double> bypassVolts) implements Part {
        static final CathodeParts UNANSWERED = new CathodeParts(Optional.empty(), Optional.empty());
    }

    /**
     * The output transformer.
     *
     * @param coreAmperes direct current it is rated for, A
     * @param screenTaps whether it has taps for screens
     */
    public record Output(Optional<Double> coreAmperes, Optional<Boolean> screenTaps) implements Part {
        static final Output UNANSWERED = new Output(Optional.empty(), Optional.empty());
    }

    /**
     * What feeds the plates, DC behind the rectifier.
     *
     * @param windingAmperes that may be drawn from winding and rectifier, the lower of the two, A
     * @param chokeAmperes rating of a choke that carries it, A; 0 where there is none
     * @param otherAmperes what everything else draws from it, A
     */
    public record HighTension(
            Optional<Double> windingAmperes, Optional<Double> chokeAmperes, Optional<Double> otherAmperes)
            implements Part {
        static final HighTension UNANSWERED = new HighTension(Optional.empty(), Optional.empty(), Optional.empty());
    }

    /**
     * The rectifier.
     *
     * @param now the one that is fitted
     * @param then another that is to be fitted
     * @param firstFarads the capacitor right behind it, F
     * @param firstVolts what that capacitor is rated for, V
     * @param windingOhms of one half of the winding, from its end to its centre, Ω
     */
    public record Rectification(
            Optional<Rectifier> now,
            Optional<Rectifier> then,
            Optional<Double> firstFarads,
            Optional<Double> firstVolts,
            Optional<Double> windingOhms)
            implements Part {
        /** Of which nothing is told: it is then not judged by itself. */
        public static final Rectification UNTOLD = new Rectification(
                Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty(), Optional.empty());

        /** The one that would feed the candidates. */
        Optional<Rectifier> used() {
            return then.or(() -> now);
        }

        /** How much the source resistance of the supply changes, Ω; none where it is not known of both. */
        double ohmsMore() {
            return then.flatMap(t ->
                            now.flatMap(n -> t.ohms().flatMap(b -> n.ohms().map(a -> b - a))))
                    .orElse(0.0);
        }
    }

    /**
     * Each tube's resistor at its screen.
     *
     * @param watts what the weakest is rated for, W
     */
    public record ScreenParts(Optional<Double> watts) implements Part {
        static final ScreenParts UNANSWERED = new ScreenParts(Optional.empty());
    }

    /**
     * Room for each tube.
     *
     * @param diameterMm to its neighbours, cage and clamp, mm
     * @param heightMm above the socket, mm
     * @param tried whether such a tube was held in place, on its adaptor if there is one, and fits with air around it
     */
    public record Room(Optional<Double> diameterMm, Optional<Double> heightMm, Optional<Boolean> tried)
            implements Part {
        static final Room UNANSWERED = new Room(Optional.empty(), Optional.empty(), Optional.empty());
    }
}
