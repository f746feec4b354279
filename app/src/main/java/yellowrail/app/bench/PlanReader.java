package yellowrail.app.bench;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.MeterName;
import yellowrail.app.forms.Words;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Socket;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.session.Access;
import yellowrail.core.session.Memory;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.Setup;

/** Reads what a session is begun with. */
public final class PlanReader {
    private static final Field HANDS =
            Field.of("volts for hands", Unit.VOLT, Prefix.NONE, 1, 30).aboveZero();
    private static final Field SOAK =
            Field.of("the soak", Unit.MINUTE, Prefix.NONE, 10, 1440).aboveZero();
    private static final Field HEATER =
            Field.of("the heater band", Unit.PERCENT, Prefix.NONE, 0.5, 25).aboveZero();

    /** Plate volts of a session are read with the tubes in. */
    private static final Map<String, PlateVolts.Reference> REFERENCES = Words.REFERENCE.entrySet().stream()
            .filter(e -> e.getValue() != PlateVolts.Reference.TUBES_OUT)
            .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));

    private PlanReader() {}

    /** A plan, or the sentences that stand in its way. */
    public record Read(Optional<Plan> plan, FieldErrors complaints) {}

    public static Read read(BenchForm form, Optional<AmpDescription> amp, List<Meter> meters) {
        FieldErrors complaints = new FieldErrors();
        if (amp.isEmpty()) {
            complaints.add("amp", "Choose the amp on the bench.");
        }
        Optional<Purpose> purpose = List.of(Purpose.values()).stream()
                .filter(p -> p.name().equals(form.purpose()))
                .findFirst();
        if (purpose.isEmpty()) {
            complaints.add("purpose", "Choose why it is on the bench.");
        }
        Optional<Meter> meter = MeterName.of(form.meter(), meters);
        if (meter.isEmpty()) {
            complaints.add("meter", "Choose the meter you read with.");
        }
        Optional<Double> hands = number(complaints, "hands", form.hands(), HANDS);
        Optional<Double> soak = number(complaints, "soak", form.soak(), SOAK);
        Optional<Double> amber = number(complaints, "heaterAmber", form.heaterAmber(), HEATER);
        Optional<Double> red = number(complaints, "heaterRed", form.heaterRed(), HEATER);
        PlateVolts.Reference reference = complaints.pick("ref", form.ref(), REFERENCES, PlateVolts.Reference.CHASSIS);
        if (complaints.any()) {
            return new Read(Optional.empty(), complaints);
        }
        double handsVolts = hands.orElse(Plan.USUAL_HANDS_VOLTS);
        double soakMinutes = soak.orElse(Plan.USUAL_SOAK_MINUTES);
        double heaterAmber = amber.orElse(Plan.USUAL_HEATER_AMBER);
        double heaterRed = red.orElse(Plan.USUAL_HEATER_RED);
        Plan.handsRefusal(handsVolts).ifPresent(why -> complaints.add("hands", why));
        Plan.soakRefusal(soakMinutes).ifPresent(why -> complaints.add("soak", why));
        Plan.heaterRefusal(heaterAmber, heaterRed).ifPresent(why -> complaints.add("heaterRed", why));
        Setup setup = setup(form, amp.orElseThrow(), complaints);
        Plan.turnsRefusal(setup, amp.orElseThrow()).ifPresent(why -> complaints.add("turns", why));
        if (complaints.any()) {
            return new Read(Optional.empty(), complaints);
        }
        return new Read(
                Optional.of(new Plan(
                                amp.orElseThrow(),
                                purpose.orElseThrow(),
                                meter.orElseThrow(),
                                reference,
                                handsVolts,
                                soakMinutes,
                                heaterAmber,
                                heaterRed)
                        .worked(setup)),
                complaints);
    }

    private static Setup setup(BenchForm form, AmpDescription amp, FieldErrors complaints) {
        return new Setup(
                complaints.pick("access", form.access(), Words.ACCESS, Access.OPEN),
                complaints.yes("turns", form.turns()),
                complaints.yesNo("soaks", form.soaks()).orElse(true),
                changing(form.changing(), amp, complaints),
                Memory.NONE);
    }

    private static List<String> changing(String text, AmpDescription amp, FieldErrors complaints) {
        List<String> sockets = amp.sockets().stream().map(Socket::name).toList();
        String said = text == null ? "" : text.strip();
        if (said.isEmpty() || said.equals("all")) {
            return said.isEmpty() ? List.of() : sockets;
        }
        List<String> named = List.of(said.split("[,;\\s]+"));
        named.stream()
                .filter(s -> !sockets.contains(s))
                .findFirst()
                .ifPresent(s -> complaints.add(
                        "changing",
                        "This amp has no socket “" + FieldErrors.shorten(s) + "”; it has " + String.join(", ", sockets)
                                + ". Write “all” for every one."));
        return named.stream().distinct().toList();
    }

    private static Optional<Double> number(FieldErrors complaints, String name, String text, Field field) {
        return complaints.quantity(name, text == null ? "" : text, field).map(Typed::value);
    }
}
