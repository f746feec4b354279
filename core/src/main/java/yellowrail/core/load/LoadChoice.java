package yellowrail.core.load;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import org.hipparchus.complex.Complex;
import yellowrail.core.amp.Duty;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.OutputResistance;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSetting;

/**
 * One stage over the loads it could have: power, harmonics, heat, and how much the level changes over a speaker's curve. Which
 * load is best depends on what one wishes for; none is best at all of it.
 *
 * @param points by rising load; loads that could not be solved are left out
 */
public record LoadChoice(List<Point> points) {
    /** Loads that are tried, as factors of the one the stage is meant for: none is a stop. */
    public static final List<Double> PLACES =
            List.of(0.3, 0.4, 0.5, 0.6, 0.7, 0.85, 1.0, 1.2, 1.4, 1.7, 2.0, 2.4, 2.8, 3.4);

    /** Frequencies at which a speaker's curve is looked at. */
    private static final int FREQUENCIES = 200;

    /**
     * The stage at one load, driven to clipping: where the first grid reaches zero volts.
     *
     * @param factor load over the one it is meant for
     * @param ohms at the primary, Ω
     * @param drive from idle to full
     * @param duty what is played
     * @param outputOhms what the stage shows to its load at small signals, Ω
     */
    public record Point(double factor, double ohms, DriveSweep drive, Duty duty, double outputOhms) {
        /** Power at clipping, W. */
        public double watts() {
            return drive.full().watts();
        }

        /** 2nd harmonic at clipping, share of the fundamental. */
        public double second() {
            return drive.full().harmonics().get(0);
        }

        /** 3rd harmonic at clipping, share of the fundamental. */
        public double third() {
            return drive.full().harmonics().get(1);
        }

        /** Hottest screen by what is played, W. */
        public double screenWatts() {
            return drive.hottestScreen(duty).hottestScreenWatts();
        }

        /**
         * How much louder the loudest note of the band is than the quietest by the speaker's impedance alone, dB; without
         * feedback.
         *
         * @param speakers whose nominal ohms this load stands for
         */
        public double changeOfTone(Wiring speakers, double lowHertz, double highHertz) {
            double turnsSquared = ohms / speakers.nominalOhms();
            double least = Double.POSITIVE_INFINITY;
            double most = 0;
            for (double hertz : HeatOverFrequency.spread(lowHertz, highHertz, FREQUENCIES)) {
                Complex z = speakers.at(hertz).multiply(turnsSquared);
                double level = z.norm() / z.add(outputOhms).norm();
                least = Math.min(least, level);
                most = Math.max(most, level);
            }
            return 20 * Math.log10(most / least);
        }
    }

    /** What a builder may wish of a load. */
    public enum Wish {
        MOST_POWER("most power"),
        LEAST_THIRD("least 3rd harmonic"),
        COOLEST_SCREENS("coolest screens"),
        LEAST_CHANGE_OF_TONE("least change of tone over the speaker");

        private final String words;

        Wish(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public LoadChoice {
        points = List.copyOf(points);
    }

    /** @param drives how a setting is driven from idle to full; may throw {@link NoSolution} */
    public static LoadChoice of(StageSetting setting, Function<StageSetting, DriveSweep> drives) {
        List<Point> points = new ArrayList<>();
        for (double factor : PLACES) {
            try {
                StageSetting at = setting.load(factor);
                Stage stage = at.stage();
                points.add(new Point(
                        factor, stage.loadOhms(), drives.apply(at), setting.duty(), OutputResistance.of(stage)));
            } catch (NoSolution none) {
                // Left out: the place is missing among the points, which is told.
            }
        }
        return new LoadChoice(points);
    }

    /**
     * The load that is best at this wish among those that are allowed; empty where none is.
     *
     * @param tone change of tone of a point, dB; empty when no speaker's curve is known
     */
    public Optional<Point> best(Wish wish, Predicate<Point> allowed, ToDoubleFunction<Point> tone) {
        ToDoubleFunction<Point> least = switch (wish) {
            case MOST_POWER -> p -> -p.watts();
            case LEAST_THIRD -> Point::third;
            case COOLEST_SCREENS -> Point::screenWatts;
            case LEAST_CHANGE_OF_TONE -> tone;
        };
        return points.stream()
                .filter(allowed)
                .filter(p -> Double.isFinite(least.applyAsDouble(p)))
                .min(Comparator.comparingDouble(least));
    }
}
