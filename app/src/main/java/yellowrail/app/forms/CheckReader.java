package yellowrail.app.forms;

import static yellowrail.app.forms.CheckForm.or;

import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Connection;
import yellowrail.core.amp.GridVoltsOnly;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.SenseResistor;
import yellowrail.core.amp.SensingMethod;
import yellowrail.core.amp.Topology;
import yellowrail.core.idle.Circumstances;
import yellowrail.core.idle.IdleQuestion;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.idle.ScreenCurrent;
import yellowrail.core.idle.StageFacts;
import yellowrail.core.reading.Accuracy;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Pairing;
import yellowrail.core.reading.Typed;
import yellowrail.core.target.Target;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;

/** Makes a question for the core of a form, and sentences of what could not be understood. */
public final class CheckReader {
    private static final double DEFAULT_NOMINAL = 230;

    private final CheckForm form;
    private final Catalogue catalogue;
    private final List<Window> windows;
    private final List<Meter> meters;
    private final Complaints complaints = new Complaints();
    private Optional<Lookup> lookup = Optional.empty();
    private boolean methodKnown;

    private CheckReader(CheckForm form, Catalogue catalogue, List<Window> windows, List<Meter> meters) {
        this.form = form;
        this.catalogue = catalogue;
        this.windows = windows;
        this.meters = meters;
    }

    /**
     * A form as read.
     *
     * @param question the question, with whatever was not understood left out
     * @param complaints sentences by field
     * @param lookup what the tube name led to; empty when none was typed
     * @param methodKnown whether the sensing method is complete
     */
    public record Read(IdleQuestion question, Complaints complaints, Optional<Lookup> lookup, boolean methodKnown) {}

    /**
     * @param windows the target windows that can be named
     * @param meters the meters that can be named
     */
    public static Read read(CheckForm form, Catalogue catalogue, List<Window> windows, List<Meter> meters) {
        CheckReader reader = new CheckReader(form, catalogue, windows, meters);
        IdleQuestion question = reader.question();
        return new Read(question, reader.complaints, reader.lookup, reader.methodKnown);
    }

    private IdleQuestion question() {
        Topology topology = complaints.pick("topology", form.topology(), Words.TOPOLOGY, Topology.PUSH_PULL);
        Connection connection = complaints.pick("connection", form.connection(), Words.CONNECTION, Connection.PENTODE);
        BiasScheme bias = complaints.pick("bias", form.bias(), Words.BIAS, BiasScheme.FIXED_UNKNOWN);
        double tap = tap(connection);
        Optional<TubeType> type = type();
        StageFacts stage = new StageFacts(type, edition(type), topology, connection, bias);
        Optional<SensingMethod> method = new MethodReader(MethodForm.of(form), complaints).read(connection, tap);
        methodKnown = method.isPresent();
        SensingMethod known = method.orElse(new GridVoltsOnly());
        Optional<Typed> reading = method.flatMap(m -> complaints.quantity("reading", form.reading(), m.field()));
        Meter meter = meter();
        return new IdleQuestion(
                stage,
                known,
                reading,
                meter,
                plate(),
                meter,
                screen(),
                complaints.quantity("vg2", form.vg2(), Fields.SCREEN),
                circumstances(),
                target(method),
                ceiling(bias, topology));
    }

    private double tap(Connection connection) {
        if (connection != Connection.ULTRALINEAR) {
            return 0;
        }
        Optional<Typed> percent = complaints.quantity("tap", or(form.tap(), "40"), Fields.PERCENT);
        if (percent.isPresent() && percent.get().value() > 100) {
            complaints.add("tap", "A tap lies within 0 to 100 % of the half primary's turns.");
            return 0.4;
        }
        return percent.map(Typed::value).orElse(40.0) / 100;
    }

    private Optional<TubeType> type() {
        String name = or(form.tube(), "");
        if (name.isEmpty()) {
            return Optional.empty();
        }
        if (name.length() > 40) {
            complaints.add("tube", "A tube type has at most 40 characters; this text has " + name.length() + ".");
            return Optional.empty();
        }
        Lookup found = catalogue.find(name);
        lookup = Optional.of(found);
        return found instanceof Lookup.Found f ? Optional.of(f.type()) : Optional.empty();
    }

    private Optional<Ratings> edition(Optional<TubeType> type) {
        String name = or(form.edition(), "");
        if (name.isEmpty() || type.isEmpty()) {
            return Optional.empty();
        }
        return type.get().edition(name);
    }

    private PlateVolts plate() {
        PlateVolts.Reference reference =
                complaints.pick("ref", form.ref(), Words.REFERENCE, PlateVolts.Reference.CHASSIS);
        return new PlateVolts(
                reference,
                complaints.quantity("volts", form.volts(), Fields.PLATE),
                complaints.quantity("vk", form.vk(), Fields.CATHODE),
                complaints.quantity("rhalf", form.rhalf(), Fields.WINDING_OHMS),
                complaints.count("side", form.side(), 1, 4, 1));
    }

    private ScreenCurrent screen() {
        switch (or(form.screen(), "share")) {
            case "none":
                return new ScreenCurrent.NotCounted();
            case "measured":
                Optional<Typed> drop = complaints.quantity("g2drop", form.g2drop(), Fields.SCREEN_DROP);
                Optional<Typed> ohms = complaints.quantity("g2r", form.g2r(), Fields.SCREEN_OHMS);
                int screens = complaints.count("g2n", form.g2n(), 1, 8, 1);
                if (drop.isPresent() && ohms.isPresent() && ohms.get().value() <= 1e6) {
                    return new ScreenCurrent.Measured(
                            drop.get(), SenseResistor.marked(ohms.get().value(), 5), screens);
                }
                return new ScreenCurrent.TypeShare();
            case "share":
                return new ScreenCurrent.TypeShare();
            default:
                complaints.add(
                        "screen", "“" + Complaints.shorten(form.screen()) + "” is none of share, measured, none.");
                return new ScreenCurrent.TypeShare();
        }
    }

