package yellowrail.app.results;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.Texts;
import yellowrail.core.experiment.MeasuredPoint;

/**
 * A result as typed.
 *
 * @param supersedes id of the result it corrects, or empty
 * @param factors texts by factor
 * @param points a line for each point
 */
record ResultForm(UUID id, String supersedes, Map<String, String> factors, String points, String note) {

    /** The same texts as another result. */
    ResultForm withId(UUID other) {
        return new ResultForm(other, supersedes, factors, points, note);
    }

    /** What a factor's field is called in the form. */
    static String field(String factor) {
        return "f-" + factor.replace(' ', '-');
    }

    static ResultForm typed(UUID id, Map<String, String> said) {
        Map<String, String> factors = new LinkedHashMap<>();
        BenchResult.FACTORS.forEach(
                f -> factors.put(f, said.getOrDefault(field(f), "").strip()));
        return new ResultForm(
                id,
                said.getOrDefault("supersedes", ""),
                factors,
                said.getOrDefault("points", ""),
                said.getOrDefault("note", "").strip());
    }

    /** A fresh form: the amp as it was last time, so that only what changed is typed. */
    static ResultForm after(List<BenchResult> results) {
        Map<String, String> factors =
                results.isEmpty() ? Map.of() : results.get(results.size() - 1).factors();
        return new ResultForm(UUID.randomUUID(), "", factors, "", "");
    }

    static ResultForm correcting(BenchResult old) {
        return new ResultForm(
                UUID.randomUUID(), old.id().toString(), old.factors(), ResultStore.text(old.points()), old.note());
    }

    /** The result, with what is wrong in {@code complaints}; then it is not to be kept. */
    BenchResult read(UUID ampId, OffsetDateTime takenAt, UUID corrects, FieldErrors complaints) {
        factors.forEach((factor, text) -> {
            if (text.length() > Texts.SENTENCE) {
                complaints.add(field(factor), Texts.tooLong(Texts.SENTENCE, text));
            }
        });
        if (note.length() > Texts.NOTE) {
            complaints.add("note", Texts.tooLong(Texts.NOTE, note));
        }
        if (corrects != null && note.isBlank()) {
            complaints.add("note", "Say in a few words why it is corrected.");
        }
        List<MeasuredPoint> read = List.of();
        try {
            read = MeasuredText.read(points);
            if (read.isEmpty()) {
                complaints.add("points", "Type at least one line: level, frequency, watts, THD.");
            }
        } catch (IllegalArgumentException unread) {
            complaints.add("points", unread.getMessage());
        }
        return new BenchResult(id, ampId, takenAt, factors, read, note, corrects);
    }

    /** Now, as the builder's own clock shows it. */
    static OffsetDateTime now(Clock clock) {
        return OffsetDateTime.now(clock.withZone(ZoneId.systemDefault()));
    }
}
