package yellowrail.core.round;

import java.util.Optional;

/** A question that was answered yes or no, or was not asked. */
public enum Answered {
    YES,
    NO,
    NOT_ASKED;

    public static Answered of(Optional<Boolean> answer) {
        return answer.map(yes -> yes ? YES : NO).orElse(NOT_ASKED);
    }

    public boolean yes() {
        return this == YES;
    }
}
