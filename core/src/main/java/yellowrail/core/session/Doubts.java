package yellowrail.core.session;

import java.util.Map;
import java.util.Optional;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.sensing.SensedCurrent;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.amp.sensing.SocketAdaptor;
import yellowrail.core.idle.Slip;
import yellowrail.core.idle.Slips;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Read;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;

/** Whether a reading is so far from what it can be that it is asked about before it becomes an entry. */
public final class Doubts {
    private static final SensingMethod ADAPTOR = new SocketAdaptor(1, 1, 0);

    private final Session session;
    private final AmpDescription amp;
    private final Map<String, TubeType> types;
    private final Quantity quantity;
    private final String point;
    private final Typed typed;
    private final String supersedes;

    private Doubts(Session session, Map<String, TubeType> types, Read read) {
        this.session = session;
        this.amp = RoundAssembler.amp(session);
        this.types = types;
        this.quantity = read.quantity();
        this.point = read.point();
        this.typed = read.typed();
        this.supersedes = read.supersedes();
    }

    /**
     * @param types tube types by designation
     * @param field what the point takes
     */
    public static Optional<Slip> of(Session session, Map<String, TubeType> types, Read read, Field field) {
        Doubts doubts = new Doubts(session, types, read);
        return doubts.ofQuantity()
                .filter(Slip::asks)
                .or(() -> doubts.nearChassis() ? Optional.empty() : Slips.range(Slip.About.OTHER, read.typed(), field))
                .or(doubts::besideBefore);
    }

    /** With cathode bias the grids stand at the chassis: little or nothing is read there. */
    private boolean nearChassis() {
        return quantity == Quantity.GRID
                && amp.bias().scheme() == BiasScheme.CATHODE
                && Math.abs(typed.value()) < quantity.field().low();
    }

    private Optional<Slip> ofQuantity() {
        boolean gridSupply = amp.bias().scheme() != BiasScheme.CATHODE;
        return switch (quantity) {
            case CURRENT -> current(group(point).method());
            case INDIVIDUAL -> current(ADAPTOR);
            case PLATE -> Slips.plateVolts(typed, type(point), full());
            case SCREEN -> Slips.screenVolts(typed, plateOf(point));
            case MAINS -> Slips.mains(typed, amp.mains().nominal(), full());
            case GRID, GRID_COLDEST, GRID_HOTTEST, GRID_TUBE_OUT ->
                gridSupply ? Slips.gridVolts(typed, Slip.About.GRID_VOLTS) : Optional.empty();
            case BIAS_NODE -> Slips.gridVolts(typed, Slip.About.GRID_VOLTS);
            case HEATER, HEATER_UNLOADED -> Slips.heaterVolts(typed, heaterVolts());
            case UNLOADED -> node();
            case SENSE_OHMS ->
                group(point)
                        .method()
                        .element()
                        .flatMap(e -> Slips.besides(
                                Slip.About.OTHER, typed, Typed.of(e.markedOhms(), Unit.OHM), "marked on the part"));
            default -> Optional.empty();
        };
    }

    private SenseGroup group(String name) {
        return amp.groups().stream()
                .filter(g -> g.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private Optional<Slip> current(SensingMethod method) {
        if (!(method.see(typed, session.plan().meter()) instanceof SensedCurrent.Current seen)) {
            return Optional.empty();
        }
        String socket =
                quantity == Quantity.INDIVIDUAL ? point : group(point).sockets().get(0);
        Optional<TubeType> type = type(socket);
        Optional<Ratings> ratings =
                type.flatMap(t -> t.of(amp.judging().system()).or(t::strictest));
        return Slips.current(typed, seen, type, ratings, plateOf(socket), false);
    }

    private Optional<TubeType> type(String socket) {
        return amp.sockets().stream()
                .filter(s -> s.name().equals(socket))
                .findFirst()
                .map(Socket::tubeType)
                .map(types::get);
    }

    /** Plate volts as last read in this power-on, its own or any other's. */
    private Optional<Double> plateOf(String socket) {
        return session.last(Quantity.PLATE, socket)
                .filter(this::now)
                .map(r -> r.typed().value())
                .or(() -> session.holding().stream()
                        .filter(r -> r.quantity() == Quantity.PLATE && now(r))
                        .map(r -> r.typed().value())
                        .findFirst());
    }

    private boolean now(RecordedReading reading) {
        return reading.context().run() == session.context().run();
    }

    /** Whether the amp runs on its usual mains: no limiter, and not turned down on purpose. */
    private boolean full() {
        boolean down = session.last(Quantity.MAINS, "")
                .filter(this::now)
                .filter(m -> m.typed().value() < amp.mains().lowest())
                .isPresent();
        return !session.context().limiter() && !down;
    }

    private Optional<Double> heaterVolts() {
        return amp.supply()
                .windings()
                .heater()
                .volts()
                .or(() -> amp.sockets().stream()
                        .flatMap(s -> Optional.ofNullable(types.get(s.tubeType())).stream())
                        .flatMap(t -> t.heaterVolts().stream())
                        .map(Figure::value)
                        .findFirst());
    }

    /** A bias supply stands below the chassis, every other node above it and below the first. */
    private Optional<Slip> node() {
        if (amp.supply().below(point)) {
            return Slips.gridVolts(typed, Slip.About.NODE_VOLTS);
        }
        if (typed.value() < 0) {
            return Optional.of(Slips.belowChassis(typed));
        }
        boolean first = session.nodes().get(0).name().equals(point);
        Optional<TubeType> type = first ? type(amp.sockets().get(0).name()) : Optional.empty();
        return Slips.plateVolts(typed, type, full()).or(this::besideOtherNodes);
    }

    private Optional<Slip> besideOtherNodes() {
        return session.nodes().stream()
                .filter(n -> !n.name().equals(point))
                .flatMap(n -> session.last(Quantity.UNLOADED, n.name()).stream())
                .filter(r -> now(r) && r.typed().value() > 0)
                .flatMap(r -> Slips.besides(
                        Slip.About.NODE_VOLTS,
                        typed,
                        r.typed(),
                        "at " + r.point().name())
                        .stream())
                .findFirst();
    }

    /** Against what the same point showed before, in one setting. */
    private Optional<Slip> besideBefore() {
        boolean steady = quantity == Quantity.CURRENT
                || quantity == Quantity.INDIVIDUAL
                || quantity == Quantity.PLATE
                || quantity == Quantity.SCREEN
                || quantity == Quantity.GRID;
        if (!steady) {
            return Optional.empty();
        }
        Slip.About about =
                quantity == Quantity.CURRENT || quantity == Quantity.INDIVIDUAL ? Slip.About.READING : Slip.About.OTHER;
        // What is being corrected is no measure for its correction.
        return session.holding().stream()
                .filter(r -> r.isOf(quantity, point))
                .filter(r -> !r.id().equals(supersedes))
                .reduce((a, b) -> b)
                .filter(r -> r.context().stretch() == session.context().stretch())
                .flatMap(r -> Slips.besides(about, typed, r.typed(), "read there before in this setting"));
    }
}
