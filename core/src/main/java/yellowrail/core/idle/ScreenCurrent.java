package yellowrail.core.idle;

import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.reading.Typed;

/** Where the screen current comes from. */
public sealed interface ScreenCurrent {
    /** The drop over a screen resistor that feeds {@code tubes} screens. */
    record Measured(Typed drop, SenseResistor resistor, int tubes) implements ScreenCurrent {
        public Measured {
            if (tubes < 1 || tubes > 8) {
                throw new IllegalArgumentException(tubes + " screens on one resistor; 1 to 8");
            }
        }
    }

    /** The type's usual share of the cathode current. */
    record TypeShare() implements ScreenCurrent {}

    /** Not counted: all cathode current is taken as plate current, an upper bound. */
    record NotCounted() implements ScreenCurrent {}
}
