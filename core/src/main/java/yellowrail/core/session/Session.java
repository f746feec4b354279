package yellowrail.core.session;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.adjust.Control;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.reading.Typed;
import yellowrail.core.round.Point;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.AdaptorMoved;
import yellowrail.core.session.events.Aimed;
import yellowrail.core.session.events.BiasTold;
import yellowrail.core.session.events.Changed;
import yellowrail.core.session.events.ClosedUnsigned;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.DirectionSeen;
import yellowrail.core.session.events.EmergencyStop;
import yellowrail.core.session.events.Entered;
import yellowrail.core.session.events.Exchanged;
import yellowrail.core.session.events.LimiterSet;
import yellowrail.core.session.events.Moved;
import yellowrail.core.session.events.Named;
import yellowrail.core.session.events.Opened;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Resumed;
import yellowrail.core.session.events.Ripple;
import yellowrail.core.session.events.SignedOff;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.events.Ticked;
import yellowrail.core.session.events.ToMiddle;
import yellowrail.core.session.events.Turned;
import yellowrail.core.session.events.Voided;
import yellowrail.core.session.stops.DrainAndClose;
import yellowrail.core.session.stops.Drained;
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
    private final List<Context> contexts = new ArrayList<>();
    private final Rail rail;
    private final Map<Stop, Mark> marks = new LinkedHashMap<>();
    private final List<Long> plays = new ArrayList<>();
    private final Map<Check, Set<String>> ticks = new LinkedHashMap<>();
    private final List<RecordedReading> readings = new ArrayList<>();
    private final List<Amendment> amendments = new ArrayList<>();
    private final Set<String> superseded = new HashSet<>();
    private final Map<String, String> tubes = new LinkedHashMap<>();
    private final Map<String, Control.Direction> directions = new LinkedHashMap<>();
    private final DeviceClocks clocks = new DeviceClocks();
    private final List<Late> late = new ArrayList<>();
    private final List<SafetyStop> safetyStops = new ArrayList<>();
    private final Set<String> takenBack = new HashSet<>();
    private Stop here;
    private boolean tubesMoved;
    private boolean toMiddle;
    private Access access;
    private boolean stopped;
    private boolean clockWentBack;
    private long lastAt;
    private Optional<Entry> contradiction = Optional.empty();
    private Optional<SignedOff> signed = Optional.empty();
    private Optional<ClosedUnsigned> closed = Optional.empty();
    private Optional<Aimed> aim = Optional.empty();
    private Optional<BiasScheme> biasTold = Optional.empty();

    public Session(Plan plan) {
        this(plan, Stops.RAIL);
    }

    /** @param rail the stops in bench order */
    public Session(Plan plan, Rail rail) {
        this.plan = plan;
        this.rail = rail;
        this.here = rail.first();
        contexts.add(Context.BEGIN);
        tubes.putAll(plan.tubes());
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
        if (forgotten(entry.at())) {
            // What was read before stays as it was if the amp was off; if it was on, nobody knows what went on.
            boolean on = context().power().on();
            contexts.add(context().powered(entry.at(), Power.UNDECLARED));
            if (on) {
                contexts.add(context().reset(entry.at()));
            }
            forgetOff();
        }
        boolean back = clocks.wentBack(entry);
        if (back) {
            clockWentBack = true;
            contexts.add(context().reset(entry.at()));
        }
        entries.add(entry);
        if (late) {
            this.late.add(new Late(entry, takeLate(entry)));
        } else {
            take(entry, entry.at(), back);
        }
        lastAt = Math.max(lastAt, entry.at());
        redeem(lastAt);
    }

    private void take(Entry entry, long at, boolean back) {
        Event event = entry.event();
        if (event instanceof Entered e) {
            markWhatIsDone(e.stop(), at);
            here = e.stop();
            if (here.plays()) {
                plays.add(at);
            }
        } else if (event instanceof Skipped e) {
            marks.put(e.stop(), new Mark(false, e.reason()));
        } else if (event instanceof Declared e) {
            declare(e.power(), at);
        } else if (event instanceof LimiterSet e) {
            contexts.add(context().limited(at, e.inSeries()));
            if (e.inSeries()) {
                ticks.remove(DrainAndClose.LIMITER_OUT);
            }
        } else if (event instanceof Ticked e) {
            tick(e);
        } else if (event instanceof Read e) {
            read(entry, e, back);
        } else if (event instanceof Voided e) {
            amend(e.reading(), Amendment.Kind.VOIDED, at, e.reason());
        } else if (event instanceof Moved e) {
            RecordedReading old = amend(e.reading(), Amendment.Kind.MOVED, at, e.reason());
            insertAfter(old, replacing(old, entry.id(), old.quantity().at(e.point()), old.typed(), e.reason()));
        } else if (event instanceof Turned) {
            contexts.add(context().reset(at));
        } else if (event instanceof DirectionSeen e) {
            directions.put(e.control(), e.direction());
        } else if (event instanceof Placed e) {
            tubes.put(e.socket(), e.tube());
            moved(at);
        } else if (event instanceof Exchanged e) {
            String a = tube(e.socketA());
            tubes.put(e.socketA(), tube(e.socketB()));
            tubes.put(e.socketB(), a);
            moved(at);
        } else if (event instanceof Changed) {
            ticks.remove(Drained.CHASSIS_CLOSED);
            afresh(at);
        } else if (event instanceof Ripple && context().power() == Power.OFF) {
            contradict(entry, at);
        } else if (event instanceof Opened e) {
            access = access.orMore(e.access());
        } else if (event instanceof Named e) {
            tubes.put(e.socket(), e.tube());
        } else if (event instanceof Aimed e) {
            aim = Optional.of(e);
        } else if (event instanceof ToMiddle e) {
            toMiddle = e.wanted();
        } else if (event instanceof BiasTold e) {
            biasTold = Optional.of(e.bias());
        } else if (event instanceof EmergencyStop e) {
            stop(entry, e, at);
        } else if (event instanceof Resumed) {
            stopped = false;
        } else if (event instanceof SignedOff e) {
            signed = Optional.of(e);
        } else if (event instanceof ClosedUnsigned e) {
            closed = Optional.of(e);
        }
    }

    /**
     * An entry that was made before something already taken from another device: it fills in history, opens nothing and
     * replaces nothing newer; a sign of power in it closes what is open.
     */
    private Late.Effect takeLate(Entry entry) {
        Event event = entry.event();
        boolean power = signOfPower(event);
        if (event instanceof Read read) {
            read(entry, read, false);
        }
        if (power && againstOff(entry.at())) {
            contradict(entry, lastAt);
            return Late.Effect.CLOSED;
        }
        boolean applies = event.countsLate(this, entry.at());
        if (applies && !(event instanceof Read)) {
            take(entry, lastAt, false);
        }
        return applies ? Late.Effect.APPLIED : Late.Effect.FILED;
    }

    private static boolean signOfPower(Event event) {
        return event instanceof Declared d && d.power().on()
                || event instanceof Ripple
                || event instanceof Read r && SignOfPower.in(r);
    }

    /** Whether something made then contradicts that the amp is off. */
    private boolean againstOff(long at) {
        return context().power() == Power.OFF && at >= context().offSince() - DeviceClocks.OFFSET_MILLIS;
    }

    private void contradict(Entry entry, long at) {
        contexts.add(context().powered(at, Power.UNDECLARED).reset(at));
        contradiction = Optional.of(entry);
        forgetOff();
    }

    private void declare(Power power, long at) {
        SafetyStop stop = stopped ? safetyStops.get(safetyStops.size() - 1) : null;
        if (stop != null && stop.takenBackBy(power, at)) {
            takeBack(stop, at);
            return;
        }
        if (power == context().power()) {
            return;
        }
        contradiction = Optional.empty();
        if (power.on()) {
            for (Stop before : stops()) {
                if (before.powered()) {
                    break;
                }
                markIfDone(before, at);
            }
            contexts.add(context().powered(at, power));
            forgetOff();
            doAgain();
        } else {
            contexts.add(context().powered(at, power));
            forgetOff();
            marks.keySet().removeIf(Stop::endsWithPower);
        }
    }

    /** What was confirmed of the amp while it was off holds no longer. */
    private void forgetOff() {
        forget(Check.Holds.WHILE_OFF);
    }

    private void forget(Check.Holds... ended) {
        ticks.keySet().removeIf(c -> List.of(ended).contains(c.holds()));
    }

    private void stop(Entry entry, EmergencyStop e, long at) {
        if (stopped) {
            return;
        }
        safetyStops.add(new SafetyStop(entry.id(), at, e.what(), context(), Map.copyOf(marks), confirmed()));
        // Off is never inferred from it, and nothing that was read before counts as the present state.
        contexts.add(context().powered(at, Power.UNDECLARED));
        forgetOff();
        afresh(at);
        stopped = true;
    }

    private void takeBack(SafetyStop stop, long at) {
        contexts.add(stop.before().again(at));
        marks.clear();
        marks.putAll(stop.marks());
        ticks.clear();
        stop.ticks().forEach((check, points) -> ticks.put(check, new HashSet<>(points)));
        takenBack.add(stop.entry());
        stopped = false;
        // What was entered since then holds: a limiter put in, a confirmation taken back.
        boolean since = false;
        for (Entry entry : entries) {
            if (since && entry.event() instanceof LimiterSet limiter) {
                contexts.add(context().limited(at, limiter.inSeries()));
            } else if (since && entry.event() instanceof Ticked tick && !tick.done()) {
                tick(tick);
            }
            since |= entry.id().equals(stop.entry());
        }
    }

    private void tick(Ticked e) {
        if (e.done()) {
            ticks.computeIfAbsent(e.check(), c -> new HashSet<>()).add(e.point());
        } else {
            ticks.getOrDefault(e.check(), new HashSet<>()).remove(e.point());
            rail.stopOf(e.check()).filter(Stop::reopens).ifPresent(marks::remove);
        }
    }

    private Map<Check, Set<String>> confirmed() {
        Map<Check, Set<String>> confirmed = new LinkedHashMap<>();
        ticks.forEach((check, points) -> {
            if (!points.isEmpty()) {
                confirmed.put(check, Set.copyOf(points));
            }
        });
        return confirmed;
    }

    private void read(Entry entry, Read e, boolean back) {
        if (!e.supersedes().isEmpty()) {
            RecordedReading old = amend(e.supersedes(), Amendment.Kind.CORRECTED, entry.at(), e.reason());
            insertAfter(old, replacing(old, entry.id(), old.point(), e.typed(), e.reason()));
            return;
        }
        boolean isLate = clocks.late(entry);
        if (!isLate && context().power() == Power.OFF && SignOfPower.in(e)) {
            contradict(entry, entry.at());
        }
        Context context = contextAt(entry.at(), back);
        RecordedReading taken = new RecordedReading(
                entry.id(),
                entry.at(),
                e.quantity(),
                e.quantity().at(e.point()),
                e.typed(),
                "",
                e.reason(),
                here,
                isLate,
                context);
        int place = readings.size();
        while (isLate && place > 0 && readings.get(place - 1).at() > entry.at()) {
            place--;
        }
        readings.add(place, taken);
        if (e.quantity() == Quantity.RESIDUAL && Math.abs(e.typed().value()) > plan.handsVolts()) {
            ticks.remove(Drained.METER_PROVEN);
        }
        if (e.quantity() == Quantity.SENSE_OHMS || e.quantity() == Quantity.HALF_PRIMARY_OHMS) {
            ticks.remove(Drained.CHASSIS_CLOSED);
        }
    }

    private RecordedReading amend(String id, Amendment.Kind kind, long at, String reason) {
        RecordedReading old = reading(id).orElseThrow();
        int place = readings.indexOf(old);
        boolean atOnce = readings.subList(place + 1, readings.size()).stream().noneMatch(r -> r.sameAs(old));
        superseded.add(id);
        amendments.add(new Amendment(old, kind, at, atOnce, reason));
        return old;
    }

    private static RecordedReading replacing(RecordedReading old, String id, Point point, Typed typed, String reason) {
        return new RecordedReading(
                id, old.at(), old.quantity(), point, typed, old.id(), reason, old.stop(), old.late(), old.context());
    }

    /** A correction stands where the reading stood that it corrects: it is no newer than that. */
    private void insertAfter(RecordedReading old, RecordedReading taken) {
        readings.add(readings.indexOf(old) + 1, taken);
    }

    private void moved(long at) {
        tubesMoved = true;
        access = access.orMore(Access.ADAPTORS);
        forget(Check.Holds.UNTIL_TUBES_MOVE);
        afresh(at);
        marks.keySet().removeIf(Stop::ofTubes);
    }

    /** A changed amp is measured anew, and closed anew. */
    private void afresh(long at) {
        contexts.add(context().reset(at));
        forget(Check.Holds.UNTIL_CHANGED);
        doAgain();
    }

    /** What was done or skipped for this setting has to be done again. */
    private void doAgain() {
        marks.keySet().removeIf(Stop::doneAgain);
        forget(Check.Holds.OF_SETTING);
    }

    private void markWhatIsDone(Stop target, long at) {
        for (Stop stop : stops()) {
            if (rail.isBefore(stop, target)) {
                markIfDone(stop, at);
            }
        }
    }

    private void markIfDone(Stop stop, long at) {
        if (stops().contains(stop)
                && !marks.containsKey(stop)
                && stop.missing(this, at).isEmpty()) {
            marks.put(stop, Mark.DONE);
        }
    }

    /** A stop that was skipped and then done after all is done. */
    private void redeem(long at) {
        Mark mark = marks.get(here);
        if (mark != null && !mark.done() && here.missing(this, at).isEmpty()) {
            marks.put(here, Mark.DONE);
        }
    }

    /** The state in which something with this time happened: a reading that was queued belongs to its own time. */
    private Context contextAt(long at, boolean back) {
        Context last = context();
        if (back || at >= last.from()) {
            return last;
        }
        for (int i = contexts.size() - 1; i > 0; i--) {
            if (contexts.get(i).from() <= at) {
                return contexts.get(i);
            }
        }
        return contexts.get(Math.min(1, contexts.size() - 1));
    }

    public Power powerFor(long at) {
        return forgotten(at) ? Power.UNDECLARED : contextAt(at, false).power();
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
        return contexts.get(contexts.size() - 1);
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

    /** What was last moved, as the log has it; empty while no tube was. */
    public Optional<String> lastMoved() {
        return entries.stream()
                .filter(e -> e.event() instanceof Placed || e.event() instanceof Exchanged)
                .reduce((a, b) -> b)
                .map(e -> e.event() instanceof Placed p
                        ? "The tube of " + p.socket() + " was changed."
                        : "The tubes of " + ((Exchanged) e.event()).socketA() + " and "
                                + ((Exchanged) e.event()).socketB() + " were exchanged.");
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
        return contexts.stream().anyMatch(Context::limiter);
    }

    public boolean ticked(Check check, String point) {
        return ticks.getOrDefault(check, Set.of()).contains(point);
    }

    public boolean stopped() {
        return stopped;
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
        return Collections.unmodifiableList(amendments);
    }

    List<SafetyStop> safetyStops() {
        return safetyStops;
    }

    /** Whether a stop for safety was taken back as a mistake. */
    boolean takenBack(SafetyStop stop) {
        return takenBack.contains(stop.entry());
    }

    /** Whether declaring this state now takes the last stop for safety back as a mistake. */
    public boolean mistake(Power declared, long at) {
        return stopped && safetyStops.get(safetyStops.size() - 1).takenBackBy(declared, at);
    }

    /** What the amp's power was when it was stopped for safety; empty once that cannot be taken back. */
    public Optional<Power> beforeStop(long at) {
        return stopped
                ? Optional.of(safetyStops.get(safetyStops.size() - 1).before().power())
                        .filter(p -> mistake(p, at))
                : Optional.empty();
    }

    /** When play began, each time in this power-on and setting, oldest first. */
    List<Long> plays() {
        return plays.stream().filter(p -> p >= stretchFrom()).toList();
    }

    private long stretchFrom() {
        int stretch = context().stretch();
        return contexts.stream()
                .filter(c -> c.stretch() == stretch)
                .mapToLong(Context::from)
                .min()
                .orElse(Long.MIN_VALUE);
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
        return Collections.unmodifiableList(readings);
    }

    public boolean superseded(String id) {
        return superseded.contains(id);
    }

    /** The readings that hold. */
    public List<RecordedReading> holding() {
        return readings.stream().filter(r -> !superseded.contains(r.id())).toList();
    }

    public Optional<RecordedReading> reading(String id) {
        return readings.stream().filter(r -> r.id().equals(id)).findFirst();
    }

    /** The last reading that holds of a quantity at a point. */
    public Optional<RecordedReading> last(Quantity quantity, String point) {
        for (int i = readings.size() - 1; i >= 0; i--) {
            RecordedReading reading = readings.get(i);
            if (reading.isOf(quantity, point) && !superseded.contains(reading.id())) {
                return Optional.of(reading);
            }
        }
        return Optional.empty();
    }

    /** The label of the tube in a socket; empty when none was given. */
    public String tube(String socket) {
        return tubes.getOrDefault(socket, "");
    }

    /** Labels of the tubes by socket, where they have one. */
    public Map<String, String> tubes() {
        Map<String, String> labelled = new LinkedHashMap<>(tubes);
        labelled.values().removeIf(String::isEmpty);
        return labelled;
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
        return readings.stream().filter(r -> sinceOff(r, node)).toList();
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
                confirmed(),
                List.copyOf(readings),
                Set.copyOf(superseded),
                Map.copyOf(tubes),
                Map.copyOf(directions),
                List.copyOf(contexts),
                stopped,
                clockWentBack,
                lastAt,
                List.copyOf(amendments),
                List.copyOf(late),
                Set.copyOf(takenBack),
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
