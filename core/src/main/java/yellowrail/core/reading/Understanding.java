package yellowrail.core.reading;

import java.util.List;
import java.util.Optional;

/** What was made of a typed text: a value, nothing, a question back, or a refusal that says what was understood. */
public sealed interface Understanding {
    /** A value. */
    record Understood(Typed typed) implements Understanding {}

    /** The field was left empty. */
    record Empty() implements Understanding {}

    /** The text could mean more than one thing; the builder chooses, nothing is guessed. */
    record Ask(String question, List<Typed> choices) implements Understanding {
        public Ask {
            choices = List.copyOf(choices);
        }
    }

    /** The text is not a value for this field; the sentence says what was understood and what is wanted. */
    record Refused(String sentence) implements Understanding {}

    /** The value, if there is exactly one. */
    default Optional<Typed> value() {
        return this instanceof Understood u ? Optional.of(u.typed()) : Optional.empty();
    }

    /** The sentence to stand at the field when there is no value although something was typed. */
    default Optional<String> complaint() {
        if (this instanceof Refused r) {
            return Optional.of(r.sentence());
        }
        return this instanceof Ask a ? Optional.of(a.question()) : Optional.empty();
    }
}
