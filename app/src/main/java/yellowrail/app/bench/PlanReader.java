package yellowrail.app.bench;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import yellowrail.app.forms.Complaints;
import yellowrail.app.forms.Words;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Purpose;

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
    public record Read(Optional<Plan> plan, Complaints complaints) {}

    public static Read read(BenchForm form, Optional<AmpDescription> amp, List<Meter> meters) {
        Complaints complaints = new Complaints();
        if (amp.isEmpty()) {
            complaints.add("amp", "Choose the amp on the bench.");
        }
        Optional<Purpose> purpose = List.of(Purpose.values()).stream()
                .filter(p -> p.name().equals(form.purpose()))
                .findFirst();
        if (purpose.isEmpty()) {
            complaints.add("purpose", "Choose why it is on the bench.");
        }
        Optional<Meter> meter =
                meters.stream().filter(m -> m.name().equals(form.meter())).findFirst();
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
        try {
            return new Read(
                    Optional.of(new Plan(
                            amp.orElseThrow(),
                            purpose.orElseThrow(),
                            meter.orElseThrow(),
                            reference,
                            hands.orElse(10.0),
                            soak.orElse(30.0),
                            amber.orElse(5.0),
                            red.orElse(10.0))),
                    complaints);
        } catch (IllegalArgumentException refused) {
            complaints.add(
                    refused.getMessage().startsWith("hands")
                            ? "hands"
                            : refused.getMessage().startsWith("a soak") ? "soak" : "heaterRed",
                    Character.toUpperCase(refused.getMessage().charAt(0))
                            + refused.getMessage().substring(1) + ".");
            return new Read(Optional.empty(), complaints);
        }
    }

    private static Optional<Double> number(Complaints complaints, String name, String text, Field field) {
        return complaints.quantity(name, text == null ? "" : text, field).map(Typed::value);
    }
}
