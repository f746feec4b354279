package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;

/** What was heard at a setting. */
public record Heard(String label, String text) implements Event {
    static final Kind<Heard> KIND = new Kind<>(
            "hear",
            Heard.class,
            List.of(Common.LABEL, Common.TEXT),
            s -> new Heard(Common.LABEL.of(s), Common.TEXT.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        return rules.labelled(label).or(() -> Rules.blank(text, "Say what was heard."));
    }

    @Override
    public Optional<String> noted() {
        return Optional.of("setting " + label + ": " + text);
    }
}
