package yellowrail.core.amp;

import java.util.Optional;

/**
 * Mains voltages, V.
 *
 * @param now when the readings were taken; empty when not known
 * @param nominal what the amp is made for
 * @param lowest lowest expected where it is used
 * @param highest highest expected where it is used
 */
public record Mains(Optional<Double> now, double nominal, double lowest, double highest) {
    /** No outlet gives more, V. */
    private static final double MOST = 300;

    public Mains {
        if (!(nominal >= 80 && nominal <= 260)) {
            throw new IllegalArgumentException("nominal mains " + nominal + " V is outside 80 to 260 V");
        }
        if (!(lowest > 0 && lowest <= nominal && highest >= nominal && highest <= 300)) {
            throw new IllegalArgumentException(
                    "mains must rise from lowest to nominal to highest: " + lowest + ", " + nominal + ", " + highest);
        }
        now.filter(v -> !possible(v)).ifPresent(v -> {
            throw new IllegalArgumentException("mains now " + v + " V is outside 0 to 300 V");
        });
    }

    /** Nominal mains with the usual ± 10 % around it. */
    public static Mains around(double nominal, Optional<Double> now) {
        return new Mains(now, nominal, nominal * 0.9, nominal * 1.1);
    }

    /** The same place with this mains now; what no outlet can give counts as not read. */
    public Mains at(Optional<Double> volts) {
        return new Mains(volts.filter(Mains::possible), nominal, lowest, highest);
    }

    /** Whether a reading can be one of the mains, V. */
    public static boolean possible(double volts) {
        return volts > 0 && volts <= MOST;
    }
}
