package yellowrail.core.judging;

import java.util.Optional;
import java.util.Set;
import yellowrail.core.tube.PublishedLimit;

/** The figures of one point, read or computed, wherever limits are judged. */
public interface Figures {
    /** Where there are figures, beside {@link At#NOW}. */
    Set<At> at();

    /** V as read, share of nominal where computed; NaN where it is not known. */
    double mains(At at);

    /** Empty where it does not follow from what is known: whoever asks says what is missing. */
    Optional<Value> of(PublishedLimit limit, At at);
}
