package yellowrail.core.session;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yellowrail.core.idle.Contradiction;
import yellowrail.core.idle.Verdict;
import yellowrail.core.reading.Show;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.session.events.CauseFound;
import yellowrail.core.session.events.Changed;
import yellowrail.core.session.events.Exchanged;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.events.Resumed;
import yellowrail.core.session.events.Turned;
import yellowrail.core.soak.Drift;
import yellowrail.core.soak.Sample;
import yellowrail.core.soak.SwapTest;

/**
 * All that was found in a session and has to be cleared up, with the facts that did. Nothing of it goes away because another
 * stop is entered or something is not read any more.
 */
public final class FindingList {
    private static final String SAY = "Find the cause and say what was found and done.";
    /** A judgement of drift needs so many samples. */
    private static final int LEAST_SAMPLES = 4;

    private final Session session;
    private final SessionAssessment judged;
    private final TubeHistory tubes;
    private final Map<String, Finding> found = new LinkedHashMap<>();

    private FindingList(Session session, SessionAssessment judged) {
        this.session = session;
        this.judged = judged;
        this.tubes = TubeHistory.of(session);
    }

    /** Open ones first, then those that were closed, each in the order they were found. */
    public static List<Finding> of(Session session, SessionAssessment judged) {
        FindingList list = new FindingList(session, judged);
        list.carried();
        list.stops();
        list.poweredEarly();
        list.leaks();
        list.creeps();
        list.swaps();
        list.excursions();
        list.contradictions();
        GridWatch.of(session, judged, list.tubes).forEach(list::unlessCause);
        PlateWatch.of(session).forEach(list::unlessCause);
        WattsTrend.of(session, judged).forEach(list::unlessCause);
        List<Finding> all = new ArrayList<>();
        list.found.values().stream().filter(Finding::open).forEach(all::add);
        list.found.values().stream().filter(f -> !f.open()).forEach(all::add);
        return List.copyOf(all);
    }

    /** What the next session of this amp has to know. */
    public static List<CarriedFinding> carriedOn(Session session, SessionAssessment judged) {
        return of(session, judged).stream()
                .filter(Finding::open)
                .map(Finding::carried)
                .toList();
    }

    /** The newest of one kind about one thing stands for all of them; an open one never hides behind a closed one. */
    private void add(Finding finding) {
        found.merge(finding.key(), finding, (a, b) -> a.open() && !b.open() ? a : b);
    }

    private void unlessCause(Finding finding) {
        add(
                finding.open()
                        ? causeFound(finding.key(), finding.since())
                                .map(finding::closed)
                                .orElse(finding)
                        : finding);
    }

    /** What was said to be behind it, after it was found. */
    private Optional<String> causeFound(String key, long since) {
        return session.entries().stream()
                .filter(e -> e.at() >= since
                        && e.event() instanceof CauseFound f
                        && f.finding().equals(key))
                .map(e -> ((CauseFound) e.event()).fact())
                .reduce((a, b) -> b);
    }

    private void carried() {
        for (CarriedFinding c : session.plan().carried()) {
            String wants = switch (c.code()) {
                case LEAK -> readAgain(c.about());
                case CREEP, SWAP -> watchAgain(c.about());
                default -> SAY;
            };
            Finding finding = new Finding(
                    c.code(), c.about(), tubes.label(c.tube()), c.since(), c.sentence(), Optional.empty(), wants);
            Optional<String> fact = switch (c.code()) {
                case LEAK -> lastShift(c.about()).filter(s -> !s.finding()).map(SwapTest.GridShift::sentence);
                case CREEP, SWAP -> steadySince(c.about(), c.tube(), Long.MIN_VALUE);
                case EXCURSION -> changedSince(c.about(), Long.MIN_VALUE);
                default -> Optional.empty();
            };
            boolean sayable = c.code() != Finding.Code.LEAK;
            add(fact.or(() -> sayable ? causeFound(finding.key(), Long.MIN_VALUE) : Optional.empty())
                    .map(finding::closed)
                    .orElse(finding));
        }
    }

