package yellowrail.app.amps;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import yellowrail.core.tube.Catalogue;

/** What an amp's form says of how its bias, controls and points go together, and what it makes of them. */
class HowItFitsTest {
    private static AmpForm four(String bias, String controls, String method) {
        return TypedAmp.with(
                AmpForms.resized(AmpForms.empty(), 4, 1),
                Map.of("name", "Dunlin 4", "bias", bias, "controls", controls, "method", method, "grouping", "tube"));
    }

    private static String said(AmpForm form, String... points) {
        return String.join(" ", HowItFits.sentences(form, List.of(points)));
    }

    @Test
    void aSharedCathodeResistorIsOnePointByItself() {
        AmpForm form = four("cathode", "cathode_shared", "cathode");
        assertThat(Grouping.of(form, Grouping.TUBE)).isEqualTo(Grouping.CHANNEL);
        assertThat(Grouping.of(form, Grouping.SIDE)).isEqualTo(Grouping.SIDE);
        assertThat(Grouping.of(four("cathode", "cathode_own", "cathode"), Grouping.TUBE))
                .isEqualTo(Grouping.TUBE);
        AmpReader.Read read = AmpReader.read(
                TypedAmp.with(
                        form,
                        Map.of("socketType", List.of("EL84", "", "", ""), "sensing", Map.of("r", "130", "rtol", "1"))),
                Catalogue.shipped(),
                List.of("middle"));
        assertThat(read.complaints().byField()).isEmpty();
        assertThat(read.description().orElseThrow().groups())
                .singleElement()
                .satisfies(g -> assertThat(g.sockets()).hasSize(4));
        assertThat(said(form, "all"))
                .contains("A shared cathode resistor is one point by itself: it shows all 4 tubes");
    }

    @Test
    void whatDoesNotGoTogetherIsSaid() {
        assertThat(said(four("cathode", "per_tube", "own"), "V1", "V2", "V3", "V4"))
                .contains("With cathode bias no control sets the idle");
        assertThat(said(four("tracking", "cathode_own", "own"), "V1", "V2", "V3", "V4"))
                .contains("only with cathode or mixed bias");
        assertThat(said(four("tracking", "per_tube", "shared"), "all")).contains("the points show means");
        assertThat(said(four("tracking", "level", "own"), "V1", "V2", "V3", "V4"))
                .contains("seen alone")
                .contains("the hottest one decides where to stop");
    }
}
