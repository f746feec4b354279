package yellowrail.core.session;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.adjust.Control;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.round.Point;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.AdaptorMoved;
import yellowrail.core.session.events.Aimed;
import yellowrail.core.session.events.ClosedUnsigned;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.SignedOff;
import yellowrail.core.session.stops.Stops;

/**
 * A session as the events so far have made it. Applying the same events gives the same state; whether an event may
 * happen is asked before with {@link #refusal}. Not thread-safe.
 */
public final class Session {
    /** After so long without an event nobody knows whether the amp is on: what was declared no longer holds. */
    static final long FORGOTTEN_MILLIS = 6 * 3_600_000L;

    private final Plan plan;
    private final List<Entry> entries = new ArrayList<>();
    final Timeline timeline = new Timeline();
    private final Rail rail;
    final Map<Stop, Mark> marks = new LinkedHashMap<>();
    final List<Long> plays = new ArrayList<>();
    final Confirmations confirmed = new Confirmations();
    final ReadingLog readings = new ReadingLog();
    final Seating seating;
    final Map<String, Control.Direction> directions = new LinkedHashMap<>();
    final DeviceClocks clocks = new DeviceClocks();
    private final List<Late> late = new ArrayList<>();
    final SafetyStops safety = new SafetyStops();
    Stop here;
    boolean tubesMoved;
    boolean toMiddle;
    Access access;
    private boolean clockWentBack;
    private long lastAt;
    Optional<Entry> contradiction = Optional.empty();
    Optional<SignedOff> signed = Optional.empty();
    Optional<ClosedUnsigned> closed = Optional.empty();
    Optional<Aimed> aim = Optional.empty();
    Optional<BiasScheme> biasTold = Optional.empty();

    public Session(Plan plan) {
        this(plan, Stops.RAIL);
    }

    /** @param rail the stops in bench order */
    public Session(Plan plan, Rail rail) {
        this.plan = plan;
        this.rail = rail;
        this.here = rail.first();
        seating = new Seating(plan);
        access = plan.setup().access();
        plan.setup().memory().turns().forEach((control, turn) -> directions.put(control, turn.direction()));
    }

    /** The state these recorded events make. */
    public static Session replay(Plan plan, List<Entry> entries) {
        Session session = new Session(plan);
        entries.forEach(session::apply);
        return session;
    }

    /** Why this event may not happen now, as a sentence; empty when it may. */
    public Optional<String> refusal(Entry entry) {
        return clocks.late(entry)
                ? entry.event().lateRefusal(new Rules(this, lastAt), new Rules(this, entry.at()))
                : new Rules(this, entry.at()).refusal(entry.event());
    }

    /** A new entry in the order its device made it in. */
    public Entry inOrder(Entry entry) {
        return clocks.inOrder(entry);
    }

    /** Adds an event that happened. */
    public void apply(Entry entry) {
        boolean late = clocks.late(entry);
        SessionChanges now = new SessionChanges(this, entry, entry.at(), false);
        if (forgotten(entry.at())) {
            // What was read before stays as it was if the amp was off; if it was on, nobody knows what went on.
            boolean on = context().power().on();
            timeline.add(context().powered(entry.at(), Power.UNDECLARED));
            if (on) {
                timeline.add(context().reset(entry.at()));
            }
            now.forgetOff();
        }
        boolean back = clocks.wentBack(entry);
        if (back) {
            clockWentBack = true;
            timeline.add(context().reset(entry.at()));
        }
        entries.add(entry);
        if (late) {
            this.late.add(new Late(entry, takeLate(entry)));
        } else {
            entry.event().happens(new SessionChanges(this, entry, entry.at(), back));
        }
        lastAt = Math.max(lastAt, entry.at());
        new SessionChanges(this, entry, lastAt, false).redeem();
    }

    /**
     * An entry that was made before something already taken from another device: it fills in history, opens nothing and
     * replaces nothing newer; a sign of power in it closes what is open.
     */
    private Late.Effect takeLate(Entry entry) {
        Event event = entry.event();
        SessionChanges now = new SessionChanges(this, entry, lastAt, false);
        boolean reading = event instanceof Read;
        if (reading) {
            event.happens(now);
        }
        if (event.signOfPower() && againstOff(entry.at())) {
            now.contradict();
            return Late.Effect.CLOSED;
        }
        boolean applies = event.countsLate(this, entry.at());
        if (applies && !reading) {
            event.happens(now);
        }
        return applies ? Late.Effect.APPLIED : Late.Effect.FILED;
    }

