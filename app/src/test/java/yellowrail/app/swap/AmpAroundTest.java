package yellowrail.app.swap;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowrail.app.amps.AmpForms;
import yellowrail.app.amps.AmpReader;
import yellowrail.app.amps.TypedAmp;
import yellowrail.app.forms.Answers;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.session.Memory.KnownRange;
import yellowrail.core.tube.Catalogue;

class AmpAroundTest {
    private static AmpDescription amp() {
        AmpDescription amp = AmpReader.read(
                        TypedAmp.with(
                                AmpForms.empty(),
                                Map.of(
                                        "name",
                                        "Dunlin 25",
                                        "bias",
                                        "tracking",
                                        "socketType",
                                        List.of("6L6GC", "6L6GC"),
                                        "lowest",
                                        "207",
                                        "highest",
                                        "253",
                                        "nodeLabel",
                                        List.of())),
                        Catalogue.shipped(),
                        List.of())
                .description()
                .orElseThrow();
        return amp;
    }

    private static Answers form(List<KnownRange> ranges, Map<String, String> typed) {
        AmpAround around = new AmpAround(amp(), 2, ranges, Optional.of(0.06));
        return around.filled(Map.of(), typed::get);
    }

    /** Of two controls the ends that both reach: anything wider would promise one tube what its control does not give. */
    @Test
    void severalControlsGiveWhatAllOfThemReach() {
        Answers form = form(List.of(new KnownRange(-52.1, -30.4, 0), new KnownRange(-49.8, -31.7, 0)), Map.of());
        assertThat(form.text("coldest")).isEqualTo("−49.8 V");
        assertThat(form.text("hottest")).isEqualTo("−31.7 V");
        assertThat(form.text("coreDc")).isEqualTo("60 mA");
        assertThat(form.text("channels")).isEqualTo("2");
        assertThat(form.text("lowest")).isEqualTo("90 %");
        assertThat(form.text("to1")).isEqualTo("6L6GC");
        assertThat(form.text("leak")).as("not known").isEmpty();
    }

    @Test
    void whatIsTypedGoesBefore() {
        Answers form = form(List.of(), Map.of("to1", "KT88", "channels", "1"));
        assertThat(form.text("to1")).isEqualTo("KT88");
        assertThat(form.text("channels")).isEqualTo("1");
        assertThat(form.text("coldest")).isEmpty();
    }
}
