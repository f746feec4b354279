package yellowrail.app.rounds;

import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.amps.AmpForms;
import yellowrail.app.amps.AmpReader;
import yellowrail.app.amps.TypedAmp;
import yellowrail.app.forms.GoldenAnswers;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.reading.Meter;
import yellowrail.core.tube.Catalogue;

/** What every point and circumstance of a round takes and refuses, text by text. */
class RoundAnswersTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final UUID ID = UUID.fromString("7f1dcf1c-0000-4000-8000-000000000001");
    private static final AmpDescription AMP = AmpReader.read(
                    TypedAmp.with(
                            AmpForms.resized(AmpForms.empty(), 2, 1),
                            Map.of(
                                    "name", "Sora 30",
                                    "bias", "cathode",
                                    "controls", "none",
                                    "socketType", List.of("6V6GT", ""),
                                    "method", "shared",
                                    "grouping", "all",
                                    "screenOhms", "470",
                                    "chokeOhms", "60")),
                    Catalogue.shipped(),
                    List.of())
            .description()
            .orElseThrow();

    @Test
    void areWhatTheyWere() {
        List<String> lines = new ArrayList<>();
        for (RoundReader.Point point : RoundReader.points(AMP)) {
            for (String text : GoldenAnswers.TYPED) {
                lines.add(point.key() + " “" + text + "”: " + told(Map.of("values", Map.of(point.key(), text))));
            }
        }
        for (String field : List.of("takenAt", "meter", "ref", "limiter", "reduced", "pair", "spread", "note")) {
            List<String> texts = new ArrayList<>(GoldenAnswers.TYPED);
            texts.addAll(List.of(
                    "no", "node", "out", "before", "together", "fine", "2026-11-20T20:00:00Z", "2027-11-20T20:00:00Z"));
            for (String text : texts) {
                lines.add(field + " “" + text + "”: " + told(Map.of("values", Map.of("PLATE.V1", "312"), field, text)));
            }
        }
        GoldenAnswers.same("rounds.txt", lines);
    }

    private static String told(Map<String, Object> sent) {
        RoundReader.Read read = RoundReader.read(
                JSON.convertValue(new HashMap<>(sent), RoundForm.class),
                AMP,
                ID,
                Meter.CLASSES,
                OffsetDateTime.parse("2026-11-24T20:00:00Z"));
        return read.complaints().any()
                ? GoldenAnswers.refusals(read.complaints())
                : read.takenAt() + " " + read.state().toString().replaceAll("Meter\\[name=([^,]*),.*?\\]\\], ", "$1 ")
                        + " " + read.readings().stream().map(Reading::echo).toList();
    }
}