    private void stops() {
        for (SafetyStop stop : session.safetyStops()) {
            Finding finding = new Finding(
                    Finding.Code.STOPPED,
                    Finding.AMP,
                    "",
                    stop.at(),
                    "Power off for safety" + (stop.what().isBlank() ? "" : ": " + stop.what()) + ".",
                    Optional.empty(),
                    "Say what was found before going on.");
            // Where it was said what was seen, taking the stop back does not make it unseen.
            Optional<String> fact = session.takenBack(stop) && stop.what().isBlank()
                    ? Optional.of("taken back at once as pressed by mistake")
                    : session.entries().stream()
                            .filter(e -> e.at() >= stop.at() && e.event() instanceof Resumed)
                            .map(e -> ((Resumed) e.event()).found())
                            .findFirst();
            add(fact.or(() -> causeFound(finding.key(), stop.at()))
                    .map(finding::closed)
                    .orElse(finding));
        }
    }

    /** An amp that was on before the rail led there: closed once it went on with nothing missing. */
    private void poweredEarly() {
        for (Unready early : session.safety.unready()) {
            Finding finding = new Finding(
                    Finding.Code.POWERED_EARLY,
                    Finding.AMP,
                    "",
                    early.at(),
                    "Power went on before its time. " + early.waits(),
                    Optional.empty(),
                    "Power off now; do what is missing, then declare on again.");
            add(session.safety
                    .onReadySince(early.at())
                    .map(at -> "off again, done, and then on with nothing missing")
                    .or(() -> causeFound(finding.key(), early.at()))
                    .map(finding::closed)
                    .orElse(finding));
        }
    }

    private void leaks() {
        Map<String, Finding> bySocket = new LinkedHashMap<>();
        for (LeakTest.Shift shift : LeakTest.all(session)) {
            Optional<Finding> before = Optional.ofNullable(bySocket.get(shift.socket()));
            if (shift.shift().finding()) {
                bySocket.put(
                        shift.socket(),
                        new Finding(
                                Finding.Code.LEAK,
                                shift.socket(),
                                "",
                                before.filter(Finding::open).map(Finding::since).orElse(shift.at()),
                                shift.socket() + ": " + shift.shift().sentence(),
                                Optional.empty(),
                                readAgain(shift.socket())));
            } else {
                before.ifPresent(f -> bySocket.put(
                        shift.socket(), f.closed("read again: " + shift.shift().sentence())));
            }
        }
        bySocket.values().forEach(this::add);
    }

    private static String readAgain(String socket) {
        return "Find and change the part, then read the grid of " + socket
                + " and the bias node again with the tube out.";
    }

    private static String watchAgain(String about) {
        return "Watch " + about + " over a whole soak again, or put another tube in.";
    }

    private Optional<SwapTest.GridShift> lastShift(String socket) {
        return LeakTest.all(session).stream()
                .filter(s -> s.socket().equals(socket))
                .map(LeakTest.Shift::shift)
                .reduce((a, b) -> b);
    }

    private void creeps() {
        for (Curves.Curve curve : Curves.of(session).all()) {
            List<RecordedReading> taken = curve.warmTaken();
            List<List<Sample>> ends = Position.carried(session, judged, curve);
            Optional<Drift> crept = Optional.empty();
            long since = 0;
            long until = 0;
            for (int n = LEAST_SAMPLES; n <= taken.size(); n++) {
                List<Sample> low = ends.get(0).subList(0, n);
                List<Sample> high = ends.get(1).subList(0, n);
                if (Drift.creeps(curve.point(), low) && Drift.creeps(curve.point(), high)) {
                    Drift drift = Drift.of(curve.point(), high);
                    since = crept.isPresent() ? since : taken.get(n - 1).at();
                    until = taken.get(n - 1).at();
                    crept = Optional.of(drift);
                }
            }
            if (crept.isPresent()) {
                String socket = curve.sockets().get(0);
                boolean alone = curve.sockets().size() == 1;
                String tube = alone ? tubes.in(socket, until) : "";
                Finding finding = new Finding(
                        Finding.Code.CREEP,
                        curve.point(),
                        tubes.label(tube),
                        since,
                        crept.get().sentence(),
                        Optional.empty(),
                        watchAgain(curve.point()));
                add(steadySince(socket, tube, until)
                        .or(() -> alone ? Optional.empty() : causeFound(finding.key(), finding.since()))
                        .map(finding::closed)
                        .orElse(finding));
            }
        }
    }

