package yellowrail.core.session.events;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;

/** The present bias setting gets a letter, to be listened to; hidden until a choice is made when blind. */
public record Labelled(String label, boolean blind) implements Event {
    private static final EntryField<Optional<Boolean>> BLIND =
            EntryField.yesNo("blind", "Whether the listener does not know which is which");

    static final Kind<Labelled> KIND = new Kind<>(
            "label",
            Labelled.class,
            List.of(Common.LABEL, BLIND),
            s -> new Labelled(
                    Common.LABEL.of(s).toUpperCase(Locale.ROOT), BLIND.of(s).orElse(false)));

    @Override
    public Optional<String> refusal(Rules rules) {
        return label.matches("[A-H]") ? Optional.empty() : Optional.of("A setting's label is one letter, A to H.");
    }
}
