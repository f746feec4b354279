package yellowrail.app.forms;

import static yellowrail.app.forms.CheckForm.or;

import java.util.List;
import java.util.Map;
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

    /** The words for the ways of taking current. */
    public static final List<String> METHODS = List.of(
            "own", "adaptor", "shared", "combined", "cathode", "half", "ma", "maplate", "panel", "supply", "grid");

    private static final List<String> RESISTORS = List.of("own", "shared", "combined", "cathode", "supply");

    /** Which ways of taking current each part of the form belongs to. */
    private static final Map<String, List<String>> PARTS = Map.ofEntries(
            Map.entry("r", List.of("own", "shared", "combined", "cathode", "supply", "half", "maplate")),
            Map.entry("rtol", List.of("own", "shared", "combined", "cathode", "supply", "adaptor")),
            Map.entry("rm", RESISTORS),
            Map.entry("insist", RESISTORS),
            Map.entry("n", List.of("shared", "combined", "cathode", "half", "panel")),
            Map.entry("other", List.of("combined")),
            Map.entry("mvma", List.of("adaptor")),
            Map.entry("zero", List.of("adaptor")),
            Map.entry("warm", List.of("half")),
            Map.entry("caldiv", List.of("panel")),
            Map.entry("calma", List.of("panel")),
            Map.entry("rmeter", List.of("maplate")),
            Map.entry("ack", List.of("maplate")));

    private final MethodForm form;
    private final Complaints complaints;

    public MethodReader(MethodForm form, Complaints complaints) {
        this.form = form;
        this.complaints = complaints;
    }

    public Optional<SensingMethod> read(Connection connection, double tap) {
        String word = or(form.method(), "own");
        PARTS.forEach((field, methods) ->
                complaints.counts(field, text(field), methods.contains(word), "with " + String.join(", ", methods)));
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
                Optional.of(
                        new DirectMilliamps(DirectMilliamps.Where.PLATE, bridge(), complaints.yes("ack", form.ack())));
            case "panel" -> Optional.of(new PanelMeter(tubes == 0 ? 1 : tubes, calibration()));
            case "supply" -> resistor().map(SupplyResistor::new);
            case "grid" -> Optional.of(new GridVoltsOnly());
            default -> {
                complaints.add(
                        "method",
                        "“" + Complaints.shorten(form.method()) + "” is none of " + String.join(", ", METHODS) + ".",
                        METHODS);
                yield Optional.empty();
            }
        };
    }

    private String text(String part) {
        return switch (part) {
            case "r" -> form.r();
            case "rtol" -> form.rtol();
            case "rm" -> form.rm();
            case "insist" -> form.insist();
            case "n" -> form.n();
            case "other" -> form.other();
            case "mvma" -> form.mvma();
            case "zero" -> form.zero();
            case "warm" -> form.warm();
            case "caldiv" -> form.caldiv();
            case "calma" -> form.calma();
            case "rmeter" -> form.rmeter();
            default -> form.ack();
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
                "r",
                () -> new SenseResistor(
                        marked.get().value(), tolerance, measured, complaints.yes("insist", form.insist())));
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
        if (meter.isPresent() != winding.isPresent()) {
            String missing = meter.isPresent() ? "r" : "rmeter";
            if (!complaints.has(missing)) {
                complaints.add(
                        missing,
                        "A meter across a half primary reads low by what flows beside it: both resistances are needed, the"
                                + " meter's and the winding's, or neither for a meter in the plate lead.");
            }
        }
        return meter.isPresent() && winding.isPresent()
                ? Optional.of(new DirectMilliamps.Bridge(
                        meter.get().value(), winding.get().value()))
                : Optional.empty();
    }

    private Optional<PanelMeter.Calibration> calibration() {
        Optional<Typed> divisions = complaints.quantity("caldiv", form.caldiv(), Fields.DIVISIONS);
        Optional<Typed> amperes = complaints.quantity("calma", form.calma(), Fields.CALIBRATION);
        if (divisions.isPresent() != amperes.isPresent()) {
            String missing = divisions.isPresent() ? "calma" : "caldiv";
            if (!complaints.has(missing)) {
                complaints.add(missing, "A calibration needs both: the divisions shown and the true current then.");
            }
        }
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
