package yellowrail.app.forms;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.sensing.GridVoltsOnly;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.amp.sensing.Way;
import yellowrail.core.idle.Circumstances;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.idle.IdleQuestion;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.idle.ScreenCurrent;
import yellowrail.core.idle.Slip;
import yellowrail.core.idle.StageFacts;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.MeterText;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
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

    private final CheckForm form;
    private final Catalogue catalogue;
    private final List<Window> windows;
    private final List<Meter> meters;
    private final FieldErrors complaints = new FieldErrors();
    private Optional<Lookup> lookup = Optional.empty();
    private boolean methodKnown;
    private double tap;
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
                !form.text(CheckFields.READING).isEmpty());
    }

    /** The fields whose unusual values are confirmed: as they are typed now. */
    private Set<String> confirmed() {
        Confirmed said = Confirmed.read(form.text(CheckFields.CONFIRMED));
        Set<String> unknown = new TreeSet<>(said.texts().keySet());
        CheckForm.names().forEach(unknown::remove);
        unknown.forEach(
                name -> complaints.add("confirmed", "“" + FieldErrors.shorten(name) + "” is no field of a check."));
        return unknown.isEmpty() ? said.holding(form.answers()::text) : Set.of();
    }

    private IdleQuestion question() {
        Topology topology = form.read(CheckFields.TOPOLOGY, complaints);
        Connection connection = form.read(CheckFields.CONNECTION, complaints);
        // A cathode-bias resistor says how the tube is biased, as long as nothing else is said.
        Optional<Way<?>> way = MethodReader.way(form.text(CheckFields.METHOD));
        BiasScheme usual = way.filter(w -> w.tells() == Way.Tells.CURRENT_AND_CATHODE_VOLTS)
                        .isPresent()
                ? BiasScheme.CATHODE
                : BiasScheme.FIXED_UNKNOWN;
        BiasScheme bias = form.read(CheckFields.BIAS, complaints).orElse(usual);
        tap = tap(connection);
        Optional<TubeType> type = type();
        StageFacts stage = new StageFacts(type, edition(type), topology, connection, bias);
        Optional<SensingMethod> method =
                new MethodReader(form.sensing(), connection, tap, complaints).read(form.text(CheckFields.METHOD));
        methodKnown = method.isPresent();
        SensingMethod known = method.orElse(new GridVoltsOnly());
        Optional<Typed> reading = ofGrid(method) ? Optional.empty() : method.flatMap(this::reading);
        Meter meter = new CheckMeter(form, complaints, meters).meter();
        CheckVolts volts = new CheckVolts(form, complaints);
        CheckCircumstances around = new CheckCircumstances(form, complaints);
        CheckTarget aim = new CheckTarget(form, complaints, windows);
        PlateVolts plate = volts.plate();
        ScreenCurrent screen = volts.screen(type.map(TubeType::hasScreen).orElse(true));
        Optional<Typed> screenVolts = form.read(CheckFields.SCREEN_VOLTS, complaints);
        Circumstances circumstances = around.circumstances();
        mains = around.read();
        return new IdleQuestion(
                stage,
                known,
                reading,
                meter,
                plate,
                meter,
                screen,
                screenVolts,
                circumstances,
                aim.target(method),
                aim.ceiling(bias, topology));
    }

    private Optional<Typed> reading(SensingMethod method) {
        return complaints.quantity("reading", form.text(CheckFields.READING), method.field());
    }

    /** Negative volts where a current is taken: what they can tell is said as soon as they are recognised. */
    private boolean ofGrid(Optional<SensingMethod> method) {
        boolean grid = MethodReader.way(form.text(CheckFields.METHOD))
                .filter(w -> w.type() == GridVoltsOnly.class)
                .isPresent();
        Optional<Typed> volts = MeterText.understand(form.text(CheckFields.READING), Quantity.GRID.field())
                .value();
        boolean negative = !grid
                && volts.filter(v -> v.unit() == Unit.VOLT && v.value() <= LEAST_GRID)
                        .isPresent()
                && method.flatMap(m -> MeterText.understand(form.text(CheckFields.READING), m.field())
                                .value())
                        .isEmpty();
        if (negative) {
            complaints.add(
                    "reading",
                    "“" + FieldErrors.shorten(form.text(CheckFields.READING))
                            + "” looks like grid volts. They tell that bias is there and"
                            + " how it moves, never what the tube draws: the same grid volts are cold in one tube and"
                            + " dangerous in another. Read a current: across the cathode resistor, on an adaptor, or"
                            + " over half of the primary winding.");
        }
        return negative;
    }

    private double tap(Connection connection) {
        complaints.counts(CheckFields.TAP, form, connection == Connection.ULTRALINEAR, "in ultralinear");
        if (connection != Connection.ULTRALINEAR) {
            return 0;
        }
        String typed = form.text(CheckFields.TAP).isEmpty() ? "40" : form.text(CheckFields.TAP);
        Optional<Typed> percent = complaints.ranged("tap", typed, typed, Fields.TAP);
        return percent.map(Typed::value).orElse(40.0) / 100;
    }

    private Optional<TubeType> type() {
        String name = form.text(CheckFields.TUBE);
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
        String name = form.text(CheckFields.EDITION);
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
}
