package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;

/** A tier of service with the owner's choice. */
public record Tiered(String tier, String items, boolean chosen) implements Event {
    private static final EntryField<String> TIER = EntryField.sentence("tier", "Name of the tier");
    private static final EntryField<String> ITEMS = EntryField.note("items", "What it holds");
    private static final EntryField<Optional<Boolean>> CHOSEN =
            EntryField.yesNo("chosen", "Whether the owner chose it");

    static final Kind<Tiered> KIND = new Kind<>(
            "tier",
            Tiered.class,
            List.of(TIER, ITEMS, CHOSEN),
            s -> new Tiered(TIER.of(s), ITEMS.of(s), CHOSEN.of(s).orElse(false)));

    @Override
    public Optional<String> refusal(Rules rules) {
        return Rules.blank(tier, "Name the tier.").or(() -> Rules.blank(items, "Say what the tier holds."));
    }
}
