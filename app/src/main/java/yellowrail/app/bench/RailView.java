package yellowrail.app.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Mark;
import yellowrail.core.session.Session;
import yellowrail.core.session.Stop;
import yellowrail.core.session.stops.Tool;

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
     * @param powered whether the amp is under power there
     * @param by a time that belongs to the note, milliseconds since 1970, or null
     */
    public record RailStop(String key, String words, String state, String said, String note, boolean powered, Long by) {
        RailStop(Stop stop, String state, String said, String note) {
            this(stop.id(), stop.words(), state, said, note, stop.powered(), null);
        }
    }

    static RailView of(Session session, Optional<Long> wholeAt) {
        List<RailStop> stops = new ArrayList<>();
        int here = 0;
        for (Stop stop : session.stops()) {
            if (stop.equals(session.here())) {
                here = stops.size();
            }
            stops.add(watched(session, stop(session, stop), stop, wholeAt));
        }
        return new RailView(
                stops,
                stops.get(here),
                here > 0 ? stops.get(here - 1) : null,
                here + 1 < stops.size() ? stops.get(here + 1) : null);
    }

    /** At the soak stands when it is whole, from its first reading on. */
    private static RailStop watched(Session session, RailStop stop, Stop which, Optional<Long> wholeAt) {
        return which.tools(session).contains(Tool.SOAK_END)
                        && wholeAt.isPresent()
                        && !stop.state().equals("skipped")
                ? new RailStop(
                        stop.key(), stop.words(), stop.state(), stop.said(), "whole at", stop.powered(), wholeAt.get())
                : stop;
    }

    private static RailStop stop(Session session, Stop stop) {
        Mark mark = session.marks().get(stop);
        boolean skipped = mark != null && !mark.done();
        if (stop.equals(session.here())) {
            return session.stopped()
                    ? new RailStop(stop, "stopped", "stopped for safety", stop.note(session))
                    : new RailStop(stop, "here", "here", stop.note(session));
        }
        if (skipped) {
            return new RailStop(stop, "skipped", "skipped", mark.reason());
        }
        return mark != null
                ? new RailStop(stop, "done", "done", stop.note(session))
                : new RailStop(stop, "open", "to come", stop.note(session));
    }
}
