package yellowrail.core.round;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.amp.sensing.SensedCurrent;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.amp.sensing.SocketAdaptor;
import yellowrail.core.idle.Circumstances;
import yellowrail.core.idle.Contradiction;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.idle.IdleCheck;
import yellowrail.core.idle.IdleQuestion;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.idle.ScreenCurrent;
import yellowrail.core.idle.StageFacts;
import yellowrail.core.idle.Statement;
import yellowrail.core.idle.Verdict;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.target.Target;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;

/** Judges a round of readings over all sockets of an amp. Pure: the same readings have the same answer. */
public final class RoundCheck {
    /** An adaptor of unknown tolerance behind a shared point is taken as ±1 %. */
    private static final SensingMethod ADAPTOR = new SocketAdaptor(1, 1, 0);

    private final AmpDescription amp;
    private final Map<String, TubeType> types;
    private final RoundReadings readings;
    private final Optional<Target> target;
    private final List<Window> windows;

    private RoundCheck(
            AmpDescription amp,
            Map<String, TubeType> types,
            RoundReadings readings,
            Optional<Target> target,
            List<Window> windows) {
        this.amp = amp;
        this.types = types;
        this.readings = readings;
        this.target = target;
        this.windows = windows;
    }

    /**
     * @param types the types as they were when the round was taken, by designation
     * @param windows target windows to turn into meter readings
     */
    public static RoundAnswer check(
            AmpDescription amp,
            Map<String, TubeType> types,
            RoundReadings readings,
            Optional<Target> target,
            List<Window> windows) {
        return new RoundCheck(amp, types, readings, target, windows).answer();
    }

    private RoundAnswer answer() {
        List<SocketAnswer> sockets = amp.sockets().stream().map(this::socket).toList();
        List<String> unmeasured = sockets.stream()
                .filter(s -> !s.measured())
                .map(s -> s.socket().name())
                .toList();
        Optional<SocketAnswer> worst = sockets.stream()
                .filter(SocketAnswer::measured)
                .max(Comparator.<SocketAnswer>comparingInt(
                                s -> s.answer().verdict().place().ordinal())
                        .thenComparingDouble(s ->
                                s.answer().judgedShare().map(Estimate::value).orElse(0.0)));
        List<Contradiction> contradictions = contradictions(sockets);
        GridVolts.Found grids = GridVolts.of(amp, readings, sockets);
        contradictions.addAll(grids.contradictions());
        return new RoundAnswer(
                sockets,
                overall(worst, sockets, unmeasured, contradictions, grids.weak()),
                worst.map(s -> s.socket().name()).orElse(""),
                balances(sockets),
                contradictions,
                unmeasured,
                grids.weak(),
                readings.turns().isPresent());
    }

    /** Volts that earlier versions took there are of a scale that nobody told: they say nothing. */
    private Optional<Typed> alone(String socket) {
        return Optional.ofNullable(readings.individual().get(socket)).filter(t -> t.unit() == Unit.AMPERE);
    }

    private SocketAnswer socket(Socket socket) {
        SenseGroup group = amp.groupOf(socket.name());
        Optional<Typed> alone = alone(socket.name());
        Optional<Typed> point = Optional.ofNullable(readings.points().get(group.name()));
        boolean useAlone = alone.isPresent() && group.shared();
        SensingMethod method = useAlone ? ADAPTOR : group.method();
        Optional<Typed> reading = useAlone ? alone : point;
        String voltsFrom = voltsFrom(socket);
        IdleQuestion question = new IdleQuestion(
                new StageFacts(
                        Optional.ofNullable(types.get(socket.tubeType())),
                        edition(socket),
                        amp.stage().topology(),
                        amp.stage().connection(),
                        amp.bias().scheme()),
                method,
                reading,
                readings.meter(),
                plate(socket, group, point, voltsFrom),
                readings.meter(),
                screen(socket),
                screenVolts(socket),
                new Circumstances(
                        Optional.of(amp.mains().at(readings.mainsOf(socket.name()))),
                        readings.limiter(),
                        readings.reduced(),
                        readings.pairingOf(socket.name()),
                        readings.spread(),
                        readings.ownExponent(),
                        readings.turns().isPresent() ? readings.turns().get().drift() : Optional.of(0.0)),
                target.filter(t -> !useAlone || t instanceof Window),
                amp.ceilingShare());
        IdleAnswer answer = IdleCheck.answer(question, windows);
        return new SocketAnswer(socket, question, answer, reading.isPresent(), voltsFrom);
    }

