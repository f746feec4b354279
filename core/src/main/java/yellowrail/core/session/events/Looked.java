package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;

/**
 * What the first look inside found.
 *
 * @param text where, and how bad; may be empty
 */
public record Looked(Sight sight, String text) implements Event {
    private static final EntryField<Sight> SIGHT = EntryField.one("sight", "What was looked for", Sight.class);

    static final Kind<Looked> KIND = new Kind<>(
            "look", Looked.class, List.of(SIGHT, Common.TEXT), s -> new Looked(SIGHT.of(s), Common.TEXT.of(s)));

    /** What one looks for. */
    public enum Sight {
        COOKED("parts cooked"),
        LEAKING("parts leaking or bulged"),
        WRONG_FUSE("wrong fuse"),
        ALTERED("altered since it was built"),
        MISSING_SCREWS("screws or hardware missing"),
        BAD_JOINTS("bad joints"),
        NOTHING("nothing found");

        private final String words;

        Sight(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    @Override
    public Optional<String> noted() {
        return Optional.of("first look: " + sight.words() + (text.isBlank() ? "" : ", " + text));
    }
}
