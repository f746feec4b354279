package yellowrail.core.session;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.adjust.Control;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.reading.Typed;
import yellowrail.core.round.Quantity;

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
    private final Map<Stop, Mark> marks = new EnumMap<>(Stop.class);
    private final List<Long> plays = new ArrayList<>();
    private final Set<String> ticks = new LinkedHashSet<>();
    private final List<Taken> readings = new ArrayList<>();
    private final List<Amendment> amendments = new ArrayList<>();
    private final Set<String> superseded = new HashSet<>();
    private final Map<String, String> tubes = new LinkedHashMap<>();
    private final Map<String, Control.Direction> directions = new LinkedHashMap<>();
    private final DeviceClocks clocks = new DeviceClocks();
    private final List<Late> late = new ArrayList<>();
    private final List<SafetyStop> safetyStops = new ArrayList<>();
    private final Set<String> takenBack = new HashSet<>();
    private Stop here = Stop.BEFORE_POWER;
    private boolean tubesMoved;
    private boolean stopped;
    private boolean clockWentBack;
    private long lastAt;
    private Optional<Entry> contradiction = Optional.empty();
    private Optional<Event.SignedOff> signed = Optional.empty();
    private Optional<Event.ClosedUnsigned> closed = Optional.empty();
    private Optional<Event.Aimed> aim = Optional.empty();
    private Optional<BiasScheme> biasTold = Optional.empty();

    public Session(Plan plan) {
        this.plan = plan;
        contexts.add(Context.BEGIN);
        tubes.putAll(plan.tubes());
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
                ? new LateRules(this, entry, lastAt).refusal()
                : new Rules(this, entry.at()).refusal(entry.event());
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
        if (event instanceof Event.Entered e) {
            markWhatIsDone(e.stop(), at);
            here = e.stop();
            if (here == Stop.PLAY) {
                plays.add(at);
            }
        } else if (event instanceof Event.Skipped e) {
            marks.put(e.stop(), new Mark(false, e.reason()));
        } else if (event instanceof Event.Declared e) {
            declare(e.power(), at);
        } else if (event instanceof Event.LimiterSet e) {
            contexts.add(context().limited(at, e.inSeries()));
            if (e.inSeries()) {
                ticks.remove(key(Check.LIMITER_OUT, ""));
            }
        } else if (event instanceof Event.Ticked e) {
            tick(e);
        } else if (event instanceof Event.Read e) {
            read(entry, e, back);
        } else if (event instanceof Event.Voided e) {
            amend(e.reading(), Amendment.Kind.VOIDED, at, e.reason());
        } else if (event instanceof Event.Moved e) {
            Taken old = amend(e.reading(), Amendment.Kind.MOVED, at, e.reason());
            insertAfter(old, replacing(old, entry.id(), e.point(), old.typed(), e.reason()));
        } else if (event instanceof Event.Turned) {
            contexts.add(context().reset(at));
        } else if (event instanceof Event.DirectionSeen e) {
            directions.put(e.control(), e.direction());
        } else if (event instanceof Event.Placed e) {
            tubes.put(e.socket(), e.tube());
            moved(at);
        } else if (event instanceof Event.Exchanged e) {
            String a = tube(e.socketA());
            tubes.put(e.socketA(), tube(e.socketB()));
            tubes.put(e.socketB(), a);
            moved(at);
        } else if (event instanceof Event.Changed) {
            ticks.remove(key(Check.CHASSIS_CLOSED, ""));
            afresh(at);
        } else if (event instanceof Event.Aimed e) {
            aim = Optional.of(e);
        } else if (event instanceof Event.BiasTold e) {
            biasTold = Optional.of(e.bias());
        } else if (event instanceof Event.EmergencyStop e) {
            stop(entry, e, at);
        } else if (event instanceof Event.Resumed) {
            stopped = false;
        } else if (event instanceof Event.SignedOff e) {
            signed = Optional.of(e);
        } else if (event instanceof Event.ClosedUnsigned e) {
            closed = Optional.of(e);
        }
    }

    /**
     * An entry that was made before something already taken from another device: it fills in history, opens nothing and
     * replaces nothing newer; a sign of power in it closes what is open.
     */
    private Late.Effect takeLate(Entry entry) {
        Event event = entry.event();
        boolean power = event instanceof Event.Declared d && d.power().on()
                || event instanceof Event.Read r && SignOfPower.in(r);
        if (event instanceof Event.Read read) {
            read(entry, read, false);
        }
        if (power && againstOff(entry.at())) {
            contradict(entry, lastAt);
            return Late.Effect.CLOSED;
        }
        boolean applies =
                event instanceof Event.Read read ? !read.supersedes().isEmpty() : LateRules.appliesNow(this, entry);
        if (applies && !(event instanceof Event.Read)) {
            take(entry, lastAt, false);
        }
        return applies ? Late.Effect.APPLIED : Late.Effect.FILED;
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
            for (Stop done : List.of(Stop.BEFORE_POWER, Stop.DRAINED)) {
                markIfDone(done, at);
            }
            contexts.add(context().powered(at, power));
            forgetOff();
            againFrom(Stop.WARM_UP);
        } else {
            contexts.add(context().powered(at, power));
            ticks.remove(key(Check.METER_PROVEN, ""));
            ticks.remove(key(Check.STANDBY_PLAY, ""));
            ticks.remove(key(Check.CHASSIS_CLOSED, ""));
            marks.remove(Stop.WARM_UP);
        }
    }

    /** What was confirmed of the amp while it was off holds no longer. */
    private void forgetOff() {
        for (Check check : List.of(Check.TUBES_COOL, Check.METER_PROVEN, Check.STANDBY_PLAY, Check.CHASSIS_CLOSED)) {
            ticks.remove(key(check, ""));
        }
    }

    private void stop(Entry entry, Event.EmergencyStop e, long at) {
        if (stopped) {
            return;
        }
        safetyStops.add(new SafetyStop(entry.id(), at, e.what(), context(), Map.copyOf(marks), Set.copyOf(ticks)));
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
        ticks.addAll(stop.ticks());
        takenBack.add(stop.entry());
        stopped = false;
        // What was entered since then holds: a limiter put in, a confirmation taken back.
        boolean since = false;
        for (Entry entry : entries) {
            if (since && entry.event() instanceof Event.LimiterSet limiter) {
                contexts.add(context().limited(at, limiter.inSeries()));
            } else if (since && entry.event() instanceof Event.Ticked tick && !tick.done()) {
                tick(tick);
            }
            since |= entry.id().equals(stop.entry());
        }
    }

    private void tick(Event.Ticked e) {
        String key = key(e.check(), e.point());
        if (e.done()) {
            ticks.add(key);
        } else {
            ticks.remove(key);
            if (e.check().stop() == Stop.BEFORE_POWER) {
                marks.remove(Stop.BEFORE_POWER);
            }
        }
    }

    private void read(Entry entry, Event.Read e, boolean back) {
        if (!e.supersedes().isEmpty()) {
            Taken old = amend(e.supersedes(), Amendment.Kind.CORRECTED, entry.at(), e.reason());
            insertAfter(old, replacing(old, entry.id(), e.point(), e.typed(), e.reason()));
            return;
        }
        boolean isLate = clocks.late(entry);
        if (!isLate && context().power() == Power.OFF && SignOfPower.in(e)) {
            contradict(entry, entry.at());
        }
        Context context = contextAt(entry.at(), back);
        Taken taken = new Taken(
                entry.id(), entry.at(), e.quantity(), e.point(), e.typed(), "", e.reason(), here, isLate, context);
        int place = readings.size();
        while (isLate && place > 0 && readings.get(place - 1).at() > entry.at()) {
            place--;
        }
        readings.add(place, taken);
        if (e.quantity() == Quantity.RESIDUAL && Math.abs(e.typed().value()) > plan.handsVolts()) {
            ticks.remove(key(Check.METER_PROVEN, ""));
        }
        if (e.quantity() == Quantity.SENSE_OHMS || e.quantity() == Quantity.HALF_PRIMARY_OHMS) {
            ticks.remove(key(Check.CHASSIS_CLOSED, ""));
        }
    }

    private Taken amend(String id, Amendment.Kind kind, long at, String reason) {
        Taken old = reading(id).orElseThrow();
        int place = readings.indexOf(old);
        boolean atOnce = readings.subList(place + 1, readings.size()).stream()
                .noneMatch(r -> r.quantity() == old.quantity() && r.point().equals(old.point()));
        superseded.add(id);
        amendments.add(new Amendment(old, kind, at, atOnce, reason));
        return old;
    }

    private static Taken replacing(Taken old, String id, String point, Typed typed, String reason) {
        return new Taken(
                id, old.at(), old.quantity(), point, typed, old.id(), reason, old.stop(), old.late(), old.context());
    }

    /** A correction stands where the reading stood that it corrects: it is no newer than that. */
    private void insertAfter(Taken old, Taken taken) {
        readings.add(readings.indexOf(old) + 1, taken);
    }

    private void moved(long at) {
        tubesMoved = true;
        ticks.remove(key(Check.KEYS, ""));
        plan.amp().sockets().forEach(s -> ticks.remove(key(Check.GLOWS, s.name())));
        afresh(at);
        marks.remove(Stop.TUBES_IN);
    }

    /** A changed amp is measured anew, and closed anew. */
    private void afresh(long at) {
        contexts.add(context().reset(at));
        ticks.remove(key(Check.RESTORED, ""));
        ticks.remove(key(Check.CLAMPS, ""));
        againFrom(Stop.WARM_UP);
    }

    /** What comes from this stop on has to be done again, skipped or done before. */
    private void againFrom(Stop first) {
        marks.entrySet().removeIf(m -> m.getKey().compareTo(first) >= 0);
        ticks.remove(key(Check.GLOW_IDLE, ""));
        ticks.remove(key(Check.GLOW_LOUD, ""));
    }

    private void markWhatIsDone(Stop target, long at) {
        for (Stop stop : stops()) {
            if (stop.compareTo(target) < 0) {
                markIfDone(stop, at);
            }
        }
    }

    private void markIfDone(Stop stop, long at) {
        if (stops().contains(stop)
                && !marks.containsKey(stop)
                && new Needs(this, at).missing(stop).isEmpty()) {
            marks.put(stop, Mark.DONE);
        }
    }

    /** A stop that was skipped and then done after all is done. */
    private void redeem(long at) {
        Mark mark = marks.get(here);
        if (mark != null && !mark.done() && new Needs(this, at).missing(here).isEmpty()) {
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

    Power powerFor(long at) {
        return forgotten(at) ? Power.UNDECLARED : contextAt(at, false).power();
    }

    boolean forgotten(long at) {
        return !entries.isEmpty() && context().power() != Power.UNDECLARED && at - lastAt > FORGOTTEN_MILLIS;
    }

    static String key(Check check, String point) {
        return check + "/" + point;
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
        Set<Stop> stops = plan.purpose().stops(plan.amp());
        if (tubesMoved) {
            stops.add(Stop.TUBES_IN);
        }
        return List.copyOf(stops);
    }

    public boolean ticked(Check check, String point) {
        return ticks.contains(key(check, point));
    }

    public boolean stopped() {
        return stopped;
    }

    public boolean clockWentBack() {
        return clockWentBack;
    }

    public Optional<Event.SignedOff> signed() {
        return signed;
    }

    /** Why the session ended without a sheet; empty while it did not. */
    public Optional<Event.ClosedUnsigned> closed() {
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

    public Optional<Event.Aimed> aim() {
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
    public List<Taken> readings() {
        return Collections.unmodifiableList(readings);
    }

    public boolean superseded(String id) {
        return superseded.contains(id);
    }

    /** The readings that hold. */
    public List<Taken> holding() {
        return readings.stream().filter(r -> !superseded.contains(r.id())).toList();
    }

    Optional<Taken> reading(String id) {
        return readings.stream().filter(r -> r.id().equals(id)).findFirst();
    }

    /** The last reading that holds of a quantity at a point. */
    public Optional<Taken> last(Quantity quantity, String point) {
        for (int i = readings.size() - 1; i >= 0; i--) {
            Taken reading = readings.get(i);
            if (reading.quantity() == quantity && reading.point().equals(point) && !superseded.contains(reading.id())) {
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
        return plan.amp().nodes().isEmpty()
                ? List.of(SupplyNode.single("reservoir", Optional.empty(), Optional.empty()))
                : plan.amp().nodes();
    }

    public List<String> sockets() {
        return plan.amp().sockets().stream().map(Socket::name).toList();
    }

    /** Residual readings of a node since off was declared, oldest first; none while it is not. */
    public List<Taken> residuals(String node) {
        return holding().stream().filter(r -> sinceOff(r, node)).toList();
    }

    /** Those that were corrected or taken back included. */
    List<Taken> everyResidual(String node) {
        return readings.stream().filter(r -> sinceOff(r, node)).toList();
    }

    private boolean sinceOff(Taken reading, String node) {
        return reading.quantity() == Quantity.RESIDUAL
                && reading.point().equals(node)
                && reading.context().power() == Power.OFF
                && context().power() == Power.OFF
                && reading.context().off() == context().off();
    }

    public Locks locks(long now) {
        return new LockRules(this, now).locks();
    }

    /** What a stop still wants, one sentence each; empty when it is done. */
    public List<String> missing(Stop stop, long now) {
        return new Needs(this, now).missing(stop);
    }

    /** All that replaying must bring back, for comparison. */
    public Object fingerprint() {
        return List.of(
                here,
                Map.copyOf(marks),
                Set.copyOf(ticks),
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
                tubesMoved);
    }
}