    /** The publication of the rating system the builder picked, where this type has one; else all of them have to hold. */
    private Optional<Ratings> edition(Socket socket) {
        return Optional.ofNullable(types.get(socket.tubeType()))
                .flatMap(t -> t.of(amp.judging().system()));
    }

    /** Its own plate volts, or those of another socket of the channel, which hangs on the same supply. */
    private String voltsFrom(Socket socket) {
        if (readings.plate().containsKey(socket.name())) {
            return socket.name();
        }
        Stream<Socket> sameChannel = amp.sockets().stream().filter(s -> s.channel() == socket.channel());
        return sameChannel
                .map(Socket::name)
                .filter(readings.plate()::containsKey)
                .findFirst()
                .orElse("");
    }

    private PlateVolts plate(Socket socket, SenseGroup group, Optional<Typed> point, String voltsFrom) {
        PlateVolts plate = PlateVolts.of(
                readings.reference(), Optional.ofNullable(readings.plate().get(voltsFrom)));
        Optional<Typed> cathode = Optional.ofNullable(readings.cathode().get(socket.name()))
                .or(() -> group.method().tellsCathodeVolts()
                        ? point.filter(p -> p.unit() == Unit.VOLT)
                        : Optional.empty());
        if (cathode.isPresent()) {
            plate = plate.withCathode(cathode.get());
        }
        Optional<Typed> winding = group.method().halfPrimaryOhms();
        if (winding.isPresent()) {
            plate = plate.withHalfPrimary(winding.get(), amp.stage().tubesOnSideOf(socket));
        }
        return plate;
    }

    /** Its own screen volts, or those of another screen of the channel, which is fed from the same node. */
    private Optional<Typed> screenVolts(Socket socket) {
        return Optional.ofNullable(readings.screenVolts().get(socket.name()))
                .or(() -> amp.sockets().stream()
                        .filter(s -> s.channel() == socket.channel())
                        .flatMap(s -> Optional.ofNullable(readings.screenVolts().get(s.name())).stream())
                        .max(Comparator.comparingDouble(Typed::value)));
    }

    private ScreenCurrent screen(Socket socket) {
        Typed drop = readings.screenDrop().get(socket.name());
        return drop != null && amp.stage().screenOhms().isPresent()
                ? new ScreenCurrent.Measured(
                        drop, SenseResistor.marked(amp.stage().screenOhms().get(), 5), 1)
                : new ScreenCurrent.TypeShare();
    }

    private Verdict overall(
            Optional<SocketAnswer> worst,
            List<SocketAnswer> sockets,
            List<String> unmeasured,
            List<Contradiction> contradictions,
            Map<String, String> weak) {
        if (worst.isEmpty()) {
            return Verdict.unknown(List.of("No socket was measured."));
        }
        Verdict leading = worst.get().answer().verdict();
        String name = worst.get().socket().name();
        EnumSet<Verdict.Qualifier> qualifiers = EnumSet.noneOf(Verdict.Qualifier.class);
        sockets.stream()
                .filter(SocketAnswer::measured)
                .forEach(s -> qualifiers.addAll(s.answer().verdict().qualifiers()));
        List<String> reasons = new ArrayList<>(
                contradictions.stream().map(Contradiction::sentence).toList());
        reasons.addAll(weak.values());
        leading.reasons().forEach(r -> reasons.add(name + ": " + r));
        if (!unmeasured.isEmpty()) {
            qualifiers.add(Verdict.Qualifier.SAMPLED);
            reasons.add("Not measured: " + String.join(", ", unmeasured) + ". Nothing is assumed of "
                    + (unmeasured.size() == 1 ? "it." : "them."));
        }
        mainsMoved().ifPresent(reasons::add);
        // Two readings that contradict each other are no ground for an all-clear.
        if (!contradictions.isEmpty()) {
            qualifiers.add(Verdict.Qualifier.CONTRADICTED);
        }
        Verdict.Place place = leading.place() == Verdict.Place.IN_WINDOW && !contradictions.isEmpty()
                ? Verdict.Place.UNKNOWN
                : leading.place();
        return new Verdict(
                place,
                named(worst.get(), sockets, leading.now()),
                named(worst.get(), sockets, leading.raised()),
                qualifiers,
                reasons,
                leading.question());
    }

