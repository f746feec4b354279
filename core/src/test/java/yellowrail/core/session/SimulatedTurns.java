package yellowrail.core.session;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.UUID;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import yellowrail.core.Pinned;
import yellowrail.core.adjust.Advice;
import yellowrail.core.adjust.Control;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.MeterText;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Aimed;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.events.ToMiddle;
import yellowrail.core.session.events.Turned;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.standin.SimulatedMeter;
import yellowrail.core.standin.SimulatedStage;
import yellowrail.core.target.Profiles;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.TubeModels;
import yellowrail.core.tube.TubeType;

/** One evening of turning on a simulated amp: unlike tubes, a supply that sags, a mains that wanders, a real meter. */
final class SimulatedTurns {
    private static final List<String> TYPES = List.of("6L6GC", "EL34", "6V6GT", "KT88", "6550", "KT66", "EL84");
    private static final double MAINS = 230;
    private static final double HELD_WATTS = 5.8;

    /** What became of it. */
    record Evening(
            int turns,
            int controls,
            int again,
            boolean onMark,
            boolean overCeiling,
            int refused,
            int bounded,
            String why) {}

    private final Random random;
    private final boolean held;
    private final boolean basic;
    private final TubeType type;
    private final double rated;
    private final AmpDescription amp;
    private final double[] ohms;
    private final SimulatedMeter meter;
    private final Session session;
    private final JudgingBasis basis;
    private SimulatedStage stage;
    private double mains = 1;
    private long now = 1_760_000_000_000L;
    private boolean over;
    private final StringBuilder course = new StringBuilder();

    SimulatedTurns(long seed, boolean held, boolean basic) {
        this.random = new Random(seed);
        this.held = held;
        this.basic = basic;
        String designation = TYPES.get(random.nextInt(TYPES.size()));
        this.type = Catalogue.shippedType(designation).orElseThrow();
        this.rated = type.ratings().stream()
                .flatMap(r -> r.plateWatts().stream())
                .mapToDouble(f -> f.value())
                .min()
                .orElseThrow();
        int tubes = random.nextInt(3) == 0 ? 4 : 2;
        this.ohms = IntStream.range(0, tubes)
                .mapToDouble(i -> 10 * (1 + share(0.01)))
                .toArray();
        this.amp = SimulatedAmp.of(
                type.designation(),
                held,
                tubes,
                tubes == 4 && random.nextInt(3) == 0 ? ControlLayout.PER_SIDE : ControlLayout.PER_TUBE);
        this.meter = new SimulatedMeter(share(0.004));
        this.basis = new JudgingBasis(Map.of(designation, type), Profiles.SHIPPED, Optional.empty());
        double volts = volts();
        this.stage = new SimulatedStage(
                TubeModels.of(designation).orElseThrow(),
                IntStream.range(0, tubes).mapToObj(i -> 1 + share(0.15)).toList(),
                volts,
                (0.02 + 0.10 * random.nextDouble()) * volts / (tubes * 0.6 * rated / volts),
                random.nextInt(3) == 0 ? 0.8 * volts : Double.NaN,
                0,
                0,
                IntStream.range(0, tubes).mapToObj(i -> -150.0).toList());
        List<Double> from = Control.of(amp).stream()
                .map(c -> 0.35 + 0.35 * random.nextDouble())
                .toList();
        for (int pass = 0; pass < 3; pass++) {
            for (int i = 0; i < from.size(); i++) {
                setTo(Control.of(amp).get(i), from.get(i));
            }
        }
        this.session = new Session(Plan.usual(amp, Purpose.YEARLY_CHECK, basic ? Meter.BASIC : Meter.HANDHELD));
        List.of(Stops.BEFORE_POWER, Stops.DRAINED).forEach(s -> apply(new Skipped(s, "simulated")));
        List.of(new Declared(Power.ON_TUBES_IN), new Aimed("middle", ""), new ToMiddle(true))
                .forEach(this::apply);
        now += 12 * 60_000;
    }

    private double share(double most) {
        return most * (2 * random.nextDouble() - 1);
    }

    /** Well inside every published limit of the type, so that the mark is the window's middle. */
    private double volts() {
        double most = type.ratings().stream()
                .flatMap(r -> r.figure(Limit.SCREEN_VOLTS).stream())
                .mapToDouble(f -> f.value())
                .min()
                .orElse(400);
        return most * (0.72 + 0.12 * random.nextDouble());
    }

    private void apply(Event event) {
        now += 5_000;
        session.apply(new Entry(UUID.nameUUIDFromBytes(("" + now).getBytes()).toString(), now, "bench", event));
    }

    private int[] moved(Control control) {
        return IntStream.range(0, amp.sockets().size())
                .filter(i -> control.sockets().contains(amp.sockets().get(i).name()))
                .toArray();
    }

    private SimulatedStage turned(Control control, double grid) {
        List<Double> trims = new ArrayList<>();
        for (int i = 0; i < amp.sockets().size(); i++) {
            trims.add(stage.gridAt(i, 1));
        }
        for (int i : moved(control)) {
            trims.set(i, grid);
        }
        return stage.trimmed(trims);
    }

    /** Turns until a figure that rises with the current reaches a value. */
    private void turnUntil(Control control, ToDoubleFunction<SimulatedStage.Idle> figure, double value) {
        double low = -150;
        double high = 0;
        for (int i = 0; i < 30; i++) {
            double middle = (low + high) / 2;
            if (figure.applyAsDouble(idle(turned(control, middle))) < value) {
                low = middle;
            } else {
                high = middle;
            }
        }
        stage = turned(control, (low + high) / 2);
    }

