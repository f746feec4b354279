package yellowrail.app.forms;

import static yellowrail.app.forms.CheckForm.or;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.sensing.GridVoltsOnly;
import yellowrail.core.amp.sensing.HalfPrimary;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.amp.sensing.Way;
import yellowrail.core.idle.Circumstances;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.idle.IdleQuestion;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.idle.ScreenCurrent;
import yellowrail.core.idle.Slip;
import yellowrail.core.idle.StageFacts;
import yellowrail.core.reading.Accuracy;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.MeterText;
import yellowrail.core.reading.Pairing;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.target.Target;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;

/** Makes a question for the core of a form, and sentences of what could not be understood. */
public final class CheckReader {
    /** A grid reads this or below it, V. */
    private static final double LEAST_GRID = -2;

    private static final double DEFAULT_NOMINAL = 230;
    private static final Map<String, String> SCREENS = Map.of("share", "share", "measured", "measured", "none", "none");

    private final CheckForm form;
    private final Catalogue catalogue;
    private final List<Window> windows;
    private final List<Meter> meters;
    private final FieldErrors complaints = new FieldErrors();
    private Optional<Lookup> lookup = Optional.empty();
    private boolean methodKnown;
    private double tap;
    private boolean hasScreen = true;
    private Optional<Typed> mains = Optional.empty();

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
     * @param confirmed fields whose unusual values are confirmed
     * @param lookup what the tube name led to; empty when none was typed
     * @param tap ultralinear tap, 0 to 1
     * @param mains as it was read; empty when it was not, or cannot be
     * @param methodKnown whether the sensing method is complete
     * @param readingTyped whether something stands in the reading's field
     */
    public record Read(
            IdleQuestion question,
            FieldErrors complaints,
            Set<String> confirmed,
            Optional<Lookup> lookup,
            double tap,
            Optional<Typed> mains,
            boolean methodKnown,
            boolean readingTyped) {
        /** Whether the tube has no screen, and nothing of screens was typed that would have to be seen and taken out. */
        public boolean asksNothingOfScreens() {
            return question.stage().type().filter(t -> !t.hasScreen()).isPresent()
                    && OF_SCREENS.stream().noneMatch(complaints::has);
        }

        /** Asks about what is unusual in an answer and was not confirmed. */
        public void ask(IdleAnswer answer) {
            answer.slips().stream().filter(Slip::asks).forEach(s -> {
                String field = FIELDS.getOrDefault(s.about(), "reading");
                if (!confirmed.contains(field)) {
                    complaints.ask(field, s);
                }
            });
        }
    }

    private static final List<String> OF_SCREENS = List.of("screen", "g2drop", "g2r", "g2n", "vg2");

    private static final Map<Slip.About, String> FIELDS = Map.of(
            Slip.About.READING, "reading",
            Slip.About.PLATE_VOLTS, "volts",
            Slip.About.SCREEN_VOLTS, "vg2",
            Slip.About.CATHODE_VOLTS, "vk",
            Slip.About.MAINS, "mains");

    /**
     * @param windows the target windows that can be named
     * @param meters the meters that can be named
     */
    public static Read read(CheckForm form, Catalogue catalogue, List<Window> windows, List<Meter> meters) {
        CheckReader reader = new CheckReader(form, catalogue, windows, meters);
        IdleQuestion question = reader.question();
        return new Read(
                question,
                reader.complaints,
                reader.confirmed(),
                reader.lookup,
                reader.tap,
                reader.mains,
                reader.methodKnown,
                !or(form.reading(), "").isBlank());
    }

    /** The fields whose unusual values are confirmed: as they are typed now. */
    private Set<String> confirmed() {
        Set<String> names = new LinkedHashSet<>();
        for (String entry : or(form.confirmed(), "").split(";")) {
            String[] parts = entry.strip().split(":", 2);
            if (parts[0].isEmpty()) {
                continue;
            }
            if (!CheckForm.names().contains(parts[0])) {
                complaints.add("confirmed", "“" + FieldErrors.shorten(parts[0]) + "” is no field of a check.");
            } else if (parts.length == 1 || form.typed(parts[0]).equals(parts[1].strip())) {
                names.add(parts[0]);
            }
        }
        return names;
    }

