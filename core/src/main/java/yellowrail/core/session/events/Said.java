package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.reading.Typed;
import yellowrail.core.round.Quantity;

/** The fields of an event as sent. What is not understood is refused at its field: reading ends there. */
public interface Said {
    /** A text, stripped; empty when it was not sent. */
    String text(String field);

    /** One of these, by its word. */
    <E> E one(String field, List<E> values, Function<E, String> word);

    /** Yes or no; empty when it was not said, refused when it was said in another word. */
    Optional<Boolean> yesNo(String field);

    /** Yes or no, which has to be said. */
    boolean yesOrNo(String field);

    /** How a fixed bias behaves, in the words of forms. */
    BiasScheme bias(String field);

    /** Ohms parted by blanks or semicolons, at most so many. */
    List<Double> ohms(String field, int most);

    /** A reading of a quantity at a point, as typed from the meter. */
    Typed reading(String field, Quantity quantity, String point);
}
