package yellowrail.core.load;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yellowrail.core.reading.Show;

/**
 * A pair of leads of an output transformer, on which AC volts are put or read.
 *
 * @param ohms nominal load of a secondary tap, Ω; 0 for a part of the primary
 */
public record Lead(Part part, double ohms) {
    /** Which pair of leads. */
    public enum Part {
        PRIMARY("primary", "whole primary", 1),
        HALF_A("half-a", "half A of the primary, end to centre tap", 0.5),
        HALF_B("half-b", "half B of the primary, end to centre tap", 0.5),
        SCREEN_A("screen-a", "screen tap A to centre tap", Double.NaN),
        SCREEN_B("screen-b", "screen tap B to centre tap", Double.NaN),
        SECONDARY("secondary", "secondary", Double.NaN);

        private final String id;
        private final String words;
        /** Share of the primary's turns; NaN where it is what the readings are to tell. */
        private final double share;

        Part(String id, String words, double share) {
            this.id = id;
            this.words = words;
            this.share = share;
        }
    }

    public static final Lead PRIMARY = new Lead(Part.PRIMARY, 0);
    private static final double LEAST_OHMS = 0.5;
    private static final double MOST_OHMS = 1000;
    private static final Pattern TAP = Pattern.compile("tap-(\\d{1,4}(?:\\.\\d{1,3})?)");

    public Lead {
        boolean secondary = part == Part.SECONDARY;
        if (secondary ? !(ohms >= LEAST_OHMS && ohms <= MOST_OHMS) : ohms != 0) {
            throw new IllegalArgumentException(
                    secondary
                            ? "a secondary tap for " + ohms + " Ω; " + LEAST_OHMS + " to 1000 Ω"
                            : "a part of the primary has no nominal load, not " + ohms + " Ω");
        }
    }

    /** The tap of the secondary for this nominal load, Ω; 0.5 to 1000. */
    public static Lead tap(double ohms) {
        return new Lead(Part.SECONDARY, ohms);
    }

    /** The leads of this id ({@code primary}, {@code half-a}, {@code tap-8} …); empty for any other word. */
    public static Optional<Lead> of(String id) {
        for (Part part : Part.values()) {
            if (part != Part.SECONDARY && part.id.equals(id)) {
                return Optional.of(new Lead(part, 0));
            }
        }
        Matcher tap = TAP.matcher(id);
        if (!tap.matches()) {
            return Optional.empty();
        }
        double ohms = Double.parseDouble(tap.group(1));
        return ohms >= LEAST_OHMS && ohms <= MOST_OHMS ? Optional.of(tap(ohms)) : Optional.empty();
    }

    public String id() {
        return secondary() ? "tap-" + Show.plain(ohms, 4) : part.id;
    }

    public String words() {
        return secondary() ? Show.plain(ohms, 4) + " Ω tap" : part.words;
    }

    public boolean secondary() {
        return part == Part.SECONDARY;
    }

    public boolean screenTap() {
        return part == Part.SCREEN_A || part == Part.SCREEN_B;
    }

    /** Share of the primary's turns between these leads; empty for a secondary and for screen taps. */
    public OptionalDouble shareOfPrimary() {
        return Double.isNaN(part.share) ? OptionalDouble.empty() : OptionalDouble.of(part.share);
    }
}
