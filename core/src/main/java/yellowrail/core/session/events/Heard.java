package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;

/** What was heard at a setting. */
public record Heard(String label, String text) implements Event {
    static final Kind<Heard> KIND =
            new Kind<>("hear", Heard.class, List.of("label", "text"), s -> new Heard(s.text("label"), s.text("text")));

    @Override
    public Optional<String> refusal(Rules rules) {
        return rules.labelled(label).or(() -> Rules.blank(text, "Say what was heard."));
    }

    @Override
    public Optional<String> noted() {
        return Optional.of("setting " + label + ": " + text);
    }
}
