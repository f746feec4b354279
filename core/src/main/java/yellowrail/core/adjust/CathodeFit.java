package yellowrail.core.adjust;

import java.util.List;
import java.util.Optional;
import yellowrail.core.idle.Formula;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;

/**
 * The cathode resistor for another idle: {@code Vk' = Vk − ΔI/gm}, {@code R' = Vk'/(N·I')}. Cathode volts do not stay
 * where they were: the value at constant Vk is only the outer bound.
 *
 * @param ohms estimate, Ω; empty when the transconductance is not known
 * @param low with gm 30 % above, Ω
 * @param high with gm 30 % below, Ω
 * @param constantVolts Ω if Vk stayed, the outer bound
 * @param cathodeVolts expected, V
 * @param idleWatts heat in the resistor at idle, W
 * @param ratingWatts rating to choose, W: three times idle, or twice the measured heat at full drive if that is more
 * @param bypassVolts least voltage rating of a bypass capacitor, V
 */
public record CathodeFit(
        Optional<Double> ohms,
        double low,
        double high,
        double constantVolts,
        double cathodeVolts,
        double idleWatts,
        double ratingWatts,
        double bypassVolts,
        double e12,
        double e24,
        double e96,
        List<Formula> formulas) {
    /** Driven over idle cathode volts when full drive was not measured: the largest seen in solved stages, rounded up. */
    private static final double DRIVEN = 1.3;

    private static final double[] RATINGS = {0.5, 1, 2, 3, 5, 7, 10, 15, 20, 25, 50};

    private static final double GM_SPREAD = 0.3;

    public CathodeFit {
        formulas = List.copyOf(formulas);
    }

    /** What was read and what is wanted. */
    public record Wish(int tubes, double cathodeVolts, double eachNow, double eachWanted, Optional<Double> driven) {
        public Wish {
            if (tubes < 1 || !(cathodeVolts > 0) || !(eachNow > 0) || !(eachWanted > 0)) {
                throw new IllegalArgumentException("a cathode resistor needs tubes, volts and currents above zero");
            }
        }
    }

    /**
     * @param wish cathode volts V and currents of each tube A, now and wanted
     * @param gm transconductance of one tube with respect to its cathode current, A/V; empty when not known
     */
    public static CathodeFit of(Wish wish, Optional<Double> gm) {
        return of(wish, gm, gm.map(g -> g * (1 - GM_SPREAD)), gm.map(g -> g * (1 + GM_SPREAD)));
    }

    /** The same with the builder's own bounds for gm. */
    public static CathodeFit of(Wish wish, Optional<Double> gm, Optional<Double> gmLow, Optional<Double> gmHigh) {
        double constant = wish.cathodeVolts() / (wish.tubes() * wish.eachWanted());
        double volts = gm.map(g -> volts(wish, g)).orElse(wish.cathodeVolts());
        double a = gmLow.map(g -> ohms(wish, g)).orElse(constant);
        double b = gmHigh.map(g -> ohms(wish, g)).orElse(constant);
        Optional<Double> ohms = gm.map(g -> ohms(wish, g));
        double chosen = ohms.orElse(constant);
        double watts = volts * volts / chosen;
        double driven = wish.driven().orElse(volts * DRIVEN);
        double need =
                Math.max(3 * watts, wish.driven().map(v -> 2 * v * v / chosen).orElse(0.0));
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
                volts,
                watts,
                rating,
                1.5 * driven,
                Preferred.nearestE12(chosen),
                Preferred.nearestE24(chosen),
                Preferred.nearestE96(chosen),
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

    private static double volts(Wish wish, double gm) {
        return Math.max(0.1 * wish.cathodeVolts(), wish.cathodeVolts() - (wish.eachWanted() - wish.eachNow()) / gm);
    }

    private static double ohms(Wish wish, double gm) {
        return volts(wish, gm) / (wish.tubes() * wish.eachWanted());
    }
}
