package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;

/** The setting chosen by ear; hidden values show from here on. */
public record Chose(String label) implements Event {
    static final Kind<Chose> KIND =
            new Kind<>("choose", Chose.class, List.of(Common.LABEL), s -> new Chose(Common.LABEL.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        return rules.labelled(label);
    }

    @Override
    public Optional<String> noted() {
        return Optional.of("setting " + label + " chosen by ear");
    }
}
