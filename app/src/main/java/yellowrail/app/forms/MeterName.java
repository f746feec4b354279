package yellowrail.app.forms;

import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Meter;

/** Which meter a text names: one of those kept or shipped by its name, a class by its short word too. */
public final class MeterName {
    private MeterName() {}

    /** @param known those that are kept, and the classes */
    public static Optional<Meter> of(String text, List<Meter> known) {
        return known.stream()
                .filter(m -> m.name().equals(text))
                .findFirst()
                .or(() -> Optional.ofNullable(Words.METER.get(text)));
    }

    /** The meter of a field; a handheld one where nothing is typed, or with a complaint what is not known. */
    public static Meter read(String text, List<Meter> known, FieldErrors complaints) {
        if (text == null || text.isEmpty()) {
            return Meter.HANDHELD;
        }
        return of(text, known).orElseGet(() -> {
            complaints.add(
                    "meter",
                    "There is no meter called “" + FieldErrors.shorten(text) + "”.",
                    known.stream().map(Meter::name).toList());
            return Meter.HANDHELD;
        });
    }
}