    /** Whether something made then contradicts that the amp is off. */
    private boolean againstOff(long at) {
        return context().power() == Power.OFF && at >= context().offSince() - DeviceClocks.OFFSET_MILLIS;
    }

    public Power powerFor(long at) {
        return forgotten(at) ? Power.UNDECLARED : timeline.at(at).power();
    }

    boolean forgotten(long at) {
        return !entries.isEmpty() && context().power() != Power.UNDECLARED && at - lastAt > FORGOTTEN_MILLIS;
    }

    /** Whether an event of this kind was made later than this. */
    public boolean hasLater(Class<? extends Event> kind, long at) {
        return entries.stream().anyMatch(e -> e.at() > at && kind.isInstance(e.event()));
    }

    // What the session is, for those who look.

    public Plan plan() {
        return plan;
    }

    public List<Entry> entries() {
        return Collections.unmodifiableList(entries);
    }

    public Context context() {
        return timeline.now();
    }

    /** The declared state, as far as it still holds at this time. */
    public Power power(long now) {
        return forgotten(now) ? Power.UNDECLARED : context().power();
    }

    public Stop here() {
        return here;
    }

    public Map<Stop, Mark> marks() {
        return Collections.unmodifiableMap(marks);
    }

    /** The stops of this session, in order. */
    public List<Stop> stops() {
        return rail.of(this);
    }

    public Rail rail() {
        return rail;
    }

    /** What is opened, as planned or as said since. */
    public Access access() {
        return access;
    }

    /** Whether a tube was moved in this session. */
    public boolean tubesMoved() {
        return tubesMoved;
    }

    /** Whether tubes leave their sockets in this session. */
    public boolean movesTubes() {
        return tubesMoved
                || access.movesTubes()
                || plan.setup().byTurns()
                || !plan.setup().changing().isEmpty()
                || plan.purpose() == Purpose.NEW_TUBES
                || plan.purpose() == Purpose.FAULT;
    }

    /** Where the one adaptor is, by turns; empty before it was put in. */
    public Optional<String> adaptor() {
        return entries.stream()
                .filter(e -> e.event() instanceof AdaptorMoved)
                .map(e -> ((AdaptorMoved) e.event()).socket())
                .reduce((a, b) -> b);
    }

    /** Whether a limiter stood in series at any time. */
    public boolean limited() {
        return timeline.limited();
    }

    public boolean ticked(Check check, String point) {
        return confirmed.of(check, point);
    }

    public boolean stopped() {
        return safety.standing();
    }

    /** Whether power is on, and went on before its time. */
    public boolean poweredEarly(long at) {
        return power(at).on() && safety.onUnready().isPresent();
    }

    public boolean clockWentBack() {
        return clockWentBack;
    }

    public Optional<SignedOff> signed() {
        return signed;
    }

    /** Why the session ended without a sheet; empty while it did not. */
    public Optional<ClosedUnsigned> closed() {
        return closed;
    }

    /** Whether the session takes no more entries. */
    public boolean over() {
        return signed.isPresent() || closed.isPresent();
    }

    /** What spoke for power while off was declared, until the state is declared again; empty when nothing did. */
    public Optional<Entry> contradiction() {
        return contradiction;
    }

    /** Entries that came late, in the order they came. */
    public List<Late> late() {
        return Collections.unmodifiableList(late);
    }

    /** Readings that were corrected, taken back or moved. */
    public List<Amendment> amendments() {
        return readings.amendments();
    }

    List<SafetyStop> safetyStops() {
        return safety.all();
    }

    /** Whether a stop for safety was taken back as a mistake. */
    boolean takenBack(SafetyStop stop) {
        return safety.takenBack(stop);
    }

    /** Whether declaring this state now takes the last stop for safety back as a mistake. */
    public boolean mistake(Power declared, long at) {
        return safety.takenBackBy(declared, at).isPresent();
    }

    /** What the amp's power was when it was stopped for safety; empty once that cannot be taken back. */
    public Optional<Power> beforeStop(long at) {
        return safety.last().map(s -> s.before().power()).filter(p -> mistake(p, at));
    }