    private void setTo(Control control, double shareOfRating) {
        turnUntil(
                control,
                idle -> IntStream.of(moved(control))
                        .mapToDouble(i -> idle.plateVolts() * idle.plate().get(i))
                        .max()
                        .orElseThrow(),
                shareOfRating * rated);
    }

    /** With a held grid supply the mains moves B+ alone. */
    private SimulatedStage.Idle idle(SimulatedStage s) {
        if (!held) {
            return s.idle(mains);
        }
        List<Double> trims = new ArrayList<>();
        for (int i = 0; i < amp.sockets().size(); i++) {
            trims.add(s.gridAt(i, 1) / mains);
        }
        return s.trimmed(trims).idle(mains);
    }

    private Typed typed(Quantity quantity, String point, double value, Unit unit) {
        String text = basic && quantity == Quantity.PLATE
                ? Math.round(value * (1 + meter.gainError())) + " V"
                : meter.show(value, unit);
        var field = quantity == Quantity.CURRENT ? amp.groupOf(point).method().field() : quantity.field();
        return MeterText.understand(text, field).value().orElseThrow();
    }

    private void read(Quantity quantity, String point, double value, Unit unit) {
        apply(Read.of(quantity, point, typed(quantity, point, value, unit)));
    }

    private double drop(SimulatedStage.Idle idle, int tube) {
        return idle.cathodeAmperes(tube) * ohms[tube];
    }

    private void round() {
        mains = 1 + share(0.005);
        SimulatedStage.Idle idle = idle(stage);
        read(Quantity.MAINS, "", MAINS * mains, Unit.VOLT);
        for (int i = 0; i < amp.sockets().size(); i++) {
            String name = amp.sockets().get(i).name();
            read(Quantity.PLATE, name, idle.plateVolts(), Unit.VOLT);
            read(Quantity.SCREEN, name, idle.screenVolts(), Unit.VOLT);
            read(Quantity.CURRENT, name, drop(idle, i), Unit.VOLT);
        }
        watch(idle);
    }

    private void watch(SimulatedStage.Idle idle) {
        over |= idle.plate().stream().anyMatch(plate -> idle.plateVolts() * plate > 0.8 * rated);
    }

    Evening turn() {
        Map<String, Integer> turns = new HashMap<>();
        int refused = 0;
        int bounded = 0;
        int controls = Control.of(amp).size();
        round();
        String why = "";
        for (int i = 0; i < 3 * controls; i++) {
            Advice advice = SessionAssessment.of(session, basis).advice();
            if (advice instanceof Advice.Rest) {
                break;
            }
            if (advice instanceof Advice.Refused no) {
                boolean asksToRead = no.reason().contains("read every point again")
                        || no.reason().startsWith("Not read in this setting")
                        || no.reason().startsWith("Nothing is read in this setting");
                if (!asksToRead) {
                    refused++;
                    why = no.reason();
                    break;
                }
                round();
                continue;
            }
            Advice.Turn turn = (Advice.Turn) advice;
            course.append(" ").append(Pinned.figures(turn));
            bounded += turn.between().isPresent() ? 1 : 0;
            Control control = Control.of(amp).stream()
                    .filter(c -> c.name().equals(turn.control()))
                    .findFirst()
                    .orElseThrow();
            int tube = IntStream.range(0, amp.sockets().size())
                    .filter(t -> amp.sockets().get(t).name().equals(turn.socket()))
                    .findFirst()
                    .orElseThrow();
            double stop = turn.between().map(b -> b.mid()).orElse(turn.stopAt().value());
            turnUntil(control, s -> drop(s, tube) * (1 + meter.gainError()), stop * (1 + share(0.001)));
            watch(idle(stage));
            turns.merge(turn.control(), 1, Integer::sum);
            apply(new Turned(turn.control(), Optional.empty(), ""));
        }
        int all = turns.values().stream().mapToInt(n -> n).sum();
        return new Evening(all, controls, all - turns.size(), onMark(), over, refused, bounded, why);
    }

    String course() {
        return course.toString();
    }

    /** Every control's hottest tube within 1 % of the mark, as shown. */
    private boolean onMark() {
        var present = SessionAssessment.of(session, basis).present();
        if (present.isEmpty() || !present.get().unmeasured().isEmpty()) {
            return false;
        }
        double aim = Profiles.named("middle").orElseThrow().aim();
        double shown = session.last(Quantity.MAINS, "").orElseThrow().typed().value() / MAINS;
        return Control.of(amp).stream().allMatch(c -> {
            double hottest = c.sockets().stream()
                    .mapToDouble(s -> SessionAssessment.socket(present.get(), s)
                            .orElseThrow()
                            .answer()
                            .share()
                            .orElseThrow()
                            .value())
                    .max()
                    .orElseThrow();
            double permitted = c.sockets().stream()
                    .flatMap(
                            s -> SessionAssessment.socket(present.get(), s).orElseThrow().answer().permitted().stream())
                    .mapToDouble(p -> p.share())
                    .min()
                    .orElse(1);
            double carried = hottest / Math.pow(shown, held ? HELD_WATTS : 2.5);
            return Math.abs(carried / Math.min(aim, permitted) - 1) <= 0.01;
        });
    }
}
