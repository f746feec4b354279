package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;

/** A note. */
public record Noted(Topic topic, String text) implements Event {
    private static final EntryField<Topic> TOPIC = EntryField.one("topic", "What it is about", Topic.class);

    static final Kind<Noted> KIND = new Kind<>(
            "note", Noted.class, List.of(TOPIC, Common.TEXT), s -> new Noted(TOPIC.of(s), Common.TEXT.of(s)));

    /** What a note is about. */
    public enum Topic {
        HUM("hum"),
        NOISE("noise"),
        MICROPHONY("microphony"),
        GLOW("glow, not evidence of current"),
        OTHER("note"),
        COMPLAINT("the owner's complaint"),
        WISH("the owner's wish"),
        LIFE("remaining life, a guess");

        private final String words;

        Topic(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    @Override
    public Optional<String> refusal(Rules rules) {
        return Rules.blank(text, "The note is empty.");
    }

    @Override
    public Optional<String> noted() {
        return Optional.of(topic.words() + ": " + text);
    }
}
