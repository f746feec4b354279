package yellowrail.app.rounds;

import static yellowrail.app.forms.CheckForm.or;

import java.nio.charset.StandardCharsets;
import java.time.OffsetDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import yellowrail.app.forms.CheckFields;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.forms.MeterName;
import yellowrail.app.forms.SensingTexts;
import yellowrail.app.forms.Texts;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.round.Answered;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.RoundState;

/** Reads a typed round: which points this amp has, what was typed at each, and what was not understood. */
public final class RoundReader {
    /**
     * A point of the amp that can be read.
     *
     * @param field what it takes
     * @param spec how it is asked for
     */
    public record Point(Quantity quantity, String name, Field field, FieldSpec<Optional<Typed>> spec) {
        Point(Quantity quantity, String name, Field field, String label) {
            this(quantity, name, field, FieldSpec.reading(RoundForm.key(quantity, name), label, field));
        }

        public String key() {
            return spec.name();
        }
    }

    /** A round as read: its state and readings, or sentences at its fields. */
    public record Read(RoundState state, OffsetDateTime takenAt, List<Reading> readings, FieldErrors complaints) {}

    private RoundReader() {}

    /** Every point of an amp in measuring order. */
    public static List<Point> points(AmpDescription amp) {
        List<Point> points = new ArrayList<>();
        points.add(new Point(Quantity.MAINS, "", Quantity.MAINS.field(), "Mains"));
        for (SenseGroup group : amp.groups()) {
            for (String socket : group.sockets()) {
                points.add(at(Quantity.PLATE, socket, "Plate " + socket));
            }
            points.add(new Point(
                    Quantity.CURRENT,
                    group.name(),
                    group.method().field(),
                    group.name() + ", meter " + group.method().words()));
            for (String socket : group.sockets()) {
                if (group.shared()) {
                    points.add(at(Quantity.INDIVIDUAL, socket, socket + " on an adaptor"));
                }
                if (!amp.bias().scheme().fixed() && !group.method().tellsCathodeVolts()) {
                    points.add(at(Quantity.CATHODE, socket, "Cathode " + socket));
                }
            }
        }
        for (Socket socket : amp.sockets()) {
            if (amp.stage().screenOhms().isPresent()) {
                points.add(at(Quantity.SCREEN_DROP, socket.name(), "Screen drop " + socket.name()));
            }
            points.add(at(Quantity.SCREEN, socket.name(), "Screen " + socket.name()));
            points.add(at(Quantity.GRID, socket.name(), "Grid " + socket.name()));
        }
        if (amp.supply().chokeOhms().isPresent()) {
            points.add(at(Quantity.CHOKE, "", "Drop over the choke"));
        }
        return points;
    }

    private static Point at(Quantity quantity, String name, String label) {
        return new Point(quantity, name, quantity.field(), label);
    }

    /** The field a stored quantity takes at a point of this amp. */
    public static Field field(AmpDescription amp, Quantity quantity, String point) {
        return points(amp).stream()
                .filter(p -> p.quantity() == quantity && p.name().equals(point))
                .map(Point::field)
                .findFirst()
                .orElse(quantity.field());
    }

    /**
     * @param roundId the round's id: readings get ids that follow from it, so that a repeated request stores once
     * @param now the time for a round that names none
     */
    public static Read read(RoundForm form, AmpDescription amp, UUID roundId, List<Meter> meters, OffsetDateTime now) {
        FieldErrors complaints = new FieldErrors();
        OffsetDateTime takenAt = takenAt(form, complaints, now);
        List<Reading> readings = new ArrayList<>();
        List<Point> points = points(amp);
        for (Point point : points) {
            Optional<Typed> typed = point.spec().read(form.value(point.quantity(), point.name()), complaints);
            if (typed.isPresent()
                    && point.quantity() == Quantity.MAINS
                    && !Mains.possible(typed.get().value())) {
                complaints.add(point.key(), "No outlet gives " + typed.get().echo() + "; 300 V at most.");
            }
            if (typed.isPresent()) {
                UUID id = UUID.nameUUIDFromBytes((roundId + "/" + point.key()).getBytes(StandardCharsets.UTF_8));
                readings.add(
                        Reading.of(id, roundId, readings.size(), point.quantity(), point.name(), typed.get(), takenAt));
            }
        }
        List<String> known = points.stream().map(Point::key).toList();
        form.values().keySet().stream()
                .filter(k -> !known.contains(k) && !or(form.values().get(k), "").isEmpty())
                .forEach(k -> complaints.add(k, "“" + FieldErrors.shorten(k) + "” is no point of this amp."));
        if (readings.isEmpty() && !complaints.any()) {
            complaints.add("round", "Nothing was typed yet: a round needs at least one reading.");
        }
        SensingTexts.refuseUnknown(form.said(), FieldSpec.names(RoundFields.ALL), complaints);
        String note = form.text(RoundFields.NOTE);
        if (note.length() > Texts.NOTE) {
            complaints.add(RoundFields.NOTE.name(), Texts.tooLong(Texts.NOTE, note));
        }
        for (String entry : form.confirmed()) {
            if (!known.contains(entry.split("=", 2)[0])) {
                complaints.add("confirmed", "“" + FieldErrors.shorten(entry) + "” is no point of this amp.");
            }
        }
        return new Read(state(form, meters, complaints), takenAt, readings, complaints);
    }

    private static RoundState state(RoundForm form, List<Meter> meters, FieldErrors complaints) {
        return new RoundState(
                MeterName.read(form.text(CheckFields.METER), meters, complaints),
                read(CheckFields.REFERENCE, form, complaints),
                Answered.of(read(CheckFields.LIMITER, form, complaints)),
                Answered.of(read(CheckFields.REDUCED, form, complaints)),
                Answered.of(read(CheckFields.APART, form, complaints)),
                read(CheckFields.SPREAD, form, complaints));
    }

    /** What was so while it was read is asked as in a check. */
    private static <T> T read(FieldSpec<T> field, RoundForm form, FieldErrors complaints) {
        return field.read(form.text(field), complaints);
    }

    private static OffsetDateTime takenAt(RoundForm form, FieldErrors complaints, OffsetDateTime now) {
        String text = form.text(RoundFields.TAKEN_AT);
        if (text.isEmpty()) {
            return now;
        }
        try {
            OffsetDateTime typed = OffsetDateTime.parse(text);
            if (typed.isAfter(now.plusMinutes(5)) || typed.getYear() < 1950) {
                complaints.add(RoundFields.TAKEN_AT.name(), "“" + text + "” lies in the future or before 1950.");
            }
            return typed;
        } catch (DateTimeParseException wrong) {
            complaints.add(
                    RoundFields.TAKEN_AT.name(),
                    "“" + FieldErrors.shorten(text) + "” is not a time such as 2026-03-14T19:30:00+01:00.");
            return now;
        }
    }
}
