package yellowrail.core.idle;

import java.util.Optional;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.reading.Estimate;
import yellowrail.core.tube.Limit;

/**
 * The idle point that is judged, of the hottest tube of a stated spread; volts from the cathode.
 *
 * @param volts plate, V
 * @param plate plate current, A
 * @param screen screen current at its high end, A; empty for a triode
 * @param cathode cathode current, A; empty when it does not follow from what was read
 * @param screenVolts screen, V; empty when it does not follow from what was read
 * @param screenUnread whether {@code screenVolts} is the plate's reading standing in for one that was not taken
 */
record Point(
        Estimate volts,
        Estimate plate,
        Optional<Estimate> screen,
        Optional<Estimate> cathode,
        Optional<Estimate> screenVolts,
        boolean screenUnread) {
    Estimate plateWatts() {
        return volts.times(plate);
    }

    Optional<Estimate> screenWatts() {
        return screenVolts.flatMap(v -> screen.map(v::times));
    }

    /** What a limit limits, in its unit; empty when it does not follow from what was read. */
    Optional<Estimate> value(Limit limit) {
        return switch (limit) {
            case PLATE_WATTS -> Optional.of(plateWatts());
            case SCREEN_WATTS -> screenWatts();
            case COMBINED_WATTS -> screenWatts().map(s -> plateWatts().plus(s));
            case PLATE_VOLTS -> Optional.of(volts);
            case SCREEN_VOLTS -> screenVolts;
            case CATHODE_AMPERES -> cathode;
        };
    }

    /**
     * The same tube with its currents and volts moved by these factors: what a turn of its control does.
     *
     * @param readingError the meter's error on the reading there over that on the present one, both as shares
     */
    Point moved(double currents, double moreVolts, double readingError) {
        return new Point(
                volts.times(moreVolts),
                moved(plate, currents, readingError),
                screen.map(s -> moved(s, currents, readingError)),
                cathode.map(c -> moved(c, currents, readingError)),
                screenVolts.map(v -> v.times(moreVolts)),
                screenUnread);
    }

    private static Estimate moved(Estimate current, double factor, double readingError) {
        return new Estimate(
                current.value() * factor, current.errors().scaling(SensingMethod.CURRENT_READING, readingError));
    }
}
