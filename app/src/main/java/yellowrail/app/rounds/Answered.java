package yellowrail.app.rounds;

import com.fasterxml.jackson.annotation.JsonCreator;
import java.util.Optional;

/** A question that was answered yes or no, or was not asked. */
public enum Answered {
    YES,
    NO,
    NOT_ASKED;

    /**
     * What is stored. Versions before this one stored true or false, where false stood for every word but “yes”: it tells
     * nothing.
     */
    @JsonCreator
    static Answered stored(Object value) {
        if (value instanceof Boolean yes) {
            return yes ? YES : NOT_ASKED;
        }
        return value == null ? NOT_ASKED : valueOf(value.toString());
    }

    static Answered of(Optional<Boolean> answer) {
        return answer.map(yes -> yes ? YES : NO).orElse(NOT_ASKED);
    }

    public boolean yes() {
        return this == YES;
    }
}
