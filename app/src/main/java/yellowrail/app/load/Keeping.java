package yellowrail.app.load;

import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.stage.OnStage;
import yellowrail.core.load.AcReading;
import yellowrail.core.load.Transformer;
import yellowrail.core.load.TransformerDescription;

/**
 * What is to be kept of a typed transformer: nothing where some of it is not understood.
 *
 * @param readings those that are typed and not kept yet
 */
record Keeping(Optional<TransformerDescription> description, List<AcReading> readings) {
    private static final List<String> OF_TRANSFORMER = FieldSpec.names(LoadFields.ALL.stream()
            .filter(f -> !LoadFields.SPEAKERS.contains(f)
                    && !LoadFields.SPEAKER.contains(f)
                    && f != LoadFields.BAND
                    && f != LoadFields.OPEN)
            .toList());
    private static final Pattern READING = Pattern.compile("(?:driven|drive|other|volts)(\\d)");

    /** Fields of the speakers and of the page, which a transformer does not hold. */
    private static boolean ofTransformer(String field) {
        return OF_TRANSFORMER.contains(field);
    }

    static Keeping of(OnStage form, LoadReader.Read read, String name, FieldErrors complaints) {
        read.complaints().byField().forEach((field, complaint) -> {
            if (ofTransformer(field)) {
                Matcher row = READING.matcher(field);
                complaints.add(
                        field,
                        row.matches() ? "Reading " + row.group(1) + ": " + complaint.sentence() : complaint.sentence());
            }
        });
        for (LoadFields.Row row : LoadFields.ROWS) {
            if (!complaints.any() && form.blank(row.drive()) != form.blank(row.volts())) {
                complaints.add(
                        row.volts().name(),
                        "Reading " + row.number() + " is not whole: type both voltages, or neither.");
            }
        }
        String called = name.strip();
        if (called.isEmpty() || called.length() > TransformerDescription.LONGEST_NAME) {
            complaints.add(
                    "name",
                    "A name for the transformer, 1 to " + TransformerDescription.LONGEST_NAME
                            + " characters, by which you find it on the shelf.");
        }
        return complaints.any()
                ? new Keeping(Optional.empty(), List.of())
                : new Keeping(Optional.of(described(called, read)), read.typed());
    }

    private static TransformerDescription described(String name, LoadReader.Read read) {
        Transformer transformer = read.transformer().orElseThrow();
        FittedParts parts = read.parts();
        return new TransformerDescription(
                name,
                transformer.markedOhms(),
                transformer.taps(),
                parts.windings(),
                parts.primaryHenries(),
                parts.coreAmperes(),
                parts.rated().map(FittedParts.Rated::watts),
                parts.rated().map(FittedParts.Rated::hertz));
    }
}
