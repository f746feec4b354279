package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Finding;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;

/** What was behind an open finding, and what was done about it. */
public record CauseFound(String finding, String fact) implements Event {
    static final Kind<CauseFound> KIND = new Kind<>(
            "cause",
            CauseFound.class,
            List.of("finding", "fact"),
            s -> new CauseFound(s.text("finding"), s.text("fact")));

    @Override
    public Optional<String> refusal(Rules rules) {
        return Finding.known(rules.session(), finding)
                ? Rules.blank(fact, "Say what was found and what was done about it.")
                : Optional.of("There is no open finding “" + finding + "” in this session.");
    }

    @Override
    public Optional<String> logged(Session before) {
        return Optional.of("Cause found: " + fact + ".");
    }
}
