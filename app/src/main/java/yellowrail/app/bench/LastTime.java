package yellowrail.app.bench;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.session.Learned;
import yellowrail.core.session.Memory;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionAssessment;

/**
 * What the last session of an amp left behind, shown where the next one is begun.
 *
 * @param when the day it was begun
 * @param how as it was worked, proposed again
 * @param lines what is remembered, each with its date
 */
record LastTime(String when, String how, List<String> lines) {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    static LastTime of(BenchSession bench, SessionAssessment judged) {
        Session session = bench.state();
        Plan plan = session.plan();
        Memory memory = Learned.of(session, judged);
        List<String> lines = new ArrayList<>();
        memory.turns().entrySet().stream()
                .sorted(java.util.Map.Entry.comparingByKey())
                .forEach(t ->
                        lines.add(t.getKey() + ": " + t.getValue().direction().words() + ", known since "
                                + day(t.getValue().since()) + "."));
        memory.ranges().entrySet().stream()
                .sorted(java.util.Map.Entry.comparingByKey())
                .forEach(r -> lines.add(r.getKey() + ": " + Show.si(r.getValue().coldest(), Unit.VOLT, 3)
                        + " at its coldest to " + Show.si(r.getValue().hottest(), Unit.VOLT, 3)
                        + " at its hottest, read on "
                        + day(r.getValue().since()) + "."));
        session.seating().labels().entrySet().stream()
                .sorted(java.util.Map.Entry.comparingByKey())
                .forEach(t -> lines.add(t.getKey() + " holds " + t.getValue() + "."));
        memory.currents().entrySet().stream()
                .sorted(java.util.Map.Entry.comparingByKey())
                .forEach(c -> lines.add(c.getKey() + " was left at "
                        + Show.si(c.getValue().amperes(), Unit.AMPERE, 3)
                        + c.getValue()
                                .mains()
                                .map(m -> ", " + Show.si(m, Unit.VOLT, 3) + " mains")
                                .orElse("") + ", on " + day(c.getValue().at()) + "."));
        memory.drainMinutes()
                .ifPresent(m ->
                        lines.add("It was dead " + Show.plain(m, 2) + " min after off. Read every node all the same."));
        if (!memory.used().isEmpty()) {
            lines.add("Also read: "
                    + String.join(
                            ", ", memory.used().stream().map(q -> q.words()).toList()) + ".");
        }
        return new LastTime(
                day(session.startedAt()),
                plan.purpose().words() + ", " + plan.meter().name() + " meter, "
                        + plan.setup().access().words(),
                lines);
    }

    private static String day(long millis) {
        return Instant.ofEpochMilli(millis).atZone(ZoneId.systemDefault()).format(DAY);
    }
}
