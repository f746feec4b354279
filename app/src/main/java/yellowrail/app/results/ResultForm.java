package yellowrail.app.results;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import yellowrail.app.forms.Answers;
import yellowrail.app.forms.FieldErrors;

/**
 * A result as typed.
 *
 * @param supersedes id of the result it corrects, or empty
 */
record ResultForm(UUID id, String supersedes, Answers answers) {
    /** The same texts as another result. */
    ResultForm withId(UUID other) {
        return new ResultForm(other, supersedes, answers);
    }

    static ResultForm typed(UUID id, Map<String, String> said) {
        return new ResultForm(
                id,
                said.getOrDefault("supersedes", ""),
                Answers.usual(ResultFields.ALL).said(said::get));
    }

    /** A fresh form: the amp as it was last time, so that only what changed is typed. */
    static ResultForm after(List<BenchResult> results) {
        Answers usual = Answers.usual(ResultFields.ALL);
        return new ResultForm(
                UUID.randomUUID(),
                "",
                results.isEmpty()
                        ? usual
                        : as(usual, results.get(results.size() - 1).factors()));
    }

    static ResultForm correcting(BenchResult old) {
        return new ResultForm(
                UUID.randomUUID(),
                old.id().toString(),
                as(Answers.usual(ResultFields.ALL), old.factors())
                        .known(ResultFields.POINTS, old.points())
                        .known(ResultFields.NOTE, old.note()));
    }

    private static Answers as(Answers answers, Map<String, String> factors) {
        Answers filled = answers;
        for (Map.Entry<String, String> factor : factors.entrySet()) {
            filled = filled.known(ResultFields.FACTORS.get(factor.getKey()), factor.getValue());
        }
        return filled;
    }

    /** The result, with what is wrong in {@code complaints}; then it is not to be kept. */
    BenchResult read(UUID ampId, OffsetDateTime takenAt, UUID corrects, FieldErrors complaints) {
        Map<String, String> factors = new LinkedHashMap<>();
        ResultFields.FACTORS.forEach((factor, field) -> factors.put(factor, answers.read(field, complaints)));
        String note = answers.read(ResultFields.NOTE, complaints);
        if (corrects != null && note.isBlank()) {
            complaints.add(ResultFields.NOTE.name(), "Say in a few words why it is corrected.");
        }
        return new BenchResult(
                id, ampId, takenAt, factors, answers.read(ResultFields.POINTS, complaints), note, corrects);
    }

    /** Now, as the builder's own clock shows it. */
    static OffsetDateTime now(Clock clock) {
        return OffsetDateTime.now(clock.withZone(ZoneId.systemDefault()));
    }
}
