package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;

/** A tier of service with the owner's choice. */
public record Tiered(String tier, String items, boolean chosen) implements Event {
    static final Kind<Tiered> KIND = new Kind<>(
            "tier",
            Tiered.class,
            List.of("tier", "items", "chosen"),
            s -> new Tiered(s.text("tier"), s.text("items"), s.yesNo("chosen").orElse(false)));

    @Override
    public Optional<String> refusal(Rules rules) {
        return Rules.blank(tier, "Name the tier.").or(() -> Rules.blank(items, "Say what the tier holds."));
    }
}
