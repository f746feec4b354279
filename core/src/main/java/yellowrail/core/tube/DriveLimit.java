package yellowrail.core.tube;

import java.util.Optional;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Unit;

/** A limit over a whole cycle of signal, which few publications give besides those for DC operation. */
public enum DriveLimit implements PublishedLimit {
    PEAK_PLATE_VOLTS(
            Printed.rare("peak plate volts", "peakPlateVolts", "peak plate V", Unit.VOLT, Prefix.NONE, 50, 15_000)),
    /** The second, higher figure that some makers give for full signal; where there is none the first holds there too. */
    SCREEN_WATTS(Printed.rare(
            "screen dissipation with signal",
            "signalScreenWatts",
            "screen W with signal",
            Unit.WATT,
            Prefix.NONE,
            0.2,
            120)) {
        @Override
        public Optional<Figure> in(Ratings ratings) {
            return ratings.figure(this).or(() -> ratings.figure(Limit.SCREEN_WATTS));
        }

        @Override
        public String blank() {
            return "as without";
        }

        @Override
        public boolean unknownIn(Ratings ratings) {
            return in(ratings).isEmpty() && ratings.unknown(Limit.SCREEN_WATTS);
        }
    };

    private final Printed printed;

    DriveLimit(Printed printed) {
        this.printed = printed;
    }

    @Override
    public Printed printed() {
        return printed;
    }

    /** The limit for DC operation of the same thing: with signal a maker permits no less. */
    public Limit withoutSignal() {
        return this == SCREEN_WATTS ? Limit.SCREEN_WATTS : Limit.PLATE_VOLTS;
    }

    @Override
    public boolean ofScreen() {
        return this == SCREEN_WATTS;
    }

    /** Few makers give a peak. */
    @Override
    public boolean letPass() {
        return this == PEAK_PLATE_VOLTS;
    }
}