    private IdleQuestion question() {
        Topology topology = complaints.pick("topology", form.topology(), Words.TOPOLOGY, Topology.PUSH_PULL);
        Connection connection = complaints.pick("connection", form.connection(), Words.CONNECTION, Connection.PENTODE);
        // A cathode-bias resistor says how the tube is biased, as long as nothing else is said.
        Optional<Way<?>> way = MethodReader.way(form.method());
        BiasScheme usual = way.filter(w -> w.tells() == Way.Tells.CURRENT_AND_CATHODE_VOLTS)
                        .isPresent()
                ? BiasScheme.CATHODE
                : BiasScheme.FIXED_UNKNOWN;
        BiasScheme bias = complaints.pick("bias", form.bias(), Words.BIAS, usual);
        tap = tap(connection);
        Optional<TubeType> type = type();
        hasScreen = type.map(TubeType::hasScreen).orElse(true);
        StageFacts stage = new StageFacts(type, edition(type), topology, connection, bias);
        SensingTexts.refuseUnknown(form.sensing(), CheckForm.names(), complaints);
        Optional<SensingMethod> method =
                new MethodReader(form.sensing(), connection, tap, complaints).read(form.method());
        methodKnown = method.isPresent();
        SensingMethod known = method.orElse(new GridVoltsOnly());
        Optional<Typed> reading = ofGrid(method) ? Optional.empty() : method.flatMap(this::reading);
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

    private Optional<Typed> reading(SensingMethod method) {
        return complaints.quantity("reading", form.reading(), method.field());
    }

    /** Negative volts where a current is taken: what they can tell is said as soon as they are recognised. */
    private boolean ofGrid(Optional<SensingMethod> method) {
        boolean grid = MethodReader.way(form.method())
                .filter(w -> w.type() == GridVoltsOnly.class)
                .isPresent();
        Optional<Typed> volts = MeterText.understand(or(form.reading(), ""), Quantity.GRID.field())
                .value();
        boolean negative = !grid
                && volts.filter(v -> v.unit() == Unit.VOLT && v.value() <= LEAST_GRID)
                        .isPresent()
                && method.flatMap(m -> MeterText.understand(or(form.reading(), ""), m.field())
                                .value())
                        .isEmpty();
        if (negative) {
            complaints.add(
                    "reading",
                    "“" + FieldErrors.shorten(form.reading())
                            + "” looks like grid volts. They tell that bias is there and"
                            + " how it moves, never what the tube draws: the same grid volts are cold in one tube and"
                            + " dangerous in another. Read a current: across the cathode resistor, on an adaptor, or"
                            + " over half of the primary winding.");
        }
        return negative;
    }

    private double tap(Connection connection) {
        complaints.counts("tap", form.tap(), connection == Connection.ULTRALINEAR, "in ultralinear");
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
        Optional<Ratings> picked = type.get().edition(name);
        if (picked.isEmpty()) {
            List<String> known =
                    type.get().ratings().stream().map(Ratings::edition).toList();
            complaints.add(
                    "edition",
                    "“" + FieldErrors.shorten(name) + "” is no edition of the "
                            + type.get().designation() + "’s ratings; there are " + String.join("; ", known) + ".",
                    known);
        }
        return picked;
    }

    private PlateVolts plate() {
        PlateVolts.Reference reference =
                complaints.pick("ref", form.ref(), Words.REFERENCE, PlateVolts.Reference.CHASSIS);
        boolean node = reference == PlateVolts.Reference.SUPPLY_NODE;
        complaints.counts("rhalf", form.rhalf(), node, "with plate volts read at the supply node");
        complaints.counts("side", form.side(), node, "with plate volts read at the supply node");
        return new PlateVolts(
                reference,
                complaints.quantity("volts", form.volts(), Fields.PLATE),
                complaints.quantity("vk", form.vk(), Fields.CATHODE),
                complaints.quantity("rhalf", form.rhalf(), HalfPrimary.OHMS),
                complaints.count("side", form.side(), 1, 4, 1));
    }

    private ScreenCurrent screen() {
        String source = complaints.pick("screen", form.screen(), SCREENS, "share");
        boolean measured = source.equals("measured");
        complaints.counts("screen", measured ? source : "", hasScreen, "with a tube that has a screen");
        complaints.counts("vg2", form.vg2(), hasScreen, "with a tube that has a screen");
        complaints.counts("g2drop", form.g2drop(), measured, "when the screen current is measured");
        complaints.counts("g2r", form.g2r(), measured, "when the screen current is measured");
        complaints.counts("g2n", form.g2n(), measured, "when the screen current is measured");
        if (source.equals("none")) {
            return new ScreenCurrent.NotCounted();
        }
        if (!measured) {
            return new ScreenCurrent.TypeShare();
        }
        Optional<Typed> drop = complaints.quantity("g2drop", form.g2drop(), Fields.SCREEN_DROP);
        Optional<Typed> ohms = complaints.quantity("g2r", form.g2r(), Fields.SCREEN_OHMS);
        int screens = complaints.count("g2n", form.g2n(), 1, 8, 1);
        if (drop.isEmpty()) {
            complaints.add("g2drop", "The screen current is measured: type the drop over the screen resistor.");
        }
        if (ohms.filter(o -> o.value() <= 1e6).isEmpty()) {
            complaints.add("g2r", "The screen current is measured: type the screen resistor's ohms, 1 MΩ at most.");
            return new ScreenCurrent.TypeShare();
        }
        return drop.isPresent()
                ? new ScreenCurrent.Measured(
                        drop.get(), SenseResistor.marked(ohms.get().value(), 5), screens)
                : new ScreenCurrent.TypeShare();
    }

    private Meter meter() {
        boolean own = "own".equals(form.meter());
        complaints.counts("accv", form.accv(), own, "with a meter of your own");
        complaints.counts("acca", form.acca(), own, "with a meter of your own");
        complaints.counts("acco", form.acco(), own, "with a meter of your own");
        if (!own) {
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
                    "“" + FieldErrors.shorten(text) + "” was not understood. Write per cent of reading and"
                            + " counts, for example 0.5+2.");
            return fallback;
        }
        return new Accuracy(Double.parseDouble(parts[0]), Double.parseDouble(parts[1]));
    }

