package yellowrail.core.session;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.session.stops.Look;
import yellowrail.core.session.stops.ReadingGroup;
import yellowrail.core.session.stops.Remark;
import yellowrail.core.session.stops.Tool;

/**
 * A stop of the rail: what is read there in measuring order, what is confirmed, what it still wants, what its readings mean,
 * what it warns of, the tools it offers, and what it leaves on the sheet. Each is a file in {@code stops}; the rail is their
 * list.
 */
public abstract class Stop {
    private final String id;
    private final String words;

    /**
     * @param id its word in addresses, JSON and what is stored
     * @param words what it is called
     */
    protected Stop(String id, String words) {
        this.id = id;
        this.words = words;
    }

    public final String id() {
        return id;
    }

    public final String words() {
        return words;
    }

    /** Whether the amp is under power at this stop, so that an emergency stop belongs on it. */
    public boolean powered() {
        return true;
    }

    /** Whether it applies; what happens on the way can add it. */
    public boolean belongs(Session session) {
        return true;
    }

    /** What is confirmed here by the builder's own eyes and hands. */
    public List<Check> checks() {
        return List.of();
    }

    /** The readings it asks for, in measuring order. */
    public List<ReadingGroup> readings(Look look) {
        return List.of();
    }

    /** What it still wants, one sentence each; empty when it is done. */
    public abstract List<String> missing(Session session, long now);

    /** What the readings of this stop mean. */
    public List<Remark> remarks(Look look) {
        return List.of();
    }

    /**
     * What can happen here and what to do, one sentence each.
     *
     * @param volts the amp's highest voltage in words, for example {@code about 458 V}
     */
    public abstract List<String> cautions(Session session, String volts);

    /** What it found, in half a line under its name. */
    public abstract String note(Session session);

    /** The one next thing to do; by default the first that is missing. */
    public Optional<NextStep> next(Look look) {
        return Optional.empty();
    }

    /** The tools it offers beside its readings. */
    public Set<Tool> tools(Session session) {
        return Set.of();
    }

    /** What it leaves on the sheet, half a line each. */
    public List<String> printed(Session session) {
        return List.of();
    }

    /**
     * Which stops have to be behind us to go here.
     *
     * @param before those before it, in order
     */
    public List<Stop> after(List<Stop> before) {
        return before;
    }

    /** Why power may not be declared on because of this stop; empty where it may. */
    public Optional<String> powerRefusal(Session session, Power power, long now) {
        return Optional.empty();
    }

    /** Whether the amp is powered here with its output tubes out. */
    public boolean powersTubesOut() {
        return false;
    }

    /** Why it cannot be skipped; empty where it can. */
    public Optional<String> skipRefusal() {
        return Optional.empty();
    }

    /** Whether it is done again after a change of the amp and in a new power-on. */
    public boolean doneAgain() {
        return true;
    }

    /** Whether it is done again once the amp was off. */
    public boolean endsWithPower() {
        return false;
    }

    /** Whether it is done again once tubes were moved. */
    public boolean ofTubes() {
        return false;
    }

    /** Whether it is open again once one of its confirmations is taken back. */
    public boolean reopens() {
        return false;
    }

    /** Whether the amp is played here at the end of a soak. */
    public boolean plays() {
        return false;
    }

    /** Whether the page goes on by itself once it is done: nothing is left to decide here. */
    public boolean goesOn() {
        return true;
    }

    /** Whether the session is signed here. */
    public boolean signs() {
        return false;
    }

    /**
     * What keeps the session from being proven because of this stop, unless it was skipped.
     *
     * @param done whether it was done before
     */
    public List<String> unproven(Session session, boolean done, long now) {
        return done ? List.of() : missing(session, now);
    }

    /** What keeps the session from being proven even where this stop was done or skipped before. */
    public List<String> stillUnproven(Session session, long now) {
        return List.of();
    }

    /** Why it is not behind us; empty when it is done or was skipped. */
    protected final Optional<String> settled(Session session, long now) {
        if (session.marks().containsKey(this)) {
            return Optional.empty();
        }
        List<String> missing = missing(session, now);
        return missing.isEmpty()
                ? Optional.empty()
                : Optional.of(words + " is not done: " + missing.get(0) + " Do it, or skip the stop with a reason.");
    }

    @Override
    public final boolean equals(Object other) {
        return other instanceof Stop stop && stop.id.equals(id);
    }

    @Override
    public final int hashCode() {
        return id.hashCode();
    }

    @Override
    public final String toString() {
        return id;
    }
}
