package yellowrail.app.rounds;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpForms;
import yellowrail.app.amps.AmpReader;
import yellowrail.app.amps.TypedAmp;
import yellowrail.app.forms.CheckFields;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.reading.Meter;
import yellowrail.core.round.Quantity;
import yellowrail.core.target.Profiles;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.TubeType;

class RoundReaderTest {
    private static final OffsetDateTime NOW = OffsetDateTime.parse("2026-11-24T20:00:00Z");

    private static AmpDescription quad(String method, String grouping, String bias) {
        var e = AmpForms.resized(AmpForms.empty(), 4, 1);
        var form = TypedAmp.with(
                e,
                Map.ofEntries(
                        Map.entry("name", "Sora 30"),
                        Map.entry("bias", bias),
                        Map.entry("controls", "none"),
                        Map.entry("socketType", List.of("6V6GT", "", "", "")),
                        Map.entry("method", method),
                        Map.entry("grouping", grouping),
                        Map.entry("sensing", Map.of("r", "132", "rtol", "2")),
                        Map.entry("chokeOhms", "60"),
                        Map.entry("nodeLabel", List.of()),
                        Map.entry("target", "cathode-bias usual")));
        return AmpReader.read(form, Catalogue.shipped(), List.of("cathode-bias usual"))
                .description()
                .orElseThrow();
    }

    private static final AmpDescription SHARED = quad("cathode", "all", "cathode");

    private static RoundReader.Read read(AmpDescription amp, UUID id, Map<String, String> values, String... state) {
        return RoundReader.read(
                RoundForm.of(id.toString(), values)
                        .saying(RoundFields.TAKEN_AT, state.length > 0 ? state[0] : "")
                        .saying(CheckFields.METER, state.length > 1 ? state[1] : "")
                        .saying(CheckFields.REFERENCE, state.length > 2 ? state[2] : "")
                        .saying(CheckFields.SPREAD, state.length > 3 ? state[3] : ""),
                amp,
                id,
                Meter.CLASSES,
                NOW);
    }

    @Test
    void asksOnlyForThePointsThisAmpHas() {
        List<String> keys =
                RoundReader.points(SHARED).stream().map(RoundReader.Point::key).toList();
        assertThat(keys).contains("MAINS.", "PLATE.V1", "CURRENT.all", "INDIVIDUAL.V4", "CHOKE.", "GRID.V1");
        // The drop over the cathode resistor is the cathode voltage; there are no screen resistors.
        assertThat(keys).noneMatch(k -> k.startsWith("CATHODE.") || k.startsWith("SCREEN_DROP."));
        List<String> own = RoundReader.points(quad("own", "tube", "cathode")).stream()
                .map(RoundReader.Point::key)
                .toList();
        assertThat(own).contains("CATHODE.V1", "CURRENT.V4").noneMatch(k -> k.startsWith("INDIVIDUAL."));
    }

    @Test
    void readingsGetIdsThatFollowFromTheRound() {
        UUID id = UUID.randomUUID();
        Map<String, String> values = Map.of("MAINS.", "231", "CURRENT.all", "19.7 V");
        List<Reading> first = read(SHARED, id, values).readings();
        List<Reading> second = read(SHARED, id, values).readings();
        assertThat(first)
                .extracting(Reading::id)
                .isEqualTo(second.stream().map(Reading::id).toList());
        assertThat(read(SHARED, UUID.randomUUID(), values).readings())
                .extracting(Reading::id)
                .doesNotContainAnyElementsOf(first.stream().map(Reading::id).toList());
        assertThat(first).extracting(Reading::takenAt).containsOnly(NOW);
    }

    @Test
    void complainsAndKeepsNothingHalfRead() {
        UUID id = UUID.randomUUID();
        assertThat(read(SHARED, id, Map.of()).complaints().byField()).containsKey("round");
        assertThat(read(SHARED, id, Map.of("PLATE.V9", "300")).complaints().byField())
                .containsKey("PLATE.V9");
        assertThat(read(SHARED, id, Map.of("PLATE.V1", "three")).complaints().byField())
                .containsKey("PLATE.V1");
        Map<String, String> good = Map.of("PLATE.V1", "312");
        assertThat(read(SHARED, id, good, "yesterday").complaints().byField()).containsKey("takenAt");
        assertThat(read(SHARED, id, good, "2031-01-01T00:00:00Z").complaints().byField())
                .containsKey("takenAt");
        assertThat(read(SHARED, id, good, "", "no such meter").complaints().byField())
                .containsKey("meter");
        assertThat(read(SHARED, id, good, "", "", "moon").complaints().byField())
                .containsKey("ref");
        assertThat(read(SHARED, id, good, "", "", "", "170").complaints().byField())
                .containsKey("spread");
        assertThat(read(SHARED, id, good, "2026-11-24T21:00:00+02:00", "bench", "cathode")
                        .complaints()
                        .any())
                .isFalse();
    }

