package yellowrail.app.bench;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import yellowrail.app.forms.Complaints;
import yellowrail.app.forms.Texts;
import yellowrail.app.forms.Words;
import yellowrail.app.rounds.RoundReader;
import yellowrail.core.adjust.Control;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.MeterText;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Understanding;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Check;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Event;
import yellowrail.core.session.Power;
import yellowrail.core.session.Stop;

/** Reads an event as sent into one of the core, or says at which field it was not understood. */
public final class EventReader {
    /** Fields that hold more than a sentence. */
    private static final List<String> NOTES = List.of("text", "remarks", "items", "what", "found", "values");

    private static final long OLDEST_MILLIS = 7 * 24 * 3_600_000L;
    /** The year 2286: ten digits of seconds. */
    private static final long LAST_MILLIS = 9_999_999_999_999L;

    /** Not understood: the field, why, and what could have been meant. */
    public static class NotUnderstood extends RuntimeException {
        private final String field;
        private final List<String> choices;

        NotUnderstood(String field, String sentence, List<String> choices) {
            super(sentence);
            this.field = field;
            this.choices = List.copyOf(choices);
        }

        public String field() {
            return field;
        }

        public List<String> choices() {
            return choices;
        }
    }

    private final EventForm form;
    private final AmpDescription amp;

    private EventReader(EventForm form, AmpDescription amp) {
        this.form = form;
        this.amp = amp;
    }

    /**
     * @param now milliseconds since 1970 by the server's clock: a device's clock counts only by how long ago it says
     * @throws NotUnderstood with the field and the sentence
     */
    public static Entry read(EventForm form, AmpDescription amp, long now) {
        EventReader reader = new EventReader(form, amp);
        String id;
        try {
            id = UUID.fromString(form.id()).toString();
        } catch (IllegalArgumentException | NullPointerException bad) {
            throw new NotUnderstood("id", "An entry needs an id of its own (a UUID).", List.of());
        }
        long age = age(form);
        String device = form.device() == null || form.device().isBlank()
                ? "unnamed"
                : form.device().strip();
        if (device.length() > Texts.NAME) {
            throw new NotUnderstood("device", "A device's name has at most 60 characters.", List.of());
        }
        return new Entry(id, now - age, device, reader.event());
    }

    /** How long ago it was made by the device's own clock; one that runs ahead counts as now. */
    private static long age(EventForm form) {
        if (form.madeAt() == null && form.sentAt() == null) {
            return 0;
        }
        for (Long time : new Long[] {form.madeAt(), form.sentAt()}) {
            if (time == null || time < 0 || time > LAST_MILLIS) {
                throw new NotUnderstood(
                        time == form.madeAt() ? "madeAt" : "sentAt",
                        "When an entry was made and when it is sent are given together, in milliseconds since 1970.",
                        List.of());
            }
        }
        long age = Math.max(0, form.sentAt() - form.madeAt());
        if (age > OLDEST_MILLIS) {
            throw new NotUnderstood(
                    "madeAt",
                    "This entry was made more than seven days ago; it is not taken any more. Note it in words if it still"
                            + " matters.",
                    List.of());
        }
        return age;
    }

    private Event event() {
        form.fields().forEach((name, text) -> {
            int most = NOTES.contains(name) ? Texts.NOTE : Texts.SENTENCE;
            if (text != null && text.length() > most) {
                throw new NotUnderstood(name, Texts.tooLong(most, text), List.of());
            }
        });
        String kind = form.kind() == null ? "" : form.kind();
        List<String> known = FIELDS.get(kind);
        if (known == null) {
            throw new NotUnderstood(
                    "kind", "“" + shorten(kind) + "” is no kind of entry.", List.copyOf(FIELDS.keySet()));
        }
        form.fields().keySet().stream()
                .filter(f -> !known.contains(f))
                .findFirst()
                .ifPresent(f -> {
                    throw new NotUnderstood(
                            f,
                            "An entry of kind “" + kind + "” has no field called “" + shorten(f) + "”; it has "
                                    + (known.isEmpty() ? "none." : String.join(", ", known) + "."),
                            known);
                });
        return switch (kind) {
            case "enter" -> new Event.Entered(one("stop", Stop.class));
            case "skip" -> new Event.Skipped(one("stop", Stop.class), form.field("reason"));
            case "declare" -> new Event.Declared(one("power", Power.class));
            case "limiter" -> new Event.LimiterSet(yesNo("on").orElseThrow(() -> neither("on")));
            case "tick" ->
                new Event.Ticked(
                        one("check", Check.class),
                        form.field("point"),
                        yesNo("done").orElseThrow(() -> neither("done")));
            case "read" -> reading();
            case "void" -> new Event.Voided(form.field("reading"), form.field("reason"));
            case "move" -> new Event.Moved(form.field("reading"), form.field("point"), form.field("reason"));
            case "cause" -> new Event.CauseFound(form.field("finding"), form.field("fact"));
            case "close" -> new Event.ClosedUnsigned(form.field("reason"));
            case "turn" ->
                new Event.Turned(
                        form.field("control"),
                        form.field("way").isEmpty() ? Optional.empty() : Optional.of(one("way", Event.Way.class)),
                        form.field("reason"));
            case "direction" ->
                new Event.DirectionSeen(form.field("control"), one("direction", Control.Direction.class));
            case "place" -> new Event.Placed(form.field("socket"), shortText("tube"));
            case "exchange" -> new Event.Exchanged(form.field("a"), form.field("b"));
            case "change" ->
                new Event.Changed(form.field("what"), form.field("from"), form.field("to"), form.field("reason"));
            case "note" -> new Event.Noted(one("topic", Event.Topic.class), form.field("text"));
            case "label" ->
                new Event.Labelled(
                        form.field("label").toUpperCase(Locale.ROOT),
                        yesNo("blind").orElse(false));
            case "hear" -> new Event.Heard(form.field("label"), form.field("text"));
            case "choose" -> new Event.Chose(form.field("label"));
            case "aim" -> new Event.Aimed(form.field("target"), form.field("reason"));
            case "bias" ->
                new Event.BiasTold(Optional.ofNullable(Words.BIAS.get(form.field("bias")))
                        .filter(BiasScheme.FIXED_UNKNOWN.outcomes()::contains)
                        .orElseThrow(() -> new NotUnderstood(
                                "bias",
                                "“" + shorten(form.field("bias")) + "” is none of tracking, constant.",
                                List.of("tracking", "constant"))));
            case "tier" ->
                new Event.Tiered(
                        form.field("tier"), form.field("items"), yesNo("chosen").orElse(false));
            case "drawer" -> drawer();
            case "stop" -> new Event.EmergencyStop(form.field("what"));
            case "resume" -> new Event.Resumed(form.field("found"));
            default -> new Event.SignedOff(shortText("by"), form.field("remarks"));
        };
    }

