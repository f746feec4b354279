package yellowrail.core.target;

import yellowrail.core.reading.Typed;

/** What a builder aims at. */
public sealed interface Target {
    String name();

    /**
     * A window of idle plate dissipation.
     *
     * @param low lower edge as a share of the plate rating, above zero
     * @param high upper edge, above {@code low}, at most 1.5
     * @param why what speaks for it and against it
     */
    record Window(String name, double low, double high, String why) implements Target {
        public Window {
            if (!(low > 0 && high > low && high <= 1.5)) {
                throw new IllegalArgumentException("a target window rises within 0 to 150 % of the rating, not from "
                        + 100 * low + " to " + 100 * high + " %");
            }
            if (name.isBlank() || name.length() > 60) {
                throw new IllegalArgumentException("a target's name has 1 to 60 characters");
            }
        }

        /** The middle of the window: where to stop turning. */
        public double aim() {
            return (low + high) / 2;
        }
    }

    /**
     * The amp maker's figure: a reading at the amp's own test point, met within ±5 %.
     *
     * @param reading what the test point shall show
     */
    record MakersFigure(Typed reading) implements Target {
        /** How close counts as met: what a builder reads and turns to by hand. */
        public static final double MET_WITHIN = 0.05;

        /** The name it goes by among the targets. */
        public static final String NAME = "maker's figure";

        @Override
        public String name() {
            return NAME;
        }
    }
}