    /** A tube that is gone, or a whole soak of the position and of the tube, wherever it stands now. */
    private Optional<String> steadySince(String about, String tube, long since) {
        String stands = tube.isEmpty() ? about : tubes.socketOf(tube);
        if (stands.isEmpty()) {
            return Optional.of("the tube was taken out");
        }
        Set<String> watched = new HashSet<>(Set.of(stands));
        if (session.sockets().contains(about)) {
            watched.add(about);
        }
        boolean steady = watched.stream()
                .allMatch(socket -> Position.of(session, judged, socket).stream()
                        .anyMatch(p -> p.whole()
                                && p.soak().begunAt().filter(b -> b >= since).isPresent()));
        return steady ? Optional.of("a whole soak since without it") : Optional.empty();
    }

    private void swaps() {
        for (SwapResult swap : SwapResult.all(session)) {
            if (swap.told() == SwapTest.GONE) {
                continue;
            }
            boolean tube = swap.told() == SwapTest.FOLLOWS_TUBE;
            boolean position = swap.told() == SwapTest.STAYS;
            String moved = tubes.in(swap.to(), swap.at());
            Finding finding = new Finding(
                    Finding.Code.SWAP,
                    tube ? swap.to() : position ? swap.from() : Finding.AMP,
                    tube ? tubes.label(moved) : "",
                    swap.at(),
                    swap.sentence(),
                    Optional.empty(),
                    tube
                            ? "Put another tube in."
                            : "Find and change the part, say what was found, and watch a whole soak.");
            Optional<String> gone =
                    tube && tubes.socketOf(moved).isEmpty() ? Optional.of("the tube was taken out") : Optional.empty();
            add(gone.or(() -> tube ? Optional.empty() : causeFound(finding.key(), swap.at()))
                    .map(finding::closed)
                    .orElse(finding));
        }
    }

    /** Readings above ceiling, rating or another limit; a changed setting is the fact that answers them. */
    private void excursions() {
        for (SessionAssessment.JudgedRound round : judged.rounds()) {
            for (SocketAnswer s : round.answer().sockets()) {
                Verdict.Place place = s.answer().verdict().now().place();
                if (!s.measured() || !place.over()) {
                    continue;
                }
                Finding finding = new Finding(
                        Finding.Code.EXCURSION,
                        s.socket().name(),
                        "",
                        read(round),
                        s.socket().name() + ": " + s.answer().verdict().now().sentence(),
                        Optional.empty(),
                        colder(s.socket().name()) + ", or find what else made it so and say it. A whole soak follows.");
                add(changedSince(finding.about(), finding.since())
                        .or(() -> causeFound(finding.key(), finding.since()))
                        .map(finding::closed)
                        .orElse(finding));
            }
        }
    }

    private String colder(String socket) {
        return session.controls().stream().anyMatch(c -> c.sockets().contains(socket))
                ? "Turn it colder and note the turn"
                : "Off: change the part that sets its idle and note the change";
    }

    /** When the newest current of a round was read: volts that were read after it may belong to the next pass. */
    private static long read(SessionAssessment.JudgedRound round) {
        boolean grids = gridsContradict(round);
        return round.round().taken().stream()
                .filter(r -> r.quantity() == Quantity.CURRENT
                        || r.quantity() == Quantity.INDIVIDUAL
                        || grids && r.quantity() == Quantity.GRID)
                .mapToLong(RecordedReading::at)
                .max()
                .orElse(round.round().at());
    }

