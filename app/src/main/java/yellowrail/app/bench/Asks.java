package yellowrail.app.bench;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.app.rounds.RoundReader;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.reading.Field;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.RecordedReading;
import yellowrail.core.session.Session;
import yellowrail.core.session.stops.ReadingGroup;

/** The readings a stop asks for, with what was read there before. */
final class Asks {
    /** Readings asked for together: one socket, one node, or the amp. */
    record Group(String title, String under, int number, List<Ask> asks, List<Ask> folded) {
        /** Whether one of them is locked now. */
        public boolean locked() {
            return asks.stream().anyMatch(Ask::locked) || folded.stream().anyMatch(Ask::locked);
        }
    }

    /**
     * One reading asked for.
     *
     * @param id of its field, stable over reloads
     * @param last the last reading as it was understood, or empty
     * @param lastAt milliseconds since 1970, zero when there is none
     * @param moved whether the setting changed since that reading
     * @param before what the session before this one read there, or empty
     * @param locked whether it is locked now
     */
    record Ask(
            String id,
            Quantity quantity,
            String point,
            String label,
            String unit,
            String last,
            long lastAt,
            boolean moved,
            String before,
            boolean locked) {}

    private final Session session;
    private final Map<String, String> before;
    private final boolean ohmsLocked;

    /** @param before echoes of the session before this one, by quantity and point */
    Asks(Session session, Map<String, String> before, boolean ohmsLocked) {
        this.session = session;
        this.before = before;
        this.ohmsLocked = ohmsLocked;
    }

    static String key(Quantity quantity, String point) {
        return quantity + "/" + point;
    }

    List<Group> of(List<ReadingGroup> wanted) {
        return wanted.stream()
                .map(g -> new Group(g.title(), g.under(), g.number(), asks(g, false), asks(g, true)))
                .toList();
    }

    private List<Ask> asks(ReadingGroup group, boolean folded) {
        return group.readings().stream()
                .filter(r -> r.folded() == folded)
                .map(r -> ask(r.quantity(), r.point(), r.label()))
                .toList();
    }

    private Ask ask(Quantity quantity, String point, String label) {
        AmpDescription amp = session.plan().amp();
        Field field = RoundReader.field(amp, quantity, point);
        Optional<RecordedReading> last = session.last(quantity, point);
        boolean setting = last.isPresent()
                && last.get().context().stretch() != session.context().stretch();
        boolean live = quantity == Quantity.CURRENT || quantity == Quantity.PLATE || quantity == Quantity.INDIVIDUAL;
        boolean ohms = quantity == Quantity.SENSE_OHMS || quantity == Quantity.HALF_PRIMARY_OHMS;
        return new Ask(
                "ask-" + (quantity + "-" + point).toLowerCase().replaceAll("[^a-z0-9]+", "-"),
                quantity,
                point,
                label,
                field.shownUnit(),
                last.map(r -> r.typed().echo()).orElse(""),
                last.map(RecordedReading::at).orElse(0L),
                setting && live,
                before.getOrDefault(key(quantity, point), ""),
                ohms && ohmsLocked);
    }
}
