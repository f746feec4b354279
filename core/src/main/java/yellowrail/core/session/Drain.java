package yellowrail.core.session;

import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;

/**
 * Draining a capacitor through a bleeder: {@code t = R·C·ln(V0/V)}, at first {@code V0²/R} of heat, {@code C·V0²/2} in
 * all. A time is no proof: a reading is.
 *
 * @param seconds to the wanted volts; zero when already there
 * @param peakWatts heat in the bleeder at first
 * @param joules energy in it
 */
public record Drain(double seconds, double peakWatts, double joules) {
    /**
     * @param volts now, V
     * @param limit wanted, V, above zero
     * @param farads of the node, F, above zero
     * @param ohms of the bleeder, Ω, above zero
     */
    public static Drain of(double volts, double limit, double farads, double ohms) {
        if (!(limit > 0) || !(farads > 0) || !(ohms > 0)) {
            throw new IllegalArgumentException("draining needs volts to reach, farads and ohms above zero");
        }
        double size = Math.abs(volts);
        double seconds = size <= limit ? 0 : ohms * farads * Math.log(size / limit);
        return new Drain(seconds, size * size / ohms, farads * size * size / 2);
    }

    /**
     * Whether a drained capacitor recovered part of its charge: to more than twice its first reading, and above 1 V, where
     * ohms stay locked.
     *
     * @param first read after draining, V
     * @param last read later, V
     */
    public static boolean cameBack(double first, double last) {
        return Math.abs(last) > 2 * Math.abs(first) && Math.abs(last) > 1;
    }

    /** The hint for a node that still holds this; empty parts are left out. */
    public static String hint(String node, double volts, double limit, Optional<Double> farads, Optional<Double> ohms) {
        String standby = " If it stays up, set standby to play: at standby part of the filter is cut off.";
        if (farads.isEmpty() || ohms.isEmpty()) {
            return node + ": drain it again through a resistor, never with metal."
                    + (ohms.isEmpty() ? " Give the bleeder's ohms to see how long that takes." : "") + standby;
        }
        Drain drain = of(volts, limit, farads.get(), ohms.get());
        return node + ": from " + Show.si(Math.abs(volts), Unit.VOLT, 3) + " to " + Show.si(limit, Unit.VOLT, 2)
                + " through " + Show.siPlain(ohms.get(), Unit.OHM, 3) + " takes " + Show.significant(drain.seconds(), 2)
                + " s; the bleeder takes " + Show.significant(drain.peakWatts(), 2) + " W at first and "
                + Show.significant(drain.joules(), 2) + " J in all." + standby;
    }
}
