package yellowrail.core.adjust;

import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.DoubleStream;
import yellowrail.core.idle.Formula;
import yellowrail.core.idle.SupplySoftness;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;

/**
 * The cathode resistor for another idle: {@code Vk' = Vk − ΔI/gm}, {@code R' = Vk'/(N·I')}. Cathode volts do not stay
 * where they were: the value at constant Vk is only the outer bound. A value is chosen only where the idle it leads to is
 * accepted, with the gm and the tolerance that make it hottest.
 *
 * @param ohms estimate, Ω; empty when the transconductance is not known
 * @param low with gm 30 % above, Ω
 * @param high with gm 30 % below, Ω
 * @param constantVolts Ω if Vk stayed, the outer bound
 * @param nowOhms what the present readings make of the fitted one, Ω
 * @param cathodeVolts expected with the chosen one, V; with the estimate where none is
 * @param idleWatts heat in the resistor at idle, W
 * @param ratingWatts rating to choose, W: three times idle, or twice the measured heat at full drive if that is more
 * @param bypassVolts least voltage rating of a bypass capacitor, V
 * @param e12 value of the coarse series that is accepted, Ω; empty where none near the estimate is
 * @param e24 of the usual series, Ω
 * @param e96 of the fine series, Ω
 * @param chosen the one to fit: of the first of the usual, coarse and fine series that has one, Ω
 * @param shareThere plate dissipation expected over the present one with the chosen resistor; 1 where none is chosen
 */
