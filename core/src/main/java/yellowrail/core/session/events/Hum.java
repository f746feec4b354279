package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;

/**
 * Hum before or after a change; the two are compared at the same knobs and the same scope setting only.
 *
 * @param knobs how knobs and scope stood
 * @param text how much it was
 */
public record Hum(When when, String knobs, String text) implements Event {
    private static final EntryField<When> WHEN = EntryField.one("when", "On which side of the change", When.class);
    private static final EntryField<String> KNOBS = EntryField.sentence("knobs", "Where the knobs stood");

    static final Kind<Hum> KIND = new Kind<>(
            "hum",
            Hum.class,
            List.of(WHEN, KNOBS, Common.TEXT),
            s -> new Hum(WHEN.of(s), KNOBS.of(s), Common.TEXT.of(s)));

    /** On which side of the change. */
    public enum When {
        BEFORE("before"),
        AFTER("after");

        private final String words;

        When(String words) {
            this.words = words;
        }
    }

    @Override
    public Optional<String> refusal(Rules rules) {
        return Rules.blank(text, "How much was it? Divisions of the scope, millivolts, or words.")
                .or(() ->
                        Rules.blank(knobs, "Say how knobs and scope stood: hum is compared at the same setting only."))
                .or(() -> otherSetting(rules));
    }

    private Optional<String> otherSetting(Rules rules) {
        if (when == When.BEFORE) {
            return Optional.empty();
        }
        return rules.session().entries().stream()
                .filter(e -> e.event() instanceof Hum before && before.when == When.BEFORE)
                .map(e -> ((Hum) e.event()).knobs)
                .reduce((a, b) -> b)
                .filter(before -> !before.equalsIgnoreCase(knobs))
                .map(before -> "Before, it was “" + before
                        + "”. Set knobs and scope so again and read it anew, or the two say" + " nothing together.");
    }

    @Override
    public Optional<String> noted() {
        return Optional.of("hum " + when.words + ": " + text + " (" + knobs + ")");
    }
}
