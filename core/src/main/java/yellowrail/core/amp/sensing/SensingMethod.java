package yellowrail.core.amp.sensing;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.tube.PinFunction;

/**
 * A way of telling a tube's idle current, described. What a method cannot tell it does not tell: grid volts and a panel meter
 * that was never calibrated give no current, a shared element gives a mean.
 */
public interface SensingMethod {
    /** Key of the meter that reads the current: its errors are added before they are combined with others. */
    String METER = "meter";

    /** The error source that is the meter's error on the current reading. */
    String CURRENT_READING = "meter on the current reading";

    /** The way this is one of. */
    Way<?> way();

    /** What it is described by, as it would be typed, by the names of the way's parameters. */
    Map<String, String> parameters();

    /** What the meter field takes. */
    Field field();

    /** Ends the sentence "the meter shows 36.4 mV …". */
    String words();

    /** How many tubes one reading sees. */
    int tubes();

    /** What a reading tells; never a value that the method cannot give. */
    SensedCurrent see(Typed reading, Meter meter);

    /** What the meter shows, in the field's base unit, when every tube carries these currents; empty if no method can say. */
    OptionalDouble readingAt(TubeCurrents eachTube);

    /** The resistor whose drop is read; empty where there is none. */
    default Optional<SenseResistor> element() {
        return Optional.empty();
    }

    /** Whether the drop read by this method is the whole cathode voltage. */
    default boolean tellsCathodeVolts() {
        return way().tells() == Way.Tells.CURRENT_AND_CATHODE_VOLTS;
    }

    /** Whether the reading is a drop between cathode and chassis. */
    default boolean readsCathodePath() {
        return false;
    }

    /** Which pin is probed besides the plate; empty where none of the tube is. */
    default Optional<PinFunction> probedPin() {
        return Optional.empty();
    }

    /** Cold resistance of the half primary the current is read over, Ω; empty where it is not. */
    default Optional<Typed> halfPrimaryOhms() {
        return Optional.empty();
    }

    /** The same with its resistance measured anew, power off and supply drained, Ω; empty where it has none worth measuring. */
    default Optional<SensingMethod> remeasured(Typed ohms) {
        return Optional.empty();
    }

    /** Whether {@link #remeasured} gives something. */
    default boolean takesOhms() {
        return false;
    }

    /** What speaks against the method's own figures beside a reading, in a sentence. */
    default Optional<Objection> objection(Typed reading) {
        return Optional.empty();
    }

    /** A figure of its own that is not known and makes a reading an upper bound. */
    default Optional<NotKnown> notKnown() {
        return Optional.empty();
    }

    /** What speaks against a figure. */
    record Objection(String about, String sentence) {}

    /**
     * A figure that is not known.
     *
     * @param effect how much it can make, a share
     */
    record NotKnown(String what, double effect, String sentence) {}
}