    /** When play began, each time in this power-on and setting, oldest first. */
    List<Long> plays() {
        long from = timeline.stretchFrom();
        return plays.stream().filter(p -> p >= from).toList();
    }

    /** How the fixed bias behaves, as told in this session; empty when it was not. */
    public Optional<BiasScheme> biasTold() {
        return biasTold;
    }

    /** Whether every tube goes to the middle of its window. */
    public boolean toMiddle() {
        return toMiddle;
    }

    public Optional<Aimed> aim() {
        return aim;
    }

    public long lastAt() {
        return lastAt;
    }

    /** When the first event happened; zero for none. */
    public long startedAt() {
        return entries.isEmpty() ? 0 : entries.get(0).at();
    }

    /** Every reading, superseded ones included. */
    public List<RecordedReading> readings() {
        return readings.all();
    }

    public boolean superseded(String id) {
        return readings.superseded(id);
    }

    /** The readings that hold. */
    public List<RecordedReading> holding() {
        return readings.holding();
    }

    public Optional<RecordedReading> reading(String id) {
        return readings.reading(id);
    }

    /** The last reading that holds of a quantity at a point. */
    public Optional<RecordedReading> last(Quantity quantity, String point) {
        return readings.last(quantity, point);
    }

    /** The label of the tube in a socket; empty when none was given. */
    public String tube(String socket) {
        return seating.label(socket);
    }

    /** Which tube is in which socket. */
    public Seating seating() {
        return seating;
    }

    /** The amp that this session works on, with the tubes that are in its sockets. */
    public AmpDescription amp() {
        return seating.in(plan.amp());
    }

    public Map<String, Control.Direction> directions() {
        return Collections.unmodifiableMap(directions);
    }

    public List<Control> controls() {
        return Control.of(plan.amp());
    }

    /** The nodes to drain; an amp that lists none has at least its reservoir. */
    public List<SupplyNode> nodes() {
        return plan.amp().supply().nodes().isEmpty()
                ? List.of(SupplyNode.single("reservoir", Optional.empty(), Optional.empty()))
                : plan.amp().supply().nodes();
    }

    /** The names of this amp's points of one kind. */
    public List<String> names(Point.Place place) {
        return switch (place) {
            case AMP -> List.of("");
            case SOCKET -> sockets();
            case SENSE_POINT ->
                plan.amp().groups().stream().map(SenseGroup::name).toList();
            case NODE -> nodes().stream().map(SupplyNode::name).toList();
            case CONTROL -> controls().stream().map(Control::name).toList();
        };
    }

    /** Why this names no socket of the amp; empty where it does. */
    public Optional<String> noSocket(String name) {
        return sockets().contains(name)
                ? Optional.empty()
                : Optional.of("This amp has no socket “" + name + "”; it has " + String.join(", ", sockets()) + ".");
    }

    public List<String> sockets() {
        return plan.amp().sockets().stream().map(Socket::name).toList();
    }

    /** Residual readings of a node since off was declared, oldest first; none while it is not. */
    public List<RecordedReading> residuals(String node) {
        return holding().stream().filter(r -> sinceOff(r, node)).toList();
    }

    /** Those that were corrected or taken back included. */
    List<RecordedReading> everyResidual(String node) {
        return readings.all().stream().filter(r -> sinceOff(r, node)).toList();
    }

    private boolean sinceOff(RecordedReading reading, String node) {
        return reading.isOf(Quantity.RESIDUAL, node)
                && reading.context().power() == Power.OFF
                && context().power() == Power.OFF
                && reading.context().off() == context().off();
    }

    public Locks locks(long now) {
        return new LockRules(this, now).locks();
    }

    /** What a stop still wants, one sentence each; empty when it is done. */
    public List<String> missing(Stop stop, long now) {
        return stop.missing(this, now);
    }

    /** All that replaying must bring back, for comparison. */
    public Object fingerprint() {
        return List.of(
                here,
                Map.copyOf(marks),
                confirmed.now(),
                readings.fingerprint(),
                seating.fingerprint(),
                Map.copyOf(directions),
                timeline.fingerprint(),
                safety.fingerprint(),
                clockWentBack,
                lastAt,
                List.copyOf(late),
                contradiction,
                closed,
                signed,
                aim,
                biasTold,
                tubesMoved,
                toMiddle,
                access);
    }
}
