package yellowrail.core.load;

import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;

/** How loads are written: ohms with their band, and how a load stands to the wanted one. */
public final class LoadWords {
    /** Within this of the wanted load it is matched: markings are no more exact. */
    public static final double MATCHED = 0.15;

    private LoadWords() {}

    public static String plainOhms(double ohms) {
        return ohms >= 1000 ? Show.plain(ohms / 1000, 3) + " kΩ" : Show.siPlain(ohms, Unit.OHM, 3);
    }

    /** {@code 5.44 ± 0.02 kΩ}; without a band where nothing tells one. */
    public static String ohms(Estimate ohms) {
        if (!(ohms.likely() > 0)) {
            return plainOhms(ohms.value());
        }
        return ohms.value() >= 1000
                ? Show.plusMinus(ohms.value() / 1000, ohms.likely() / 1000) + " kΩ"
                : Show.plusMinus(ohms.value(), ohms.likely()) + " Ω";
    }

    /** @param factor load seen over load wanted */
    public static String factor(double factor) {
        return times(factor) + ", " + way(factor);
    }

    public static String times(double factor) {
        return "× " + Show.significant(factor, 2);
    }

    public static String way(double factor) {
        if (Math.abs(factor - 1) <= MATCHED) {
            return "matched";
        }
        return factor < 1 ? "lower than wanted" : "higher than wanted";
    }
}
