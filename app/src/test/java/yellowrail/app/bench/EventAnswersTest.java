package yellowrail.app.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import yellowrail.app.amps.AmpForms;
import yellowrail.app.amps.AmpReader;
import yellowrail.app.amps.TypedAmp;
import yellowrail.app.forms.GoldenAnswers;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.session.events.Events;
import yellowrail.core.session.events.Kind;
import yellowrail.core.tube.Catalogue;

/** What every field of every kind of entry takes and refuses, text by text. */
class EventAnswersTest {
    private static final AmpDescription AMP = AmpReader.read(
                    TypedAmp.with(AmpForms.empty(), Map.of("name", "Bittern 50", "socketType", List.of("6L6GC", ""))),
                    Catalogue.shipped(),
                    List.of())
            .description()
            .orElseThrow();

    /** What is sent of a field that is not the one asked about. */
    private static final Map<String, String> USUAL = Map.ofEntries(
            Map.entry("quantity", "PLATE"),
            Map.entry("point", "V1"),
            Map.entry("text", "431 V"),
            Map.entry("power", "OFF"),
            Map.entry("stop", "DRAINED"),
            Map.entry("on", "yes"),
            Map.entry("check", "STANDBY_PLAY"),
            Map.entry("done", "yes"),
            Map.entry("topic", "HUM"),
            Map.entry("access", "OPEN"),
            Map.entry("bias", "tracking"),
            Map.entry("hertz", "100"),
            Map.entry("direction", "CW_HOTTER"),
            Map.entry("when", "BEFORE"),
            Map.entry("sight", "COOKED"),
            Map.entry("grade", "NONE"),
            Map.entry("wanted", "yes"),
            Map.entry("values", "250; 270"));

    private static final List<String> TYPED = List.of(
            "",
            "??",
            "1",
            "47 k",
            "431 V",
            "yes",
            "no",
            "off",
            "OFF",
            "CCW",
            "DRAINED",
            "HUM",
            "120",
            "150 Ω; 180",
            "x".repeat(61),
            "x".repeat(501));

    @Test
    void areWhatTheyWere() {
        List<String> lines = new ArrayList<>();
        for (Kind<?> kind : Events.KINDS) {
            lines.add(kind.word() + ": " + told(kind, "", ""));
            for (String field : kind.names()) {
                TYPED.forEach(text -> lines.add(kind.word() + "." + field + " “"
                        + (text.length() > 60 ? text.length() + " letters" : text) + "”: "
                        + told(kind, field, text)));
            }
        }
        GoldenAnswers.same("events.txt", lines);
    }

    private static String told(Kind<?> kind, String field, String text) {
        Map<String, String> fields = new LinkedHashMap<>();
        kind.names().stream().filter(USUAL::containsKey).forEach(f -> fields.put(f, USUAL.get(f)));
        fields.put(field, text);
        fields.remove("");
        try {
            return EventReader.read(
                            new EventForm(UUID.randomUUID().toString(), kind.word(), null, null, "", fields), AMP, 0)
                    .event()
                    .toString()
                    .replaceAll("x{50,}", "xx…");
        } catch (EventReader.NotUnderstood refused) {
            return refused.field() + " → " + refused.getMessage() + refused.choices();
        }
    }
}
