package yellowrail.core.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.soak.Drift;

/** Every change made in a session, in order, as sentences: what, from, to. */
public final class ChangeLog {
    private ChangeLog() {}

    public static List<String> of(Session session) {
        List<String> log = new ArrayList<>();
        Session soFar = new Session(session.plan());
        for (Entry entry : session.entries()) {
            sentence(soFar, entry).ifPresent(log::add);
            soFar.apply(entry);
        }
        return log;
    }

    private static Optional<String> sentence(Session before, Entry entry) {
        Event event = entry.event();
        if (event instanceof Event.Turned turned) {
            String way = turned.way()
                    .map(w -> w == Event.Way.CW ? " clockwise" : " counter-clockwise")
                    .orElse("");
            return Optional.of("Turned the " + turned.control() + way + whileCreeping(before, turned.control())
                    + because(turned.reason()) + ".");
        }
        if (event instanceof Event.Placed placed) {
            String old = before.tube(placed.socket());
            return Optional.of(
                    placed.socket() + ": " + (old.isEmpty() ? "" : "from " + old + " ") + "to " + placed.tube() + ".");
        }
        if (event instanceof Event.Exchanged swap) {
            return Optional.of("Exchanged the tubes of " + swap.socketA() + " and " + swap.socketB() + ".");
        }
        if (event instanceof Event.Changed changed) {
            return Optional.of(changed.what()
                    + (changed.from().isBlank() ? "" : ", from " + changed.from())
                    + (changed.to().isBlank() ? "" : " to " + changed.to())
                    + because(changed.reason()) + ".");
        }
        if (event instanceof Event.Aimed aimed) {
            return Optional.of("Target “" + aimed.target() + "”" + because(aimed.reason()) + ".");
        }
        if (event instanceof Event.BiasTold told) {
            return Optional.of("Bias behaviour told: " + told.bias().words() + ".");
        }
        if (event instanceof Event.EmergencyStop stop) {
            return Optional.of("Power off for safety" + because(stop.what()) + ".");
        }
        if (event instanceof Event.Read read && !read.supersedes().isEmpty()) {
            return amended(
                    before, read.supersedes(), "corrected to " + read.typed().echo(), read.reason());
        }
        if (event instanceof Event.Voided voided) {
            return amended(before, voided.reading(), "taken back", voided.reason());
        }
        if (event instanceof Event.Moved moved) {
            return amended(before, moved.reading(), "moved to " + moved.point(), moved.reason());
        }
        if (event instanceof Event.CauseFound cause) {
            return Optional.of("Cause found: " + cause.fact() + ".");
        }
        if (event instanceof Event.Resumed resumed) {
            return Optional.of("Resumed: " + resumed.found() + ".");
        }
        return Optional.empty();
    }

    /** A reading that was changed stays on record, and that it was changed is printed. */
    private static Optional<String> amended(Session before, String id, String what, String reason) {
        return before.reading(id)
                .map(r -> r.quantity().words() + (r.point().isEmpty() ? "" : " " + r.point()) + " of "
                        + r.typed().echo() + " " + what + because(reason) + ".");
    }

    /** A trim of a creeping tube is told as such: it hides the cause. */
    private static String whileCreeping(Session before, String control) {
        List<String> moved = before.controls().stream()
                .filter(c -> c.name().equals(control))
                .flatMap(c -> c.sockets().stream())
                .toList();
        List<String> creeping = Curves.of(before).present().stream()
                .filter(c -> c.sockets().stream().anyMatch(moved::contains))
                .filter(c ->
                        c.drift().kind() == Drift.Kind.CREEPING || c.drift().kind() == Drift.Kind.ACCELERATING)
                .map(Curves.Curve::point)
                .toList();
        return creeping.isEmpty() ? "" : " while " + String.join(" and ", creeping) + " crept";
    }

    private static String because(String reason) {
        return reason.isBlank() ? "" : ": " + reason;
    }
}
