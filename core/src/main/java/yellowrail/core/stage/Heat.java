package yellowrail.core.stage;

import java.util.List;

/**
 * Average heat of the hottest plate and of the hottest screen.
 *
 * @param plateWatts W
 * @param screenWatts W
 */
public record Heat(double plateWatts, double screenWatts) {
    static Heat of(List<Cycle.TubeCycle> tubes) {
        return new Heat(
                tubes.stream().mapToDouble(Cycle.TubeCycle::plateWatts).max().orElse(0),
                tubes.stream().mapToDouble(Cycle.TubeCycle::screenWatts).max().orElse(0));
    }

    public static Heat of(Cycle cycle) {
        return of(cycle.tubes());
    }

    public static Heat of(ReactiveCycle cycle) {
        return of(cycle.tubes());
    }

    /** The higher of each. */
    public Heat most(Heat other) {
        return new Heat(Math.max(plateWatts, other.plateWatts), Math.max(screenWatts, other.screenWatts));
    }

    /** Part of the way to another. */
    public Heat towards(Heat other, double part) {
        return new Heat(
                plateWatts + part * (other.plateWatts - plateWatts),
                screenWatts + part * (other.screenWatts - screenWatts));
    }

    public Heat plus(Heat other, double weight) {
        return new Heat(plateWatts + weight * other.plateWatts, screenWatts + weight * other.screenWatts);
    }
}
