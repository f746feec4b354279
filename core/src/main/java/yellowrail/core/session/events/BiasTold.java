package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionChanges;

/** How the fixed bias of this amp behaves when the mains moves, which its description left open. */
public record BiasTold(BiasScheme bias) implements Event {
    private static final EntryField<BiasScheme> BIAS = EntryField.bias("bias", "How the fixed bias behaves");

    static final Kind<BiasTold> KIND = new Kind<>("bias", BiasTold.class, List.of(BIAS), s -> new BiasTold(BIAS.of(s)));

    @Override
    public Optional<String> refusal(Rules rules) {
        BiasScheme described = rules.session().plan().amp().bias().scheme();
        if (described != BiasScheme.FIXED_UNKNOWN) {
            return Optional.of(
                    "This amp's description says how it is biased: " + described.words() + ". Correct it there.");
        }
        return BiasScheme.FIXED_UNKNOWN.outcomes().contains(bias)
                ? Optional.empty()
                : Optional.of("Fixed bias follows the mains, or comes from a regulated supply.");
    }

    @Override
    public void happens(SessionChanges changes) {
        changes.bias(bias);
    }

    @Override
    public Optional<String> logged(Session before) {
        return Optional.of("Bias behaviour told: " + bias.words() + ".");
    }

    /** One that was made later holds. */
    @Override
    public boolean countsLate(Session session, long at) {
        return !session.hasLater(getClass(), at);
    }
}