    /** The tube that leads is named; that it is the hottest too is said only where it is. */
    private static Statement named(SocketAnswer leading, List<SocketAnswer> sockets, Statement statement) {
        boolean hottest = RoundAnswer.hottest(sockets).filter(leading::equals).isPresent();
        String name = leading.socket().name() + (hottest ? ", the hottest: " : ": ");
        return new Statement(statement.place(), statement.sentence().isEmpty() ? "" : name + statement.sentence());
    }

    private Optional<String> mainsMoved() {
        return readings.mainsMoved()
                .filter(m -> m > CrossCheck.MAINS_MOVED)
                .map(m -> "The mains moved " + Show.significant(100 * m, 2) + " % while this was read.");
    }

    private List<Balance> balances(List<SocketAnswer> sockets) {
        List<Balance> balances = new ArrayList<>();
        for (int channel :
                amp.sockets().stream().map(Socket::channel).distinct().toList()) {
            List<SocketAnswer> ofChannel = sockets.stream()
                    .filter(s -> s.socket().channel() == channel)
                    .toList();
            boolean bothSides =
                    ofChannel.stream().map(s -> s.socket().side()).distinct().count() == 2;
            boolean eachSeen = ofChannel.stream()
                    .allMatch(s -> s.seenAlone() && s.answer().cathodeAmperes().isPresent());
            if (bothSides && eachSeen) {
                balances.add(new Balance(channel, side(ofChannel, Socket.Side.A), side(ofChannel, Socket.Side.B)));
            }
        }
        return balances;
    }

    private static double side(List<SocketAnswer> sockets, Socket.Side side) {
        return sockets.stream()
                .filter(s -> s.socket().side() == side)
                .mapToDouble(s -> s.answer().cathodeAmperes().orElseThrow().value())
                .sum();
    }

    private List<Contradiction> contradictions(List<SocketAnswer> sockets) {
        List<Contradiction> contradictions = new ArrayList<>();
        for (SenseGroup group : amp.groups()) {
            Typed point = readings.points().get(group.name());
            if (group.shared()
                    && point != null
                    && group.method().see(point, readings.meter()) instanceof SensedCurrent.Current seen) {
                List<SocketAnswer> alone = sockets.stream()
                        .filter(s -> group.sockets().contains(s.socket().name())
                                && alone(s.socket().name()).isPresent())
                        .toList();
                CrossCheck.combined(
                                group.name(),
                                sum(alone),
                                alone.size() == group.sockets().size(),
                                seen.perTube().value() * seen.tubes())
                        .ifPresent(contradictions::add);
            }
        }
        boolean everyTube =
                sockets.stream().allMatch(s -> s.answer().cathodeAmperes().isPresent());
        if (readings.choke().isPresent() && amp.supply().chokeOhms().isPresent()) {
            CrossCheck.supply(
                            sum(sockets),
                            everyTube,
                            readings.choke().get().value()
                                    / amp.supply().chokeOhms().get())
                    .ifPresent(contradictions::add);
        }
        readings.mains()
                .filter(m -> !Mains.possible(m))
                .ifPresent(m -> contradictions.add(new Contradiction(
                        Contradiction.Code.MAINS_IMPOSSIBLE,
                        "",
                        "The mains is stored as " + Show.si(m, Unit.VOLT, 4)
                                + ", which no outlet gives: it counts as not read. Correct it.")));
        if (readings.turns().isEmpty()) {
            CrossCheck.plateVolts(amp, readings).ifPresent(contradictions::add);
        }
        CrossCheck.unlikeTypes(designations()).ifPresent(contradictions::add);
        readings.mainsMoved()
                .filter(m -> m > CrossCheck.MAINS_TOO_FAR)
                .ifPresent(m -> contradictions.add(new Contradiction(
                        Contradiction.Code.MAINS_MOVED,
                        "",
                        "The mains moved " + Show.significant(100 * m, 2)
                                + " % while this was read: the readings do not belong together. Read them again.")));
        return contradictions;
    }

    /** Exact types, each once: an alias is the same type. */
    private List<String> designations() {
        return amp.sockets().stream()
                .map(s -> Optional.ofNullable(types.get(s.tubeType()))
                        .map(TubeType::designation)
                        .orElse(s.tubeType()))
                .distinct()
                .toList();
    }

    private static double sum(List<SocketAnswer> sockets) {
        return sockets.stream()
                .flatMap(s -> s.answer().cathodeAmperes().stream())
                .mapToDouble(Estimate::value)
                .sum();
    }
}
