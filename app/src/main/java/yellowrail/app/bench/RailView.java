package yellowrail.app.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Mark;
import yellowrail.core.session.Session;
import yellowrail.core.session.Stop;
import yellowrail.core.session.Taken;

/**
 * The rail with its stops.
 *
 * @param stops in order
 * @param before the stop before the present one, or null
 * @param after the stop after it, or null
 */
public record RailView(List<RailStop> stops, RailStop here, RailStop before, RailStop after) {
    /**
     * One stop.
     *
     * @param state here, done, open, skipped or stopped: how its square looks
     * @param said the state in words, for those who do not see the square
     * @param note what it found, in half a line
     * @param by a time that belongs to the note, milliseconds since 1970, or null
     */
    public record RailStop(String key, String words, String state, String said, String note, Long by) {
        RailStop(String key, String words, String state, String said, String note) {
            this(key, words, state, said, note, null);
        }
    }

    static RailView of(Session session, Optional<Long> wholeAt) {
        List<RailStop> stops = new ArrayList<>();
        int here = 0;
        for (Stop stop : session.stops()) {
            if (stop == session.here()) {
                here = stops.size();
            }
            stops.add(watched(stop(session, stop), stop, wholeAt));
        }
        return new RailView(
                stops,
                stops.get(here),
                here > 0 ? stops.get(here - 1) : null,
                here + 1 < stops.size() ? stops.get(here + 1) : null);
    }

    /** At the soak stands when it is whole, from its first reading on. */
    private static RailStop watched(RailStop stop, Stop which, Optional<Long> wholeAt) {
        return which == Stop.SOAK && wholeAt.isPresent() && !stop.state().equals("skipped")
                ? new RailStop(stop.key(), stop.words(), stop.state(), stop.said(), "whole at", wholeAt.get())
                : stop;
    }

    private static RailStop stop(Session session, Stop stop) {
        Mark mark = session.marks().get(stop);
        boolean skipped = mark != null && !mark.done();
        if (stop == session.here()) {
            return session.stopped()
                    ? new RailStop(stop.name(), stop.words(), "stopped", "stopped for safety", note(session, stop))
                    : new RailStop(stop.name(), stop.words(), "here", "here", note(session, stop));
        }
        if (skipped) {
            return new RailStop(stop.name(), stop.words(), "skipped", "skipped", mark.reason());
        }
        return mark != null
                ? new RailStop(stop.name(), stop.words(), "done", "done", note(session, stop))
                : new RailStop(stop.name(), stop.words(), "open", "to come", note(session, stop));
    }

    private static String note(Session session, Stop stop) {
        return switch (stop) {
            case BEFORE_POWER ->
                session.last(Quantity.LOAD_OHMS, "")
                        .map(r -> "load " + r.typed().echo())
                        .orElse("load on, volumes down");
            case DRAINED, CLOSE -> residual(session, stop);
            case TUBES_OUT ->
                latest(session, Quantity.UNLOADED)
                        .map(r -> "unloaded " + r.typed().echo())
                        .orElse("coldest end, unloaded B+");
            case TUBES_IN -> "keys, heaters, first current";
            case MAINS ->
                session.last(Quantity.MAINS, "")
                        .map(r -> r.typed().echo()
                                + session.last(Quantity.HEATER, "")
                                        .map(h -> ", heaters " + h.typed().echo())
                                        .orElse(""))
                        .orElse("mains, heater volts");
            case WARM_UP -> "under 1 % in 5 min";
            case MEASURE -> "every socket, then turn";
            case SOAK -> Show.plain(session.plan().soakMinutes(), 3) + " min watch";
            case PLAY -> "look for glowing plates";
            case SIGN_OFF -> session.signed().map(s -> "signed " + s.by()).orElse("sheet and next check");
        };
    }

    private static String residual(Session session, Stop stop) {
        Optional<Double> highest = session.holding().stream()
                .filter(r -> r.quantity() == Quantity.RESIDUAL && r.stop() == stop)
                .map(r -> Math.abs(r.typed().value()))
                .max(Double::compare);
        return highest.map(v -> "highest read " + Show.si(v, Unit.VOLT, 2))
                .orElse(Show.plain(session.plan().handsVolts(), 2) + " V or less, twice");
    }

    private static Optional<Taken> latest(Session session, Quantity quantity) {
        return session.holding().stream().filter(r -> r.quantity() == quantity).reduce((a, b) -> b);
    }
}
