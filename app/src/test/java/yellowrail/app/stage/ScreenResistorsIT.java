package yellowrail.app.stage;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import yellowrail.app.AppIT;
import yellowrail.core.stage.StageTube;

/** One screen resistor for all tubes, or one for each. */
class ScreenResistorsIT extends AppIT {
    @Autowired
    private TubeFactsOf facts;

    private StageReader.Read read(String rg2) {
        StageForm form = StageForm.from(Map.of("rg2", rg2)::get);
        return StageReader.read(form, facts.of(form));
    }

    @Test
    void oneForAllOrOneForEach() {
        assertThat(read("470 Ω").setting().orElseThrow().described().tubes())
                .extracting(StageTube::screenOhms)
                .isEqualTo(List.of(470.0, 470.0));
        assertThat(read("470; 1 k").setting().orElseThrow().described().tubes())
                .extracting(StageTube::screenOhms)
                .isEqualTo(List.of(470.0, 1000.0));
    }

    @ParameterizedTest
    @CsvSource({"470; 470; 470,for 2 tubes", "470; abc,abc", "470; 90 M,unusual for screen resistor"})
    void anotherNumberIsRefused(String rg2, String said) {
        assertThat(read(rg2).setting()).isEmpty();
        assertThat(read(rg2).complaints().byField().get("rg2").sentence()).contains(said);
    }
}
