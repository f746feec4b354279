package yellowrail.core.tube;

import java.util.Optional;
import yellowrail.core.reading.Unit;

/** A limit over a whole cycle of signal, which few publications give besides those for DC operation. */
public enum DriveLimit implements PublishedLimit {
    PEAK_PLATE_VOLTS("peak plate volts", Unit.VOLT) {
        @Override
        public Optional<Figure> in(Ratings ratings) {
            return ratings.withSignal().peakPlateVolts();
        }

        /** Nobody declares that none is published: a blank says no more than that none is known here. */
        @Override
        public boolean unknownIn(Ratings ratings) {
            return in(ratings).isEmpty();
        }
    },
    /** The second, higher figure that some makers give for full signal; where there is none the first holds there too. */
    SCREEN_WATTS("screen dissipation with signal", Unit.WATT) {
        @Override
        public Optional<Figure> in(Ratings ratings) {
            return ratings.withSignal().screenWatts().or(ratings::screenWatts);
        }

        @Override
        public boolean unknownIn(Ratings ratings) {
            return in(ratings).isEmpty() && ratings.unknown(Limit.SCREEN_WATTS);
        }
    };

    private final String words;
    private final Unit unit;

    DriveLimit(String words, Unit unit) {
        this.words = words;
        this.unit = unit;
    }

    @Override
    public String words() {
        return words;
    }

    @Override
    public Unit unit() {
        return unit;
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