public record CathodeFit(
        Optional<Double> ohms,
        double low,
        double high,
        double constantVolts,
        double nowOhms,
        double cathodeVolts,
        double idleWatts,
        double ratingWatts,
        double bypassVolts,
        Optional<Double> e12,
        Optional<Double> e24,
        Optional<Double> e96,
        Optional<Double> chosen,
        double shareThere,
        List<Formula> formulas) {
    /** Driven over idle cathode volts when full drive was not measured: the largest seen in solved stages, rounded up. */
    private static final double DRIVEN = 1.3;

    private static final double[] RATINGS = {0.5, 1, 2, 3, 5, 7, 10, 15, 20, 25, 50};

    private static final double GM_SPREAD = 0.3;

    /** Tolerance of the coarse and the usual series, share. */
    private static final double USUAL = 0.05;
    /** Of the fine series. */
    private static final double FINE = 0.01;

    /** At one grid voltage from the cathode currents follow the volts of plates and screens with this exponent. */
    private static final double FOLLOWS = 1.4;

    /** Present currents are multiplied by less. */
    private static final double MOST = 20;

    private static final int STEPS = 50;
    /** Finer than the finest series. */
    private static final double STEP = 1.004;

    private static final double LEAST_SUPPLY = 0.3;

    /** Turned colder, a preferred value is taken from the estimate up to so many times it: further it is another idle. */
    private static final double FURTHEST = 2;
    /** A value nearer than this to the fitted one changes nothing, share. */
    private static final double CHANGES = 0.02;

    public CathodeFit {
        formulas = List.copyOf(formulas);
    }

    /**
     * What was read and what is wanted.
     *
     * @param tubes on the resistor
     * @param cathodeVolts V
     * @param eachNow mean cathode current of those tubes, A
     * @param eachWanted the same as wanted, A
     * @param plateVolts to cathode, V
     * @param driven highest cathode volts measured at full drive, V; empty when not
     */
    public record Wish(
            int tubes,
            double cathodeVolts,
            double eachNow,
            double eachWanted,
            double plateVolts,
            Optional<Double> driven) {
        public Wish {
            if (tubes < 1 || !(cathodeVolts > 0) || !(eachNow > 0) || !(eachWanted > 0) || !(plateVolts > 0)) {
                throw new IllegalArgumentException("a cathode resistor needs tubes, volts and currents above zero");
            }
        }
    }

    /** Says whether an idle may be: every limit of every tube on the resistor. */
    @FunctionalInterface
    public interface Accepts {
        /** @param times the present current and plate dissipation of every tube, each as a factor */
        boolean test(Times times);
    }

    /**
     * What a change makes of the present idle.
     *
     * @param current of the present cathode current
     * @param watts of the present plate dissipation
     */
    public record Times(double current, double watts) {}

    /**
     * @param wish cathode volts V and currents of each tube A, now and wanted
     * @param gm transconductance of one tube with respect to its cathode current, A/V; empty when not known
     */
    public static CathodeFit of(Wish wish, Optional<Double> gm, Accepts accepts) {
        return of(wish, gm, gm.map(g -> g * (1 - GM_SPREAD)), gm.map(g -> g * (1 + GM_SPREAD)), accepts);
    }

    /** The same with the builder's own bounds for gm. */
    public static CathodeFit of(
            Wish wish, Optional<Double> gm, Optional<Double> gmLow, Optional<Double> gmHigh, Accepts accepts) {
        double constant = wish.cathodeVolts() / (wish.tubes() * wish.eachWanted());
        double a = gmLow.map(g -> ohms(wish, g)).orElse(constant);
        double b = gmHigh.map(g -> ohms(wish, g)).orElse(constant);
        Optional<Double> ohms = gm.map(g -> ohms(wish, g));
        Choice choice = new Choice(wish, gm, gmLow, gmHigh, accepts);
        Optional<Double> e24 = choice.near(ohms, Preferred::nearestE24, USUAL);
        Optional<Double> e12 = choice.near(ohms, Preferred::nearestE12, USUAL);
        Optional<Double> e96 = choice.near(ohms, Preferred::nearestE96, FINE);
        Optional<Double> chosen = e24.or(() -> e12).or(() -> e96);
        double taken = chosen.or(() -> ohms).orElse(constant);
        double volts = gm.map(g -> taken * wish.tubes() * wish.eachNow() * current(wish, taken, g))
                .orElse(wish.cathodeVolts());
        double watts = volts * volts / taken;
        double driven = wish.driven().orElse(volts * DRIVEN);
        double need =
                Math.max(3 * watts, wish.driven().map(v -> 2 * v * v / taken).orElse(0.0));
        double rating = need;
        for (double r : RATINGS) {
            if (r >= need) {
                rating = r;
                break;
            }
        }
        return new CathodeFit(
                ohms,
                Math.min(a, b),
                Math.max(a, b),
                constant,
                wish.cathodeVolts() / (wish.tubes() * wish.eachNow()),
                volts,
                watts,
                rating,
                1.5 * driven,
                e12,
                e24,
                e96,
                chosen,
                chosen.flatMap(r -> gm.map(g ->
                                times(wish, r, g, SupplySoftness.SILICON_SAG).watts()))
                        .orElse(1.0),
                List.of(new Formula(
                        "Cathode resistor",
                        "R' = (Vk − ΔI/gm) / (N·I')",
                        "(" + Show.si(wish.cathodeVolts(), Unit.VOLT) + " − ("
                                + Show.si(wish.eachWanted() - wish.eachNow(), Unit.AMPERE, 3) + ") / "
                                + gm.map(g -> Show.significant(1000 * g, 3) + " mA/V")
                                        .orElse("?") + ") / ("
                                + wish.tubes() + " · " + Show.si(wish.eachWanted(), Unit.AMPERE, 3) + ")",
                        ohms.map(o -> Show.si(o, Unit.OHM, 3)).orElse("gm not known: no estimate"))));
    }

    /** How good the chosen resistor has to be, share. */
    public double tolerance() {
        return e24.isPresent() || e12.isPresent() ? USUAL : FINE;
    }

    /** How many times its present ohms the chosen resistor has. */
    public Optional<Double> times() {
        return chosen.map(r -> r / nowOhms);
    }

    private static double ohms(Wish wish, double gm) {
        double volts =
                Math.max(0.1 * wish.cathodeVolts(), wish.cathodeVolts() - (wish.eachWanted() - wish.eachNow()) / gm);
        return volts / (wish.tubes() * wish.eachWanted());
    }

    /** Current with a resistor, over the present one: where {@code N·R·I' = Vk + (I − I')/gm}. */
    private static double current(Wish wish, double ohms, double gm) {
        return (wish.cathodeVolts() + wish.eachNow() / gm) / (wish.tubes() * ohms + 1 / gm) / wish.eachNow();
    }

    /**
     * What a resistor makes of the idle behind a supply: with less current B+ rises, and currents with it.
     *
     * @param sag share of B+ that the present current costs
     */
    private static Times times(Wish wish, double ohms, double gm, double sag) {
        double low = 0;
        double high = MOST;
        for (int i = 0; i < STEPS; i++) {
            double current = (low + high) / 2;
            double volts = ohms * wish.tubes() * wish.eachNow() * current;
            double drawn =
                    (1 + gm / wish.eachNow() * (wish.cathodeVolts() - volts)) * Math.pow(supply(sag, current), FOLLOWS);
            if (drawn > current) {
                low = current;
            } else {
                high = current;
            }
        }
        double volts = ohms * wish.tubes() * wish.eachNow() * low;
        double plate = (wish.plateVolts() + wish.cathodeVolts()) * supply(sag, low) - volts;
        return new Times(low, low * plate / wish.plateVolts());
    }

    /** Current over the present one: along gm when it falls, and as its fourth root grows with the grid when it rises. */
    private static double law(double change) {
        return change > 0 ? Math.pow(1 + change / 4, 4) : 1 + change;
    }

    private static double supply(double sag, double current) {
        return Math.max(LEAST_SUPPLY, 1 + sag * (1 - current));
    }

    /** Looks for preferred values whose idle is accepted. */
    private record Choice(
            Wish wish, Optional<Double> gm, Optional<Double> gmLow, Optional<Double> gmHigh, Accepts accepts) {
        /** The nearest one, or the next larger ones, which are colder; turned hotter, at most up to what is fitted now. */
        Optional<Double> near(Optional<Double> ohms, DoubleUnaryOperator nearest, double tolerance) {
            if (ohms.isEmpty() || gm.isEmpty()) {
                return Optional.empty();
            }
            double fitted = wish.cathodeVolts() / (wish.tubes() * wish.eachNow());
            boolean hotter = ohms.get() < fitted;
            double most = hotter ? fitted * (1 - CHANGES) : FURTHEST * ohms.get();
            for (double at = ohms.get(); at <= most; at *= STEP) {
                double value = nearest.applyAsDouble(at);
                if (Math.abs(value / fitted - 1) > CHANGES && hotter == value < fitted && accepted(value, tolerance)) {
                    return Optional.of(value);
                }
            }
            return Optional.empty();
        }

        private boolean accepted(double value, double tolerance) {
            double least = value * (1 - tolerance);
            // Above a usual idle a supply loses more, of volts that are less.
            double above = Math.max(1, wish.eachNow() / wish.eachWanted());
            double most = SupplySoftness.MOST_SAG * above / (1 - SupplySoftness.MOST_SAG * Math.min(above - 1, 3));
            return DoubleStream.of(0, most)
                    .allMatch(sag -> accepts.test(times(wish, least, gmLow.orElseThrow(), sag))
                            && accepts.test(times(wish, least, gmHigh.orElseThrow(), sag)));
        }
    }
}
