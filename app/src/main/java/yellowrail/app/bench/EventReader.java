package yellowrail.app.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import yellowrail.app.rounds.RoundReader;
import yellowrail.core.adjust.Control;
import yellowrail.core.amp.AmpDescription;
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
    private static final int LONGEST_TEXT = 1000;

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
        long age = form.madeAt() == null || form.sentAt() == null ? 0 : Math.max(0, form.sentAt() - form.madeAt());
        String device = form.device() == null || form.device().isBlank()
                ? "unnamed"
                : form.device().strip();
        if (device.length() > 60) {
            throw new NotUnderstood("device", "A device's name has at most 60 characters.", List.of());
        }
        return new Entry(id, now - age, device, reader.event());
    }

    private Event event() {
        form.fields().forEach((name, text) -> {
            if (text != null && text.length() > LONGEST_TEXT) {
                throw new NotUnderstood(
                        name, "At most " + LONGEST_TEXT + " characters; this has " + text.length() + ".", List.of());
            }
        });
        return switch (form.kind() == null ? "" : form.kind()) {
            case "enter" -> new Event.Entered(one("stop", Stop.class));
            case "skip" -> new Event.Skipped(one("stop", Stop.class), form.field("reason"));
            case "declare" -> new Event.Declared(one("power", Power.class));
            case "limiter" -> new Event.LimiterSet(form.field("on").equals("yes"));
            case "tick" ->
                new Event.Ticked(
                        one("check", Check.class),
                        form.field("point"),
                        !form.field("done").equals("no"));
            case "read" -> reading();
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
                        form.field("blind").equals("yes"));
            case "hear" -> new Event.Heard(form.field("label"), form.field("text"));
            case "choose" -> new Event.Chose(form.field("label"));
            case "aim" -> new Event.Aimed(form.field("target"), form.field("reason"));
            case "tier" ->
                new Event.Tiered(
                        form.field("tier"),
                        form.field("items"),
                        form.field("chosen").equals("yes"));
            case "drawer" -> drawer();
            case "stop" -> new Event.EmergencyStop(form.field("what"));
            case "resume" -> new Event.Resumed(form.field("found"));
            case "sign" -> new Event.SignedOff(shortText("by"), form.field("remarks"));
            default -> throw new NotUnderstood("kind", "“" + form.kind() + "” is no kind of entry.", List.of());
        };
    }

    private String shortText(String name) {
        if (form.field(name).length() > 60) {
            throw new NotUnderstood(name, "At most 60 characters.", List.of());
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
        return new Event.Read(quantity, point, typed, form.field("supersedes"), form.field("reason"));
    }

    private <E extends Enum<E>> E one(String name, Class<E> type) {
        for (E value : type.getEnumConstants()) {
            if (value.name().equals(form.field(name))) {
                return value;
            }
        }
        throw new NotUnderstood(name, "“" + form.field(name) + "” is not one of the choices here.", List.of());
    }
}
