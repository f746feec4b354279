package yellowrail.core.amp.sensing;

import java.util.Optional;
import java.util.function.Supplier;
import yellowrail.core.reading.Typed;
import yellowrail.core.tube.Connection;

/** What was given for the parameters of a way of taking current. What cannot be is refused at its parameter. */
public interface Given {
    /** A quantity; empty where it is blank or was refused. */
    Optional<Typed> quantity(Parameter parameter);

    /** A number of tubes, 1 to 8; empty where it is blank or was refused. */
    Optional<Integer> tubes(Parameter parameter);

    /** Whether it was answered yes. */
    boolean yes(Parameter parameter);

    /** Whether something was refused at this parameter already. */
    boolean refused(Parameter parameter);

    void refuse(Parameter parameter, String sentence);

    /** How the screens are connected. */
    Connection connection();

    /** Ultralinear tap as a share of the half primary's turns, 0 to 1. */
    double tap();

    /** A quantity that is needed: its absence is refused with this sentence. */
    default Optional<Typed> needed(Parameter parameter, String missing) {
        Optional<Typed> value = quantity(parameter);
        if (value.isEmpty() && !refused(parameter)) {
            refuse(parameter, missing);
        }
        return value;
    }

    /** What an impossible value makes is refused at a parameter, with the sentence that says why. */
    default <T> Optional<T> made(Parameter parameter, Supplier<T> make) {
        try {
            return Optional.of(make.get());
        } catch (IllegalArgumentException impossible) {
            refuse(parameter, impossible.getMessage());
            return Optional.empty();
        }
    }
}