    private Meter meter() {
        if (!"own".equals(form.meter())) {
            Optional<Meter> kept =
                    meters.stream().filter(m -> m.name().equals(form.meter())).findFirst();
            return kept.orElseGet(() -> complaints.pick("meter", form.meter(), Words.METER, Meter.HANDHELD));
        }
        return new Meter(
                "own meter",
                accuracy("accv", form.accv(), Meter.HANDHELD.volts()),
                accuracy("acca", form.acca(), Meter.HANDHELD.amperes()),
                accuracy("acco", form.acco(), Meter.HANDHELD.ohms()));
    }

    /** {@code 0.5+2}: per cent of reading and counts. */
    private Accuracy accuracy(String field, String text, Accuracy fallback) {
        if (text == null || text.isBlank()) {
            return fallback;
        }
        String[] parts = text.replace(',', '.')
                .replaceAll("[\\s%]|counts?|digits?|±|\\(|\\)", "")
                .split("\\+", 2);
        boolean numbers =
                parts.length == 2 && parts[0].matches("\\d{1,3}(\\.\\d{1,6})?") && parts[1].matches("\\d{1,3}");
        if (!numbers || Double.parseDouble(parts[0]) > 100) {
            complaints.add(
                    field,
                    "“" + Complaints.shorten(text) + "” was not understood. Write per cent of reading and"
                            + " counts, for example 0.5+2.");
            return fallback;
        }
        return new Accuracy(Double.parseDouble(parts[0]), Double.parseDouble(parts[1]));
    }

    /** Told how far apart, the core decides whether that is too far; told only that they are apart, it is. */
    private Pairing pairing() {
        if (!"before".equals(form.pair())) {
            return Pairing.together();
        }
        Optional<Double> minutes =
                complaints.quantity("minutes", form.minutes(), Fields.MINUTES).map(Typed::value);
        Optional<Double> moved =
                complaints.quantity("moved", form.moved(), Fields.CHANGE).map(t -> t.value() / 100);
        return minutes.isEmpty() || moved.isEmpty()
                ? new Pairing(minutes, moved, true)
                : new Pairing(minutes, moved, false);
    }

    private Circumstances circumstances() {
        Pairing pairing = pairing();
        Optional<Double> spread =
                complaints.quantity("spread", form.spread(), Fields.PERCENT).map(t -> t.value() / 100);
        if (spread.isPresent() && spread.get() > 1) {
            complaints.add("spread", "A spread is 0 to 100 % of the mean.");
            spread = Optional.empty();
        }
        return new Circumstances(
                mains(), complaints.yes(form.limiter()), complaints.yes(form.reduced()), pairing, spread);
    }

    private Optional<Mains> mains() {
        Optional<Double> now =
                complaints.quantity("mains", form.mains(), Fields.MAINS).map(Typed::value);
        double nominal = complaints
                .quantity("nominal", form.nominal(), Fields.MAINS)
                .map(Typed::value)
                .orElse(DEFAULT_NOMINAL);
        double highest = complaints
                .quantity("highest", form.highest(), Fields.MAINS)
                .map(Typed::value)
                .orElse(nominal * 1.1);
        try {
            return Optional.of(new Mains(now, nominal, nominal * 0.9, highest));
        } catch (IllegalArgumentException refused) {
            complaints.add(now.filter(v -> v > 300).isPresent() ? "mains" : "highest", sentence(refused));
            return Optional.empty();
        }
    }

    private Optional<Target> target(Optional<SensingMethod> method) {
        String name = or(form.target(), "");
        if (name.isEmpty()) {
            return Optional.empty();
        }
        if (name.equals("own")) {
            return ownWindow();
        }
        if (name.equals("maker")) {
            return method.flatMap(m -> complaints.quantity("maker", form.maker(), m.field()))
                    .map(Target.MakersFigure::new);
        }
        Optional<Target> named = windows.stream()
                .filter(w -> w.name().equals(name))
                .map(w -> (Target) w)
                .findFirst();
        if (named.isEmpty()) {
            complaints.add("target", "There is no target called “" + Complaints.shorten(name) + "”.");
        }
        return named;
    }

    private Optional<Target> ownWindow() {
        Optional<Typed> low = complaints.quantity("lo", form.lo(), Fields.PERCENT);
        Optional<Typed> high = complaints.quantity("hi", form.hi(), Fields.PERCENT);
        if (low.isEmpty() || high.isEmpty()) {
            return Optional.empty();
        }
        try {
            return Optional.of(
                    new Window("own", low.get().value() / 100, high.get().value() / 100, "your own window"));
        } catch (IllegalArgumentException refused) {
            complaints.add("hi", sentence(refused));
            return Optional.empty();
        }
    }

    private double ceiling(BiasScheme bias, Topology topology) {
        double usual = bias.usualCeiling(topology);
        Optional<Typed> typed = complaints.quantity("ceiling", form.ceiling(), Fields.PERCENT);
        if (typed.isPresent() && !(typed.get().value() > 0 && typed.get().value() <= 150)) {
            complaints.add("ceiling", "A ceiling lies above 0 and at most at 150 % of the rating.");
            return usual;
        }
        return typed.map(t -> t.value() / 100).orElse(usual);
    }

    private static String sentence(IllegalArgumentException refused) {
        String text = refused.getMessage();
        return Character.toUpperCase(text.charAt(0)) + text.substring(1) + ".";
    }
}
