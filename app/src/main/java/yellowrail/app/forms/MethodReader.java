package yellowrail.app.forms;

import static yellowrail.app.forms.CheckForm.or;

import java.util.Optional;
import yellowrail.core.amp.CathodeResistor;
import yellowrail.core.amp.CombinedPoint;
import yellowrail.core.amp.Connection;
import yellowrail.core.amp.DirectMilliamps;
import yellowrail.core.amp.GridVoltsOnly;
import yellowrail.core.amp.HalfPrimary;
import yellowrail.core.amp.OwnResistor;
import yellowrail.core.amp.PanelMeter;
import yellowrail.core.amp.SenseResistor;
import yellowrail.core.amp.SensingMethod;
import yellowrail.core.amp.SharedResistor;
import yellowrail.core.amp.SocketAdaptor;
import yellowrail.core.amp.SupplyResistor;
import yellowrail.core.reading.Typed;

/** Reads the sensing method and what belongs to it; empty, with a complaint at its field, when something is missing. */
public final class MethodReader {
    /** A true reading beside a panel meter's needle is taken as known within this share. */
    private static final double CALIBRATION_LIMIT = 0.03;

    private final MethodForm form;
    private final Complaints complaints;

    public MethodReader(MethodForm form, Complaints complaints) {
        this.form = form;
        this.complaints = complaints;
    }

    public Optional<SensingMethod> read(Connection connection, double tap) {
        int tubes = complaints.count("n", form.n(), 1, 8, 0);
        return switch (or(form.method(), "own")) {
            case "own" -> resistor().map(OwnResistor::new);
            case "adaptor" -> adaptor();
            case "shared" -> resistor().flatMap(r -> counted(tubes, 2).map(n -> new SharedResistor(r, n)));
            case "combined" ->
                resistor()
                        .flatMap(r -> counted(tubes, 1)
                                .map(n -> new CombinedPoint(
                                        r,
                                        n,
                                        complaints
                                                .quantity("other", form.other(), Fields.OTHER_LOADS)
                                                .map(Typed::value)
                                                .orElse(0.0))));
            case "cathode" -> resistor().flatMap(r -> counted(tubes, 1).map(n -> new CathodeResistor(r, n)));
            case "half" -> halfPrimary(connection, tap, tubes);
            case "ma" -> Optional.of(new DirectMilliamps(DirectMilliamps.Where.CATHODE, Optional.empty(), true));
            case "maplate" ->
                Optional.of(new DirectMilliamps(DirectMilliamps.Where.PLATE, bridge(), complaints.yes(form.ack())));
            case "panel" -> Optional.of(new PanelMeter(tubes == 0 ? 1 : tubes, calibration()));
            case "supply" -> resistor().map(SupplyResistor::new);
            case "grid" -> Optional.of(new GridVoltsOnly());
            default -> {
                complaints.add(
                        "method",
                        "“" + Complaints.shorten(form.method()) + "” is not a way of taking current known" + " here.");
                yield Optional.empty();
            }
        };
    }

    private Optional<Integer> counted(int tubes, int least) {
        if (tubes < least) {
            complaints.add("n", "How many tubes does this point carry? A number from " + least + " to 8.");
            return Optional.empty();
        }
        return Optional.of(tubes);
    }

    private Optional<SenseResistor> resistor() {
        Optional<Typed> marked = complaints.quantity("r", form.r(), Fields.SENSE_OHMS);
        Optional<Typed> measured = complaints.quantity("rm", form.rm(), Fields.SENSE_OHMS);
        double tolerance = tolerance();
        if (marked.isEmpty()) {
            if (!complaints.has("r")) {
                complaints.add("r", "The resistor's ohms are missing.");
            }
            return Optional.empty();
        }
        return guarded(
                "r", () -> new SenseResistor(marked.get().value(), tolerance, measured, complaints.yes(form.insist())));
    }

    private double tolerance() {
        double percent = complaints
                .quantity("rtol", or(form.rtol(), "1"), Fields.PERCENT)
                .map(Typed::value)
                .orElse(1.0);
        if (percent > 50) {
            complaints.add("rtol", "A tolerance is 0 to 50 %.");
            return 50;
        }
        return percent;
    }

    private Optional<SensingMethod> adaptor() {
        // mV per mA and ohms are the same number; the digits may carry either unit or none.
        Optional<Typed> scale = complaints.quantity("mvma", or(form.mvma(), "1"), Fields.SENSE_OHMS);
        double zero = complaints
                .quantity("zero", form.zero(), Fields.ZERO)
                .map(Typed::value)
                .orElse(0.0);
        double tolerance = tolerance();
        return scale.flatMap(s -> guarded("mvma", () -> new SocketAdaptor(s.value(), tolerance, zero)));
    }

    private Optional<SensingMethod> halfPrimary(Connection connection, double tap, int tubes) {
        Optional<Typed> cold = complaints.quantity("r", form.r(), Fields.WINDING_OHMS);
        if (cold.isEmpty() && !complaints.has("r")) {
            complaints.add("r", "The half primary's cold ohms are missing.");
        }
        Optional<Double> warmer =
                complaints.quantity("warm", form.warm(), Fields.WARMER).map(Typed::value);
        return cold.flatMap(c ->
                guarded("warm", () -> new HalfPrimary(c, warmer, tubes == 0 ? 1 : tubes, connection, tap)));
    }

    private Optional<DirectMilliamps.Bridge> bridge() {
        Optional<Typed> meter = complaints.quantity("rmeter", form.rmeter(), Fields.METER_OHMS);
        Optional<Typed> winding = complaints.quantity("r", form.r(), Fields.WINDING_OHMS);
        return meter.isPresent() && winding.isPresent()
                ? Optional.of(new DirectMilliamps.Bridge(
                        meter.get().value(), winding.get().value()))
                : Optional.empty();
    }

    private Optional<PanelMeter.Calibration> calibration() {
        Optional<Typed> divisions = complaints.quantity("caldiv", form.caldiv(), Fields.DIVISIONS);
        Optional<Typed> amperes = complaints.quantity("calma", form.calma(), Fields.CALIBRATION);
        if (divisions.isEmpty() || amperes.isEmpty()) {
            return Optional.empty();
        }
        return guarded(
                "calma",
                () -> new PanelMeter.Calibration(
                        divisions.get().value(), amperes.get().value(), CALIBRATION_LIMIT));
    }

    /** The core refuses impossible values with the value and the limit in its message: that sentence goes to the field. */
    private <T> Optional<T> guarded(String field, java.util.function.Supplier<? extends T> make) {
        try {
            return Optional.of(make.get());
        } catch (IllegalArgumentException refused) {
            complaints.add(field, refused.getMessage());
            return Optional.empty();
        }
    }
}