    /** Told how far apart, the core decides whether that is too far; told only that they are apart, it is. */
    private Pairing pairing() {
        boolean apart = complaints.pick("pair", form.pair(), Words.PAIR, false);
        complaints.counts("minutes", form.minutes(), apart, "when the volts were taken before");
        complaints.counts("moved", form.moved(), apart, "when the volts were taken before");
        if (!apart) {
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
        complaints.counts(
                "spread",
                form.spread(),
                MethodReader.way(form.method()).filter(Way::several).isPresent(),
                "where one reading stands for several tubes");
        Optional<Double> spread =
                complaints.quantity("spread", form.spread(), Fields.PERCENT).map(t -> t.value() / 100);
        if (spread.isPresent() && spread.get() > 1) {
            complaints.add("spread", "A spread is 0 to 100 % of the mean.");
            spread = Optional.empty();
        }
        return new Circumstances(
                mains(),
                complaints.yes("limiter", form.limiter()),
                complaints.yes("reduced", form.reduced()),
                pairing,
                spread,
                Optional.empty());
    }

    private Optional<Mains> mains() {
        mains = complaints.quantity("mains", form.mains(), Fields.MAINS);
        if (mains.filter(v -> !Mains.possible(v.value())).isPresent()) {
            complaints.add(
                    "mains", "No outlet gives " + Show.siPlain(mains.get().value(), Unit.VOLT, 4) + "; 300 V at most.");
            mains = Optional.empty();
        }
        Optional<Double> now = mains.map(Typed::value);
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
        complaints.counts("lo", form.lo(), name.equals("own"), "with a target window of your own");
        complaints.counts("hi", form.hi(), name.equals("own"), "with a target window of your own");
        complaints.counts("maker", form.maker(), name.equals("maker"), "with the maker's figure as target");
        if (name.isEmpty()) {
            return Optional.empty();
        }
        if (name.equals("own")) {
            return ownWindow();
        }
        if (name.equals("maker")) {
            if (or(form.maker(), "").isEmpty()) {
                complaints.add("maker", "The target is the maker's figure: what shall the test point show?");
            }
            return method.flatMap(m -> complaints.quantity("maker", form.maker(), m.field()))
                    .map(Target.MakersFigure::new);
        }
        Optional<Target> named = windows.stream()
                .filter(w -> w.name().equals(name))
                .map(w -> (Target) w)
                .findFirst();
        if (named.isEmpty()) {
            complaints.add("target", "There is no target called “" + FieldErrors.shorten(name) + "”.");
        }
        return named;
    }

    private Optional<Target> ownWindow() {
        Optional<Typed> low = complaints.quantity("lo", form.lo(), Fields.PERCENT);
        Optional<Typed> high = complaints.quantity("hi", form.hi(), Fields.PERCENT);
        if (low.isEmpty() || high.isEmpty()) {
            complaints.add(low.isEmpty() ? "lo" : "hi", "Your own window needs both edges, in per cent of the rating.");
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
