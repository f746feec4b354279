package yellowrail.core.amp.sensing;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;

/**
 * One way of taking current, before it is described.
 *
 * @param id its word in forms, addresses, JSON and what is stored
 * @param type what it is once it is described
 * @param words ends “the meter shows 36.4 mV …” in a list of ways
 * @param ampWords ends “the meter reads …” for all tubes of an amp
 * @param behind how many tubes one reading can stand for
 * @param tells what a reading tells
 * @param kept whether the rounds of an amp can be read this way, or only one check
 * @param parameters what it is described by, in the order they are asked
 * @param reader makes it of what was given; empty where something was refused
 */
public record Way<M extends SensingMethod>(
        String id,
        Class<M> type,
        String words,
        String ampWords,
        Behind behind,
        Tells tells,
        boolean kept,
        List<Parameter> parameters,
        Function<Given, Optional<M>> reader) {
    /** How many tubes one reading can stand for. */
    public enum Behind {
        ONE,
        ONE_OR_MORE,
        /** With one alone it is the usual way. */
        TWO_OR_MORE
    }

    /** What a reading tells, if it tells anything. */
    public enum Tells {
        CURRENT,
        /** Read across the cathode resistor. */
        CURRENT_AND_CATHODE_VOLTS,
        /** No current of a tube. */
        NOTHING
    }

    public Way {
        parameters = List.copyOf(parameters);
    }

    public boolean several() {
        return behind != Behind.ONE;
    }

    public boolean asks(String parameter) {
        return parameters.stream().anyMatch(p -> p.name().equals(parameter));
    }

    /** The method as described; what is missing or impossible is refused at its parameter. */
    public Optional<M> read(Given given) {
        return reader.apply(given);
    }
}
