package yellowrail.app.amps;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.GoldenAnswers;
import yellowrail.core.tube.Catalogue;

/** What every field of an amp's description takes and refuses, text by text, and how it is written again. */
class AmpAnswersTest {
    private static final Map<String, Object> USUAL = TypedAmp.with(
                    AmpForms.empty(),
                    Map.of(
                            "name",
                            "Bittern 50",
                            "connection",
                            "ul",
                            "tap",
                            "43",
                            "socketType",
                            List.of("6L6GC", ""),
                            "nodeFarads",
                            List.of("47", ""),
                            "nodeVolts",
                            List.of("2 × 350", "")))
            .all();

    @Test
    void areWhatTheyWere() {
        Map<String, Object> usual = written(USUAL).all();
        List<String> lines = new ArrayList<>();
        for (String name : AmpForm.names()) {
            for (String text : GoldenAnswers.TYPED) {
                Map<String, Object> sent = new LinkedHashMap<>(USUAL);
                sent.compute(
                        name,
                        (n, was) -> was instanceof List<?> list && !list.isEmpty()
                                ? with(list, text)
                                : was instanceof List ? List.of(text) : text);
                AmpReader.Read read = AmpReader.read(AmpForm.sent(sent), Catalogue.shipped(), List.of("middle"));
                lines.add(name + " “" + text + "”: "
                        + read.description()
                                .map(d -> GoldenAnswers.differing(
                                        usual, AmpForms.of(d).all()))
                                .orElseGet(() -> GoldenAnswers.refusals(read.complaints())));
            }
        }
        GoldenAnswers.same("amps.txt", lines);
    }

    /** A number, a list, an object or a truth where a text belongs is refused by its name; so is a text where a list does. */
    @Test
    void noTextIsRefusedByItsName() {
        for (Object value : List.of(8000, List.of("8000"), Map.of("ohms", "8000"), true)) {
            assertThat(refused("zaa", value)).contains("zaa", FieldErrors.TEXT_TAKEN);
            assertThat(refused("r", value)).contains("r → ", FieldErrors.TEXT_TAKEN);
        }
        for (Object value : List.of("6L6GC", 6550, List.of(6550), List.of(List.of("6L6GC")), Map.of("V1", "6L6GC"))) {
            assertThat(refused("socketType", value)).contains("socketType", FieldErrors.TEXTS_TAKEN);
        }
    }

    /** What stands beside no socket and no named node is not ignored. */
    @Test
    void whatStandsBesideNothingIsRefused() {
        assertThat(refused("socketType", List.of("6L6GC", "", "EL34"))).contains("socketType2", "beside no socket");
        assertThat(refused("nodeFarads", List.of("47", "", "", "", "100"))).contains("nodeFarads4", "beside no node");
        assertThat(refused("nodeFarads", List.of("47", "", "33"))).contains("nodeFarads2", "beside no node");
        assertThat(refused("nodeVolts", List.of("450", "", "2 × 350"))).contains("nodeVolts2", "beside no node");
    }

    private static String refused(String name, Object value) {
        Map<String, Object> sent = new LinkedHashMap<>(USUAL);
        sent.put(name, value);
        AmpReader.Read read = AmpReader.read(AmpForm.sent(sent), Catalogue.shipped(), List.of("middle"));
        assertThat(read.description()).isEmpty();
        return GoldenAnswers.refusals(read.complaints());
    }

    private static AmpForm written(Map<String, Object> sent) {
        return AmpForms.of(AmpReader.read(AmpForm.sent(sent), Catalogue.shipped(), List.of("middle"))
                .description()
                .orElseThrow());
    }

    /** The second of a list, where there is one. */
    private static List<Object> with(List<?> list, String text) {
        List<Object> changed = new ArrayList<>(list);
        changed.set(Math.min(1, list.size() - 1), text);
        return changed;
    }
}
