package yellowrail.core.amp.sensing;

import java.util.Optional;
import yellowrail.core.reading.Typed;
import yellowrail.core.tube.PinFunction;

/** What ways have in common that read the drop of a resistor between cathode and chassis. */
interface CathodePath extends SensingMethod {
    SenseResistor resistor();

    /** The same with another resistor. */
    SensingMethod with(SenseResistor other);

    @Override
    default Optional<SenseResistor> element() {
        return Optional.of(resistor());
    }

    @Override
    default boolean readsCathodePath() {
        return true;
    }

    @Override
    default Optional<PinFunction> probedPin() {
        return Optional.of(PinFunction.CATHODE);
    }

    @Override
    default boolean takesOhms() {
        return true;
    }

    @Override
    default Optional<SensingMethod> remeasured(Typed ohms) {
        return Optional.of(with(resistor().measuredAt(ohms)));
    }
}
