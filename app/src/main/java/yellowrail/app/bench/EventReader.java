package yellowrail.app.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.Texts;
import yellowrail.app.forms.Words;
import yellowrail.app.rounds.RoundReader;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.MeterText;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Understanding;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Event;
import yellowrail.core.session.events.EntryField;
import yellowrail.core.session.events.Events;
import yellowrail.core.session.events.Kind;
import yellowrail.core.session.events.Said;

/** Reads an event as sent into one of the core, or says at which field it was not understood. */
public final class EventReader implements Said {
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
        String word = form.kind() == null ? "" : form.kind();
        Kind<?> kind = Events.kind(word)
                .orElseThrow(() ->
                        new NotUnderstood("kind", "“" + shorten(word) + "” is no kind of entry.", Events.words()));
        List<String> names = kind.names();
        form.fields().keySet().stream()
                .filter(f -> !names.contains(f))
                .findFirst()
                .ifPresent(f -> {
                    throw new NotUnderstood(
                            f,
                            "An entry of kind “" + word + "” has no field called “" + shorten(f) + "”; it has "
                                    + (names.isEmpty() ? "none." : String.join(", ", names) + "."),
                            names);
                });
        kind.fields().forEach(this::notTooLong);
        return kind.read(this);
    }

    private void notTooLong(EntryField<?> field) {
        int most = switch (field.longest()) {
            case NAME -> Texts.NAME;
            case SENTENCE -> Texts.SENTENCE;
            case NOTE -> Texts.NOTE;
        };
        String text = form.field(field.name());
        if (text.length() > most) {
            throw new NotUnderstood(field.name(), Texts.tooLong(most, text), List.of());
        }
    }

    private static String shorten(String text) {
        return FieldErrors.shorten(text);
    }

    @Override
    public String text(String field) {
        return form.field(field);
    }

    @Override
    public Optional<Boolean> yesNo(String field) {
        String text = form.field(field);
        if (!text.isEmpty() && !Words.YES_NO.containsKey(text)) {
            throw neither(field);
        }
        return Optional.ofNullable(Words.YES_NO.get(text));
    }

    @Override
    public boolean yesOrNo(String field) {
        return yesNo(field).orElseThrow(() -> neither(field));
    }

    private NotUnderstood neither(String field) {
        return new NotUnderstood(
                field,
                "“" + shorten(form.field(field)) + "” is neither yes nor no.",
                List.copyOf(Words.YES_NO.keySet()));
    }

    @Override
    public BiasScheme bias(String field) {
        return Words.fixedBias(form.field(field))
                .orElseThrow(() -> new NotUnderstood(
                        field,
                        "“" + shorten(form.field(field)) + "” is none of tracking, constant.",
                        List.of("tracking", "constant")));
    }

    @Override
    public List<Double> ohms(String field, int most) {
        List<Double> ohms = new ArrayList<>();
        for (String text : form.field(field).split("[;\\s]+")) {
            Understanding understood = MeterText.understand(text, Quantity.SENSE_OHMS.field());
            if (!text.isBlank()) {
                ohms.add(understood
                        .value()
                        .orElseThrow(() -> new NotUnderstood(
                                field,
                                "“" + text + "”: " + understood.complaint().orElse("not a value."),
                                List.of()))
                        .value());
            }
        }
        if (ohms.size() > most) {
            throw new NotUnderstood(field, "At most " + most + " values.", List.of());
        }
        return ohms;
    }

    @Override
    public Typed reading(String name, Quantity quantity, String point) {
        Field field = RoundReader.field(amp, quantity, point);
        Understanding understood = MeterText.understand(form.field(name), field);
        Typed typed = understood
                .value()
                .orElseThrow(() -> new NotUnderstood(
                        name,
                        understood
                                .complaint()
                                .orElse("Nothing was typed: " + field.name() + " is read in " + field.shownUnit()
                                        + "."),
                        understood instanceof Understanding.Ask ask
                                ? ask.choices().stream().map(Typed::echo).toList()
                                : List.of()));
        if (quantity == Quantity.MAINS && !Mains.possible(typed.value())) {
            throw new NotUnderstood(name, "No outlet gives " + typed.echo() + "; 300 V at most.", List.of());
        }
        return typed;
    }

    @Override
    public <E> E one(String field, List<E> values, Function<E, String> word) {
        for (E value : values) {
            if (word.apply(value).equals(form.field(field))) {
                return value;
            }
        }
        List<String> known = values.stream().map(word).toList();
        throw new NotUnderstood(
                field, "“" + shorten(form.field(field)) + "” is none of " + String.join(", ", known) + ".", known);
    }
}