    /** The fields of each kind of entry. */
    private static final Map<String, List<String>> FIELDS = fields();

    private static Map<String, List<String>> fields() {
        Map<String, List<String>> fields = new LinkedHashMap<>();
        fields.put("enter", List.of("stop"));
        fields.put("skip", List.of("stop", "reason"));
        fields.put("declare", List.of("power"));
        fields.put("limiter", List.of("on"));
        fields.put("tick", List.of("check", "point", "done"));
        fields.put("read", List.of("quantity", "point", "text", "supersedes", "reason", "confirmed"));
        fields.put("void", List.of("reading", "reason"));
        fields.put("move", List.of("reading", "point", "reason"));
        fields.put("turn", List.of("control", "way", "reason"));
        fields.put("direction", List.of("control", "direction"));
        fields.put("place", List.of("socket", "tube"));
        fields.put("exchange", List.of("a", "b"));
        fields.put("change", List.of("what", "from", "to", "reason"));
        fields.put("cause", List.of("finding", "fact"));
        fields.put("note", List.of("topic", "text"));
        fields.put("label", List.of("label", "blind"));
        fields.put("hear", List.of("label", "text"));
        fields.put("choose", List.of("label"));
        fields.put("aim", List.of("target", "reason"));
        fields.put("bias", List.of("bias"));
        fields.put("tier", List.of("tier", "items", "chosen"));
        fields.put("drawer", List.of("values"));
        fields.put("stop", List.of("what"));
        fields.put("resume", List.of("found"));
        fields.put("close", List.of("reason"));
        fields.put("sign", List.of("by", "remarks"));
        return fields;
    }

    /** The kinds of entries. */
    static List<String> kinds() {
        return List.copyOf(FIELDS.keySet());
    }

    private static String shorten(String text) {
        return Complaints.shorten(text);
    }

    /** Yes or no; empty when it was not said, refused when it was said in another word. */
    private Optional<Boolean> yesNo(String name) {
        String text = form.field(name);
        if (!text.isEmpty() && !Words.YES_NO.containsKey(text)) {
            throw neither(name);
        }
        return Optional.ofNullable(Words.YES_NO.get(text));
    }

    private NotUnderstood neither(String name) {
        return new NotUnderstood(
                name, "“" + shorten(form.field(name)) + "” is neither yes nor no.", List.copyOf(Words.YES_NO.keySet()));
    }

    private String shortText(String name) {
        if (form.field(name).length() > Texts.NAME) {
            throw new NotUnderstood(name, Texts.tooLong(Texts.NAME, form.field(name)), List.of());
        }
        return form.field(name);
    }

    private Event drawer() {
        List<Double> ohms = new ArrayList<>();
        for (String text : form.field("values").split("[;\\s]+")) {
            Understanding understood = MeterText.understand(text, Quantity.SENSE_OHMS.field());
            if (!text.isBlank()) {
                ohms.add(understood
                        .value()
                        .orElseThrow(() -> new NotUnderstood(
                                "values",
                                "“" + text + "”: " + understood.complaint().orElse("not a value."),
                                List.of()))
                        .value());
            }
        }
        if (ohms.size() > 24) {
            throw new NotUnderstood("values", "At most 24 values.", List.of());
        }
        return new Event.Drawer(ohms);
    }

    private Event reading() {
        Quantity quantity = one("quantity", Quantity.class);
        String point = form.field("point");
        Field field = RoundReader.field(amp, quantity, point);
        Understanding understood = MeterText.understand(form.field("text"), field);
        Typed typed = understood
                .value()
                .orElseThrow(() -> new NotUnderstood(
                        "text",
                        understood
                                .complaint()
                                .orElse("Nothing was typed: " + field.name() + " is read in " + field.shownUnit()
                                        + "."),
                        understood instanceof Understanding.Ask ask
                                ? ask.choices().stream().map(Typed::echo).toList()
                                : List.of()));
        yesNo("confirmed");
        if (quantity == Quantity.MAINS && !Mains.possible(typed.value())) {
            throw new NotUnderstood("text", "No outlet gives " + typed.echo() + "; 300 V at most.", List.of());
        }
        return new Event.Read(quantity, point, typed, form.field("supersedes"), form.field("reason"));
    }

    private <E extends Enum<E>> E one(String name, Class<E> type) {
        for (E value : type.getEnumConstants()) {
            if (value.name().equals(form.field(name))) {
                return value;
            }
        }
        List<String> known =
                Arrays.stream(type.getEnumConstants()).map(Enum::name).toList();
        throw new NotUnderstood(
                name, "“" + shorten(form.field(name)) + "” is none of " + String.join(", ", known) + ".", known);
    }
}
