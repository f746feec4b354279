package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Finding;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;

/** What was behind an open finding, and what was done about it. */
public record CauseFound(String finding, String fact) implements Event {
    private static final EntryField<String> FINDING = EntryField.sentence("finding", "Id of the finding");
    private static final EntryField<String> FACT = EntryField.sentence("fact", "The fact that closes it");

    static final Kind<CauseFound> KIND = new Kind<>(
            "cause", CauseFound.class, List.of(FINDING, FACT), s -> new CauseFound(FINDING.of(s), FACT.of(s)));

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
