package yellowrail.core.amp;

import java.util.Optional;
import java.util.OptionalDouble;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;

/**
 * A way of telling a tube's idle current. What a method cannot tell it does not tell: grid volts and a panel meter that
 * was never calibrated give no current, a shared element gives a mean.
 */
public sealed interface SensingMethod
        permits OwnResistor,
                SocketAdaptor,
                SharedResistor,
                CombinedPoint,
                CathodeResistor,
                HalfPrimary,
                DirectMilliamps,
                PanelMeter,
                SupplyResistor,
                GridVoltsOnly {
    /** Key of the meter that reads the current: its errors are added before they are combined with others. */
    String METER = "meter";

    /** The error source that is the meter's error on the current reading. */
    String CURRENT_READING = "meter on the current reading";

    /** What the meter field takes. */
    Field field();

    /** Ends the sentence "the meter shows 36.4 mV …". */
    String words();

    /** How many tubes one reading sees. */
    int tubes();

    /** What a reading tells; never a value that the method cannot give. */
    Seen see(Typed reading, Meter meter);

    /** What the meter shows, in the field's base unit, when every tube carries these currents; empty if no method can say. */
    OptionalDouble readingAt(TubeCurrents eachTube);

    /** The resistor whose drop is read; empty where there is none. */
    default Optional<SenseResistor> element() {
        return Optional.empty();
    }

    /** Whether the drop read by this method is the whole cathode voltage. */
    default boolean tellsCathodeVolts() {
        return false;
    }
}
