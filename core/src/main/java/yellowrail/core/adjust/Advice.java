package yellowrail.core.adjust;

import java.util.List;
import java.util.Optional;
import yellowrail.core.idle.Formula;
import yellowrail.core.reading.Band;
import yellowrail.core.reading.Typed;

/** The one next thing to do to the idle, or why there is none. */
public sealed interface Advice {
    /**
     * Turn a control until the meter shows a reading.
     *
     * @param control its name
     * @param hotter whether the current shall become larger
     * @param way clockwise or counter-clockwise; empty when not known
     * @param socket the tube whose reading is watched
     * @param point the sense point to watch
     * @param stopAt what the meter shows there
     * @param plusMinus half width of its 95 % band, in its base unit
     * @param between where to stop while the supply is not known well enough for one figure, in the reading's base unit;
     *     empty where one figure tells it
     * @param endsAt what the meter shows there once the controls after this one are turned too
     * @param then the stops after this one, computed together with it; empty while they wait for another reading
     * @param plateVolts plate-to-cathode volts to expect, V
     * @param gridVolts grid volts to expect, V; empty when not foretold
     * @param remarks what stays, and what to mind
     * @param formulas the figures opened
     */
    record Turn(
            String control,
            boolean hotter,
            String way,
            String socket,
            String point,
            Typed stopAt,
            double plusMinus,
            Optional<Band> between,
            Typed endsAt,
            List<After> then,
            double plateVolts,
            Optional<Double> gridVolts,
            List<String> remarks,
            List<Formula> formulas)
            implements Advice {
        /** A stop that follows. */
        public record After(String control, boolean hotter, String way, String point, Typed stopAt) {}

        public Turn {
            then = List.copyOf(then);
            remarks = List.copyOf(remarks);
            formulas = List.copyOf(formulas);
        }
    }

    /**
     * Fit another cathode resistor.
     *
     * @param point its sense point
     * @param counted whether the tubes on it are counted, so that its ohms are known; else only their ratio to the present
     *     ones
     * @param remarks what it leaves, and what to mind
     */
    record Fit(String point, CathodeFit fit, boolean counted, List<String> remarks) implements Advice {
        public Fit {
            remarks = List.copyOf(remarks);
        }
    }

    /** Nothing to turn now. */
    record Rest(String sentence, List<String> remarks) implements Advice {
        public Rest {
            remarks = List.copyOf(remarks);
        }
    }

    /** No advice can be given, and what would change that. */
    record Refused(String reason) implements Advice {}
}
