package yellowrail.app.stage;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import yellowrail.app.amps.Amp;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.OutputTransformer;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.idle.LimitCheck;
import yellowrail.core.judging.Standing;
import yellowrail.core.tube.Limit;

/** A stage that still is the amp's stands at idle as its tubes were read; moved by anything, as the model computes it. */
class OwnReadingsIT extends StageAnswers {
    @Autowired
    private FromAmp fromAmp;

    private Amp amp(String type) {
        AmpDescription a = pair("Whimbrel " + UUID.randomUUID().toString().substring(0, 6), type);
        return amps.keep(
                UUID.randomUUID(),
                UUID.randomUUID(),
                0,
                new AmpDescription(
                        a.name(),
                        a.stage(),
                        a.bias(),
                        a.groups(),
                        a.supply(),
                        new OutputTransformer(Optional.of(4500.0)),
                        a.judging(),
                        a.quirks()));
    }

    private static Map<String, String> values(String mains, String first, String second) {
        return Map.of(
                "MAINS.",
                mains,
                "PLATE.V1",
                "421 V",
                "SCREEN.V1",
                "372 V",
                "CURRENT.V1",
                first,
                "PLATE.V2",
                "421 V",
                "SCREEN.V2",
                "372 V",
                "CURRENT.V2",
                second);
    }

    private JsonNode row(String query, String code) throws Exception {
        JsonNode picture = picture(query.replace("+", "%20"));
        assertThat(picture.get("trouble").asString() + picture.get("said")).isEqualTo("{}");
        return StreamSupport.stream(picture.get("limits").spliterator(), false)
                .filter(r -> r.get("code").asString().equals(code))
                .findFirst()
                .orElseThrow();
    }

    private boolean asRead(String query) throws Exception {
        return row(query, "PLATE_WATTS IDLE").get("formula").asString().startsWith("as read");
    }

    @Test
    void theStageStandsAsItsTubesWereReadUntilAnythingMoves() throws Exception {
        Amp amp = amp("KT88");
        UUID round = keepRound(amp, values("230", "545 mV", "601 mV"));
        AmpStage stage = fromAmp.of(amp, 1);
        String query = stage.form().query();
        IdleAnswer hottest = rounds.round(round).judged(java.util.List.of()).sockets().stream()
                .map(s -> s.answer())
                .max(java.util.Comparator.comparingDouble(
                        a -> a.plateWatts().orElseThrow().value()))
                .orElseThrow();
        for (Limit limit : Limit.values()) {
            Optional<LimitCheck> check = hottest.limits().stream()
                    .filter(c -> c.name().equals(limit.words()))
                    .filter(c -> c.standing() != Standing.NONE_PUBLISHED && c.standing() != Standing.NOT_APPLICABLE)
                    .findFirst();
            if (check.isPresent()) {
                assertThat(row(query, limit.name() + " IDLE").get("standing").asString())
                        .as(limit.words())
                        .isEqualTo(check.get().standing().name());
            }
        }
        assertThat(asRead(query)).isTrue();
        assertThat(picture(query.replace("+", "%20")).get("statements").toString())
                .contains("as read in this amp")
                .contains("the readings' ±");
        // The load moves no idle; everything else does.
        assertThat(asRead(query + "&load=6 k")).isTrue();
        for (String moved : new String[] {
            "idle=" + (Double.parseDouble(stage.form().texts().get("idle")) + 0.1),
            "supply=500 V",
            "source=1 Ω",
            "rg2=1 k",
            "feed=1 k",
            "mains=99",
            "highest=120",
            "bias=constant",
            "connection=triode",
            "tube=6550",
            "scales=1 1"
        }) {
            String name = moved.substring(0, moved.indexOf('='));
            String other = query.replaceAll("(^|&)" + name + "=[^&]*", "") + "&" + moved;
            assertThat(asRead(other)).as(moved).isFalse();
        }
    }

    @Test
    void readAgainOrDescribedAnewTheOldOnesStandNoMore() throws Exception {
        Amp amp = amp("6L6GC");
        keepRound(amp, values("230", "410 mV", "415 mV"));
        String query = fromAmp.of(amp, 1).form().query();
        assertThat(asRead(query)).isTrue();
        keepRound(amp, values("230", "480 mV", "505 mV"));
        assertThat(asRead(query)).isFalse();
        String newer = fromAmp.of(amp, 1).form().query();
        assertThat(asRead(newer)).isTrue();
        AmpDescription a = amp.description();
        amps.keep(
                UUID.randomUUID(),
                amp.id(),
                amp.version(),
                new AmpDescription(
                        a.name(),
                        a.stage(),
                        a.bias(),
                        a.groups(),
                        a.supply(),
                        a.output(),
                        new yellowrail.core.amp.Judging("", Optional.empty(), "", "DESIGN_CENTRE"),
                        a.quirks()));
        assertThat(asRead(newer)).isTrue();
    }

    @Test
    void withoutMainsOrAnAmpNothingWasRead() throws Exception {
        Amp amp = amp("EL34");
        keepRound(
                amp, Map.of("PLATE.V1", "421 V", "CURRENT.V1", "400 mV", "PLATE.V2", "421 V", "CURRENT.V2", "401 mV"));
        assertThat(fromAmp.of(amp, 1).read()).isEmpty();
        assertThat(fromAmp.of(amp, 1).form().texts().get("readings")).isEmpty();
        assertThat(asRead("readings=" + UUID.randomUUID() + "/1"))
                .as("not there")
                .isFalse();
        for (String none : new String[] {"1", amp.id() + "/9", "x/1"}) {
            JsonNode picture = picture("readings=" + none);
            assertThat(picture.at("/said/readings/sentence").asString())
                    .as(none)
                    .contains("names no channel");
            assertThat(picture.get("limits"))
                    .as("nothing is judged by half of an address")
                    .isEmpty();
        }
    }
}
