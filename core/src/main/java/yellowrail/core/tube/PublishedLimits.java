package yellowrail.core.tube;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** The limits that a publication may give. */
public final class PublishedLimits {
    /** All there are: for DC operation, what is limited besides, with signal. */
    public static final List<PublishedLimit> ALL = Stream.of(Limit.values(), OtherLimit.values(), DriveLimit.values())
            .<PublishedLimit>flatMap(Stream::of)
            .toList();

    private PublishedLimits() {}

    /** The one of this key; empty for none. */
    public static Optional<PublishedLimit> of(String key) {
        return ALL.stream().filter(l -> l.printed().key().equals(key)).findFirst();
    }
}
