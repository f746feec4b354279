package yellowrail.app.swap;

import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;
import yellowrail.app.store.StoredSwap;

/**
 * A swap that was accepted.
 *
 * @param version of the amp's description that it made
 * @param device where it was accepted
 * @param steps its work, each with when and where it was done
 */
public record AcceptedSwap(
        UUID id, UUID ampId, int version, StoredSwap swap, String device, OffsetDateTime acceptedAt, List<Step> steps) {
    /**
     * A step of the work.
     *
     * @param done null while it is not
     */
    public record Step(int number, String words, Done done) {}

    /** When a step was done, and on which device. */
    public record Done(OffsetDateTime at, String device) {}

    public long stepsDone() {
        return steps.stream().filter(s -> s.done() != null).count();
    }
}