    /**
     * This socket's control turned, its tube moved, or a part changed: another tube's control, a stop, a limiter or a clock
     * that went back is no such fact.
     */
    private Optional<String> changedSince(String socket, long since) {
        return session.entries().stream().anyMatch(e -> e.at() >= since && changes(e.event(), socket))
                ? Optional.of("the setting was changed afterwards")
                : Optional.empty();
    }

    private boolean changes(Event event, String socket) {
        if (event instanceof Turned turned) {
            return session.controls().stream()
                    .anyMatch(c ->
                            c.name().equals(turned.control()) && c.sockets().contains(socket));
        }
        return event instanceof Placed placed && placed.socket().equals(socket)
                || event instanceof Exchanged swap
                        && (swap.socketA().equals(socket) || swap.socketB().equals(socket))
                || event instanceof Changed;
    }

    /** What one round said twice and not alike; read again with all of it agreeing, it is answered. */
    private void contradictions() {
        List<SessionAssessment.JudgedRound> rounds = judged.rounds();
        for (int i = 0; i < rounds.size(); i++) {
            SessionAssessment.JudgedRound round = rounds.get(i);
            Optional<String> sentence = contradiction(round);
            if (sentence.isEmpty()) {
                continue;
            }
            Finding finding = new Finding(
                    Finding.Code.CONTRADICTION,
                    Finding.AMP,
                    "",
                    read(round),
                    sentence.get(),
                    Optional.empty(),
                    "Read all of it again, or correct the reading that was wrong.");
            Set<String> read = keys(round);
            boolean agrees = rounds.subList(i + 1, rounds.size()).stream()
                    .anyMatch(later -> contradiction(later).isEmpty()
                            && keysBetween(finding.since(), later.round().at()).containsAll(read));
            add(Optional.of("read again, and it agrees")
                    .filter(f -> agrees)
                    .or(() -> causeFound(finding.key(), finding.since()))
                    .map(finding::closed)
                    .orElse(finding));
        }
    }

    /** A bias node is watched by itself, beside rounds too. */
    private static boolean ofBiasNode(Contradiction contradiction) {
        return contradiction.code() == Contradiction.Code.GRID_VOLTS
                && contradiction.about().isEmpty();
    }

    private static boolean gridsContradict(SessionAssessment.JudgedRound round) {
        return round.answer().contradictions().stream().anyMatch(c -> c.code() == Contradiction.Code.GRID_VOLTS);
    }

    /** Grids count where it is they that contradict. */
    private static Set<String> keys(SessionAssessment.JudgedRound round) {
        boolean grids = gridsContradict(round);
        return keys(round.round().taken().stream().filter(r -> grids || r.quantity() != Quantity.GRID));
    }

    /** What was read after one time up to another: a pass may begin before its round does. */
    private Set<String> keysBetween(long after, long until) {
        return keys(session.holding().stream().filter(r -> r.at() > after && r.at() <= until));
    }

    private static Set<String> keys(Stream<RecordedReading> readings) {
        return readings.map(r -> r.quantity() + "/" + r.point().name()).collect(Collectors.toSet());
    }

    private static Optional<String> contradiction(SessionAssessment.JudgedRound round) {
        String sentences = round.answer().contradictions().stream()
                .filter(c -> !ofBiasNode(c))
                .map(Contradiction::sentence)
                .collect(Collectors.joining(" "));
        if (!sentences.isEmpty()) {
            return Optional.of(sentences);
        }
        return round.answer().sockets().stream()
                .filter(s -> s.measured() && s.answer().verdict().qualifiers().contains(Verdict.Qualifier.CONTRADICTED))
                .map(s -> s.socket().name() + ": "
                        + s.answer().contradictions().get(0).sentence())
                .findFirst();
    }

    /** {@code 2.3 %} of a share. */
    static String percent(double share) {
        return Show.fixed(100 * share, 1) + " %";
    }
}