    private static Round round(AmpDescription amp, Map<String, String> values) {
        UUID id = UUID.randomUUID();
        RoundReader.Read read = read(amp, id, values);
        TubeType type = ((Lookup.Found) Catalogue.shipped().find("6V6GT")).type();
        return new Round(
                id,
                new Amp(UUID.randomUUID(), 1, amp),
                NOW,
                read.state(),
                Map.of("6V6GT", type),
                "",
                read.readings(),
                Optional.empty());
    }

    private static Map<String, String> with(Map<String, String> base, String... pairs) {
        Map<String, String> all = new HashMap<>(base);
        for (int i = 0; i < pairs.length; i += 2) {
            all.put(pairs[i], pairs[i + 1]);
        }
        return all;
    }

    private static final Map<String, String> MEAN =
            Map.of("MAINS.", "230", "PLATE.V1", "312 V", "CURRENT.all", "19.7 V");

    @Test
    void historyDoesNotCompareAMeanWithASingleReading() {
        Round mean = round(SHARED, MEAN);
        Round later = round(SHARED, with(MEAN, "CURRENT.all", "20.1 V"));
        Round single = round(
                SHARED,
                with(MEAN, "INDIVIDUAL.V1", "49", "INDIVIDUAL.V2", "38", "INDIVIDUAL.V3", "32", "INDIVIDUAL.V4", "30"));
        History history = History.of(List.of(mean, later, single), Profiles.SHIPPED);
        assertThat(history.rows()).hasSize(3);
        assertThat(history.rows().get(0).cells().get(0).change()).isEmpty();
        assertThat(history.rows().get(1).cells().get(0).watts()).startsWith("mean ");
        assertThat(history.rows().get(1).cells().get(0).change()).isEqualTo("+0.2 W");
        Comparison comparison = Comparison.of(mean, single, Profiles.SHIPPED);
        assertThat(comparison.lines())
                .filteredOn(l -> !l.socket().startsWith("channel"))
                .allMatch(l -> l.ratio().isEmpty());
        assertThat(comparison.cautions()).anyMatch(c -> c.contains("saw a mean"));
        assertThat(Comparison.of(mean, later, Profiles.SHIPPED).lines())
                .anyMatch(l -> l.ratio().equals("× 1.02"));
    }

    @Test
    void comparisonSaysWhenTheMainsIsToBlame() {
        Comparison comparison =
                Comparison.of(round(SHARED, MEAN), round(SHARED, with(MEAN, "MAINS.", "240")), Profiles.SHIPPED);
        assertThat(comparison.cautions()).anyMatch(c -> c.contains("Mains differs by 4.2 %"));
        Comparison unknown =
                Comparison.of(round(SHARED, MEAN), round(SHARED, with(MEAN, "MAINS.", "")), Profiles.SHIPPED);
        assertThat(unknown.cautions()).anyMatch(c -> c.contains("not recorded in both"));
    }

    @Test
    void aRoundReadsBackInTheWordsItWasEnteredIn() {
        RoundView view = RoundView.of(round(SHARED, with(MEAN, "GRID.V2", "-0.2 V")), Profiles.SHIPPED);
        assertThat(view.tubes().get(0).provenance())
                .contains("Plate at 312 V to chassis")
                .contains("19.7 V across the cathode-bias resistor shared by 4 tubes");
        assertThat(view.tubes().get(1).provenance()).contains("read at V1");
        assertThat(view.provenance()).contains("Mains 230 V").contains("version 1");
        assertThat(view.readings()).allMatch(RoundView.Entry::holds);
        assertThat(view.verdict()).contains("mean only");
    }

    @Test
    void theFieldOfACorrectionIsThatOfItsPoint() {
        assertThat(RoundReader.field(SHARED, Quantity.CURRENT, "all").shownUnit())
                .isEqualTo("V");
        assertThat(RoundReader.field(quad("own", "tube", "tracking"), Quantity.CURRENT, "V1")
                        .unit()
                        .symbol())
                .isEqualTo("V");
        assertThat(read(SHARED, UUID.randomUUID(), Map.of("PLATE.V1", "1"))
                        .state()
                        .reference())
                .isEqualTo(PlateVolts.Reference.CHASSIS);
    }
}
