package yellowrail.core.adjust;

import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;

/**
 * The supply's source resistance from two rounds: {@code R = (V1 − V2) / (I2 − I1)}, with I the current of all tubes on
 * the supply, both channels included. Only rounds at equal mains (within 1 %) are compared, and V1 is carried to the
 * mains of the second round, since B+ follows it.
 */
public sealed interface SupplySag {
    /** Mains may differ by this share between the two rounds. */
    double MAINS_WITHIN = 0.01;

    /** The total must have moved by this share for the difference to say something. */
    double MOVED = 0.03;

    /** A source resistance whose error alone moves B+ by this share of it says nothing. */
    double TELLS_NOTHING = 0.10;

    /**
     * One round as the supply saw it.
     *
     * @param total current of all output tubes, A
     * @param volts plate volts to cathode, V
     * @param totalLimit limit of error of a difference of totals, A
     * @param voltsLimit limit of error of a difference of volts, V: the gain of the same meter cancels, its digits do not
     * @param mains V; empty when not read
     * @param mainsLimit how well the mains is known while it was read, its digit and its movement, as a share
     */
    record Load(
            double total,
            double volts,
            double totalLimit,
            double voltsLimit,
            Optional<Double> mains,
            double mainsLimit) {}

    /**
     * The supply behaves like {@code ohms} behind {@code unloaded}.
     *
     * @param ohms Ω, zero or above
     * @param limit limit of error of it, Ω
     * @param unloaded V, extrapolated to no output-tube current
     */
    record Known(double ohms, double limit, double unloaded) implements SupplySag {
        public String words() {
            if (limit > Math.abs(ohms)) {
                return "Supply behaves like less than " + Show.si(ohms + limit, Unit.OHM, 2) + " behind "
                        + Show.si(unloaded, Unit.VOLT, 3) + ".";
            }
            return "Supply behaves like " + Show.si(ohms, Unit.OHM, 3) + " (± " + Show.significant(limit, 2)
                    + " Ω) behind " + Show.si(unloaded, Unit.VOLT, 3) + ".";
        }
    }

    /** No estimate, and why. */
    record Refused(String reason) implements SupplySag {}

    /** Compares an earlier and a later round. */
    static SupplySag between(Load a, Load b) {
        if (a.mains().isEmpty() || b.mains().isEmpty()) {
            return new Refused(
                    "Mains was not read in both rounds: B+ may have moved with it. Read the mains with each.");
        }
        double change = Math.abs(b.mains().get() / a.mains().get() - 1);
        if (change > MAINS_WITHIN + 1e-9) {
            return new Refused(
                    "Mains moved " + Show.significant(100 * change, 2)
                            + " % between the rounds (1 % allowed): the fall of B+ is not the supply's alone. Read again at one mains.");
        }
        // V = M·V0 − R·I in both rounds: carried to one mains, the first round's current counts by the same ratio.
        double current = b.total() - a.total() * b.mains().get() / a.mains().get();
        double atMainsOfB = a.volts() * b.mains().get() / a.mains().get();
        double fall = atMainsOfB - b.volts();
        if (Math.abs(current) < MOVED * Math.max(a.total(), b.total())) {
            return new Refused(
                    "The current hardly moved between the rounds (3 % needed): turn a little and read again.");
        }
        double ohms = fall / current;
        // B+ follows the mains, so that what is not known of it looks like a fall.
        double mains = (a.mainsLimit() + b.mainsLimit()) * b.volts();
        double limit = (b.voltsLimit() + mains + Math.abs(ohms) * b.totalLimit()) / Math.abs(current);
        if (ohms < -limit) {
            return new Refused(
                    "Plate volts rose together with the current: a supply does not do that. Was it the mains, or"
                            + " a reading? Read volts and current again.");
        }
        if (limit * Math.max(a.total(), b.total()) > TELLS_NOTHING * b.volts()) {
            return new Refused("Plate volts moved less than the meter can tell apart ("
                    + Show.significant(Math.abs(fall), 2) + " V): turn further before reading again.");
        }
        double held = Math.max(0, ohms);
        return new Known(held, limit, b.volts() + held * b.total());
    }
}
