package yellowrail.core.round;

import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;

/** Readings of the same current taken in two ways must agree, else one of them is wrong. */
public final class CrossCheck {
    /** Individual readings and the combined one behind the same tubes. */
    private static final double COMBINED_WITHIN = 0.03;

    /** The tubes' sum and the choke's current: other stages flow there too. */
    private static final double SUPPLY_WITHIN = 0.10;

    private CrossCheck() {}

    /** A sentence when the sum of single readings and the combined reading, A, differ by more than 3 %. */
    public static Optional<String> combined(String point, double sumAmperes, double combinedAmperes) {
        if (!(combinedAmperes > 0) || Math.abs(sumAmperes / combinedAmperes - 1) <= COMBINED_WITHIN) {
            return Optional.empty();
        }
        return Optional.of("The single readings add up to " + Show.si(sumAmperes, Unit.AMPERE) + ", the point " + point
                + " reads " + Show.si(combinedAmperes, Unit.AMPERE) + ": "
                + Show.fixed(100 * Math.abs(sumAmperes / combinedAmperes - 1), 1)
                + " % apart (3 % allowed). Read both again.");
    }

    /** A sentence when the tubes draw more than the choke carries, or less than nine tenths of it. */
    public static Optional<String> supply(double tubesAmperes, double chokeAmperes) {
        if (!(chokeAmperes > 0) || Math.abs(tubesAmperes / chokeAmperes - 1) <= SUPPLY_WITHIN) {
            return Optional.empty();
        }
        return Optional.of("The output tubes add up to " + Show.si(tubesAmperes, Unit.AMPERE) + ", the choke carries "
                + Show.si(chokeAmperes, Unit.AMPERE)
                + (tubesAmperes > chokeAmperes
                        ? ": tubes cannot draw more than the supply gives; read both again."
                        : ": the rest must be other stages, or a reading is wrong."));
    }
}
