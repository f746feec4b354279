package yellowrail.core.session;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.HashMap;
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
import yellowrail.core.round.Quantity;

/**
 * A session as the events so far have made it. Applying the same events gives the same state; whether an event may
 * happen is asked before with {@link #refusal}. Not thread-safe.
 */
public final class Session {
    /** After so long without an event nobody knows whether the amp is on: what was declared no longer holds. */
    static final long FORGOTTEN_MILLIS = 6 * 3_600_000L;

    /** Clocks of one device may step back by this much without meaning. */
    private static final long CLOCK_SLACK_MILLIS = 1500;

    private final Plan plan;
    private final List<Entry> entries = new ArrayList<>();
    private final List<Context> contexts = new ArrayList<>();
    private final Map<Stop, Mark> marks = new EnumMap<>(Stop.class);
    private final Set<String> ticks = new LinkedHashSet<>();
    private final List<Taken> readings = new ArrayList<>();
    private final Set<String> superseded = new HashSet<>();
    private final Map<String, String> tubes = new LinkedHashMap<>();
    private final Map<String, Control.Direction> directions = new LinkedHashMap<>();
    private final Map<String, Long> deviceClocks = new HashMap<>();
    private Stop here = Stop.BEFORE_POWER;
    private boolean tubesMoved;
    private boolean stopped;
    private boolean clockWentBack;
    private long lastAt;
    private Optional<Event.SignedOff> signed = Optional.empty();
    private Optional<Event.Aimed> aim = Optional.empty();
    private Optional<BiasScheme> biasTold = Optional.empty();

    public Session(Plan plan) {
        this.plan = plan;
        contexts.add(new Context(Long.MIN_VALUE, Power.UNDECLARED, false, 0, 0, 0));
    }

    /** The state these recorded events make. */
    public static Session replay(Plan plan, List<Entry> entries) {
        Session session = new Session(plan);
        entries.forEach(session::apply);
        return session;
    }

    /** Why this event may not happen now, as a sentence; empty when it may. */
    public Optional<String> refusal(Entry entry) {
        return new Rules(this, entry.at()).refusal(entry.event());
    }

    /** Adds an event that happened. */
    public void apply(Entry entry) {
        if (forgotten(entry.at())) {
            // What was read before stays as it was if the amp was off; if it was on, nobody knows what went on.
            begin(
                    entry.at(),
                    Power.UNDECLARED,
                    context().limiter(),
                    context().power().on());
            ticks.remove(key(Check.TUBES_COOL, ""));
        }
        boolean back = noteClock(entry);
        entries.add(entry);
        take(entry, back);
        redeem(entry.at());
        lastAt = Math.max(lastAt, entry.at());
    }

    private boolean noteClock(Entry entry) {
        Long before = deviceClocks.put(entry.device(), entry.at());
        if (before != null && entry.at() < before - CLOCK_SLACK_MILLIS) {
            clockWentBack = true;
            begin(entry.at(), context().power(), context().limiter(), true);
            return true;
        }
        return false;
    }

    private void take(Entry entry, boolean back) {
        Event event = entry.event();
        long at = entry.at();
        if (event instanceof Event.Entered e) {
            markWhatIsDone(e.stop(), at);
            here = e.stop();
        } else if (event instanceof Event.Skipped e) {
            marks.put(e.stop(), new Mark(false, e.reason()));
        } else if (event instanceof Event.Declared e) {
            declare(e.power(), at);
        } else if (event instanceof Event.LimiterSet e) {
            begin(at, context().power(), e.inSeries(), e.inSeries() != context().limiter());
        } else if (event instanceof Event.Ticked e) {
            tick(e);
        } else if (event instanceof Event.Read e) {
            read(entry, e, back);
        } else if (event instanceof Event.Turned) {
            begin(at, context().power(), context().limiter(), true);
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
            afresh(at);
        } else if (event instanceof Event.Aimed e) {
            aim = Optional.of(e);
        } else if (event instanceof Event.BiasTold e) {
            biasTold = Optional.of(e.bias());
        } else if (event instanceof Event.EmergencyStop) {
            declare(Power.OFF, at);
            // After an alarm nothing that was read before counts as the present state.
            afresh(at);
            stopped = true;
        } else if (event instanceof Event.Resumed) {
            stopped = false;
        } else if (event instanceof Event.SignedOff e) {
            signed = Optional.of(e);
        }
    }

    private void declare(Power power, long at) {
        begin(at, power, context().limiter(), power.on());
        if (power.on()) {
            ticks.remove(key(Check.TUBES_COOL, ""));
            ticks.remove(key(Check.METER_PROVEN, ""));
        } else {
            marks.remove(Stop.WARM_UP);
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
        Context context = contextAt(entry.at(), back);
        Stop stop = here;
        long at = entry.at();
        if (!e.supersedes().isEmpty()) {
            Taken old = reading(e.supersedes()).orElseThrow();
            superseded.add(old.id());
            context = old.context();
            stop = old.stop();
            at = old.at();
        }
        readings.add(new Taken(
                entry.id(), at, e.quantity(), e.point(), e.typed(), e.supersedes(), e.reason(), stop, context));
    }

    private void moved(long at) {
        tubesMoved = true;
        ticks.remove(key(Check.KEYS, ""));
        plan.amp().sockets().forEach(s -> ticks.remove(key(Check.GLOWS, s.name())));
        afresh(at);
        marks.remove(Stop.TUBES_IN);
    }

    /** A changed amp is measured anew. */
    private void afresh(long at) {
        begin(at, context().power(), context().limiter(), true);
        for (Stop stop : List.of(Stop.WARM_UP, Stop.MEASURE, Stop.SOAK, Stop.PLAY)) {
            marks.remove(stop);
        }
    }

    private void begin(long at, Power power, boolean limiter, boolean breaks) {
        Context now = context();
        boolean on = power.on() && !(now.power() == power);
        contexts.add(new Context(
                at,
                power,
                limiter,
                on ? now.run() + 1 : now.run(),
                on ? at : now.runSince(),
                breaks ? now.stretch() + 1 : now.stretch()));
    }

    private void markWhatIsDone(Stop target, long at) {
        Needs needs = new Needs(this, at);
        for (Stop stop : stops()) {
            if (stop.compareTo(target) < 0
                    && !marks.containsKey(stop)
                    && needs.missing(stop).isEmpty()) {
                marks.put(stop, Mark.DONE);
            }
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

    /** Residual readings of a node since the amp was last switched off, oldest first. */
    public List<Taken> residuals(String node) {
        long since = offSince();
        return holding().stream()
                .filter(r -> r.quantity() == Quantity.RESIDUAL && r.point().equals(node) && r.at() >= since)
                .filter(r -> r.context().power() == Power.OFF
                        && r.context().run() == context().run())
                .toList();
    }

    /** When the present off-period began; the end of time while not off. */
    private long offSince() {
        long since = Long.MAX_VALUE;
        for (int i = contexts.size() - 1; i >= 0 && contexts.get(i).power() == Power.OFF; i--) {
            since = contexts.get(i).from();
        }
        return since;
    }

    /** Whether every node was read a second time, a minute or more after the first since switching off. */
    public boolean residualsReadTwice() {
        return nodes().stream()
                .map(n -> residuals(n.name()))
                .allMatch(read -> !read.isEmpty()
                        && read.get(read.size() - 1).at() - read.get(0).at() >= Needs.SECOND_READING_MILLIS);
    }

    public Locks locks(long now) {
        return new Needs(this, now).locks();
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
                signed,
                aim,
                biasTold,
                tubesMoved);
    }
}
