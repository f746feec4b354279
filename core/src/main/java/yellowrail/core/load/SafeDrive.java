package yellowrail.core.load;

import java.util.Optional;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.tube.Connection;

/**
 * What AC volts on one pair of leads put on the others, said before anything is connected. The limits are those of careful
 * practice: never more than 30 V AC (42 V peak) on any winding or part of one, well below where local codes begin to ask for
 * protection against touch; and while the ratio is not known 0.2 V on the low side, which even 150 to 1 brings to no more.
 *
 * @param leastVolts lowest likely volts on the other winding, V rms
 * @param mostVolts highest likely volts on any leads of the transformer, the driven ones included, V rms
 * @param refusal why this is not to be done; empty when it may be
 * @param words what to expect, with its numbers
 */
public record SafeDrive(double leastVolts, double mostVolts, Optional<String> refusal, String words) {
    /** Most on a secondary while the ratio is not known, V rms. */
    public static final double LOW_SIDE_UNKNOWN = 0.2;
    /** Most on any leads, V rms. */
    public static final double ANY_LEADS = 30;

    /** Turns ratios, whole primary to a winding, below which it is no speaker's, and beyond which nothing is wound. */
    static final double LEAST_TURNS = 5;

    static final double MOST_TURNS = 150;

    /** The limit in words. */
    static final String MOST = "At most " + Show.plain(ANY_LEADS, 2) + " V AC may stand on any leads";

    /**
     * @param driven where the source is to be connected
     * @param volts of the source, V rms, above zero
     * @param turns whole primary to the driven secondary, or to any secondary when a part of the primary is driven; empty
     *     while it is not known
     */
    public static SafeDrive of(Lead driven, double volts, Optional<Estimate> turns) {
        if (!(volts > 0) || !Double.isFinite(volts)) {
            throw new IllegalArgumentException("a drive of " + volts + " V; above 0");
        }
        return driven.secondary() ? lowSide(driven, volts, turns) : highSide(driven, volts, turns);
    }

    private static SafeDrive lowSide(Lead driven, double volts, Optional<Estimate> turns) {
        double least = volts * turns.map(Estimate::low).orElse(LEAST_TURNS);
        double most = volts * turns.map(Estimate::high).orElse(MOST_TURNS);
        String expected = "the whole primary would carry " + range(least, most);
        if (turns.isEmpty() && volts > LOW_SIDE_UNKNOWN) {
            return refused(
                    least,
                    most,
                    shown(volts) + " on the " + driven.words() + ": " + expected
                            + ", more than any leads may have. While the ratio is not known, at most "
                            + Show.plain(LOW_SIDE_UNKNOWN, 2)
                            + " V goes on the low side; better, put a low AC voltage on"
                            + " the primary.");
        }
        if (turns.isPresent() && Math.max(most, volts) > ANY_LEADS) {
            double allowed = ANY_LEADS / Math.max(1, turns.get().high());
            return refused(
                    least,
                    most,
                    shown(volts) + " on the " + driven.words() + ": " + expected
                            + ". " + MOST + ":" + " drive this tap with " + down(allowed)
                            + " or less, or drive the primary.");
        }
        return new SafeDrive(
                least,
                Math.max(most, volts),
                Optional.empty(),
                shown(volts) + " on the " + driven.words() + ": " + expected
                        + (turns.isEmpty() ? ": a fraction of a volt here may be tens of volts there." : "."));
    }

    private static SafeDrive highSide(Lead driven, double volts, Optional<Estimate> turns) {
        double wholeLeast = volts / share(driven, 1);
        double wholeMost = volts / share(driven, Connection.LEAST_TAP);
        double least = wholeLeast / turns.map(Estimate::high).orElse(MOST_TURNS);
        double most = wholeMost / turns.map(Estimate::low).orElse(LEAST_TURNS);
        String whole = driven.equals(Lead.PRIMARY)
                ? ""
                : "the whole primary would carry " + range(wholeLeast, wholeMost) + ", ";
        String expected =
                shown(volts) + " on the " + driven.words() + ": " + whole + "a secondary " + range(least, most);
        if (wholeMost > ANY_LEADS) {
            return refused(
                    least,
                    wholeMost,
                    expected + ". " + MOST + ": use " + down(ANY_LEADS * volts / wholeMost) + " or less.");
        }
        return new SafeDrive(least, wholeMost, Optional.empty(), expected + ".");
    }

    /** Share of the primary between the driven leads; of a screen tap's unknown place this one. */
    private static double share(Lead driven, double screenTap) {
        return driven.shareOfPrimary().orElse(0.5 * screenTap);
    }

    private static SafeDrive refused(double least, double most, String why) {
        return new SafeDrive(least, most, Optional.of(why), why);
    }

    private static String range(double least, double most) {
        String from = Show.significant(least, 2);
        String to = Show.significant(most, 2);
        return from.equals(to) ? "about " + to + " V" : from + " to " + to + " V";
    }

    /** Rounded down, so that what is advised is allowed. */
    private static String down(double volts) {
        double digit = Math.pow(10, Math.floor(Math.log10(volts)) - 1);
        return Show.plain(Math.floor(volts / digit) * digit, 3) + " V";
    }

    private static String shown(double volts) {
        return Show.plain(volts, volts < 100 ? 3 : 4) + " V";
    }
}
