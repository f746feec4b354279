package yellowrail.core.session.stops;

import java.util.List;
import yellowrail.core.round.Quantity;

/**
 * Readings asked for together: at one socket, at one node, or of the amp.
 *
 * @param under what stands under the title, or empty
 * @param number place in the measuring order, from 1; 0 for none
 */
public record ReadingGroup(String title, String under, int number, List<Wanted> readings) {
    /**
     * One reading asked for.
     *
     * @param point the socket, sense point, node or control; empty for the amp
     * @param folded whether it stands out of the way until it is wanted
     */
    public record Wanted(Quantity quantity, String point, String label, boolean folded) {
        public Wanted(Quantity quantity, String point, String label) {
            this(quantity, point, label, false);
        }

        Wanted foldedUnless(boolean wanted) {
            return new Wanted(quantity, point, label, !wanted);
        }
    }

    public ReadingGroup {
        readings = List.copyOf(readings);
    }

    static ReadingGroup of(String title, Wanted... readings) {
        return new ReadingGroup(title, "", 0, List.of(readings));
    }
}
