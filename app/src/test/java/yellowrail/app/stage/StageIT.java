package yellowrail.app.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.List;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.app.BrowserIT;
import yellowrail.core.amp.Connection;
import yellowrail.core.amp.Topology;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageIdle;
import yellowrail.core.stage.StageTube;
import yellowrail.core.tube.TubeModels;

class StageIT extends BrowserIT {
    /** The stage the page begins with. */
    private static Stage usual() {
        var model = TubeModels.of("6L6GC").orElseThrow();
        return new Stage(
                Topology.PUSH_PULL,
                Connection.PENTODE,
                0,
                460,
                90,
                Double.NaN,
                200,
                70,
                4200,
                List.of(new StageTube(model, 0, 1, 470, 0), new StageTube(model, 1, 1, 470, 0)),
                Biasing.fixed(-40));
    }

    private double tile(String name) {
        String text = page.locator(".tile:has-text('" + name + "') .figure").innerText();
        return Double.parseDouble(text.replaceAll("[^0-9.]", ""));
    }

    private void waitsForMore(int before) {
        page.waitForFunction("n => Number(document.body.dataset.shown) > n", before);
    }

    private int shown() {
        return Integer.parseInt((String) page.evaluate("() => document.body.dataset.shown"));
    }

    @Test
    void slidingToHotMovesTheTilesAndTheyAreWhatTheCoreComputes() {
        page.navigate(url("/stage"));
        page.waitForFunction("() => document.body.dataset.shown");
        DriveSweep cool = DriveSweep.of(StageIdle.at(usual(), 0.65 * 30), 24);
        assertThat(tile("Power at clipping")).isCloseTo(cool.full().watts(), within(0.06));
        assertThat(tile("Hottest plate")).isCloseTo(cool.hottestPlate().hottestPlateWatts(), within(0.06));
        int before = shown();
        page.evaluate("() => { const s = document.querySelector('input[name=idle]'); s.value = 95;"
                + " s.dispatchEvent(new Event('input', { bubbles: true })); }");
        waitsForMore(before);
        DriveSweep hot = DriveSweep.of(StageIdle.at(usual(), 0.95 * 30), 24);
        assertThat(tile("Hottest plate")).isCloseTo(hot.hottestPlate().hottestPlateWatts(), within(0.06));
        assertThat(page.url()).contains("idle=95");
        assertThat(page.locator("#chart .curve").count()).isEqualTo(8);
        // The address brings the same picture back.
        page.reload();
        page.waitForFunction("() => document.body.dataset.shown");
        assertThat(tile("Hottest plate")).isCloseTo(hot.hottestPlate().hottestPlateWatts(), within(0.06));
        looksRight();
    }

    @Test
    void aTypeWithoutParametersGivesNoCurves() {
        page.navigate(url("/stage?tube=KT150"));
        page.waitForFunction("() => document.getElementById('stage-said').textContent.includes('no curves')");
        assertThat(page.locator(".stage-body").isVisible()).isFalse();
        assertThat(page.inputValue("input[name=tube]")).isEqualTo("KT150");
    }

    @ParameterizedTest
    @CsvSource({
        "supply,5 kV,supply",
        "supply,-460,supply",
        "load,0,load",
        "source,-3,source",
        "tap&connection=ul,120 %,tap",
        "screens,0 V,screens",
        "tubes,3,tubes",
        "rdc,abc,rdc"
    })
    void badInputIsNamedAtItsField(String name, String value, String field) throws Exception {
        String[] parts = name.split("&");
        var request = get("/stage/picture").param(parts[0], value);
        if (parts.length > 1) {
            request = request.param("connection", "ul");
        }
        mvc.perform(request)
                .andExpect(status().isOk())
                .andExpect(jsonPath("$.said." + field + ".sentence").value(Matchers.not(Matchers.emptyString())))
                .andExpect(jsonPath("$.chart").value(Matchers.nullValue()));
    }

    @Test
    void aLimitInsideTheModelsBandIsNotGreen() throws Exception {
        mvc.perform(get("/stage/picture").param("idle", "97"))
                .andExpect(jsonPath("$.tiles[4].name").value("Hottest plate"))
                .andExpect(jsonPath("$.tiles[4].tone").value("open"))
                .andExpect(jsonPath("$.tiles[4].under").value(Matchers.containsString("inside the model's ±7 %")));
        mvc.perform(get("/stage/picture").param("idle", "60"))
                .andExpect(jsonPath("$.tiles[4].tone").value("open"))
                .andExpect(
                        jsonPath("$.tiles[4].under").value(Matchers.not(Matchers.containsString("inside the model's"))))
                .andExpect(jsonPath("$.tiles[*].tone").value(Matchers.not(Matchers.hasItem("good"))));
        mvc.perform(get("/stage/picture").param("idle", "105"))
                .andExpect(jsonPath("$.tiles[4].tone").value("over"));
    }

    @Test
    void anImpossibleStageIsExplained() throws Exception {
        mvc.perform(get("/stage/picture").param("supply", "40 V").param("idle", "100"))
                .andExpect(jsonPath("$.trouble").value(Matchers.containsString("No bias reaches")));
    }

    @Test
    void theNetlistIsOfTheStageAsShown() throws Exception {
        mvc.perform(get("/stage/netlist.cir").param("load", "8k"))
                .andExpect(status().isOk())
                .andExpect(content().string(Matchers.containsString("Rload x0 x1 8000")))
                .andExpect(content().string(Matchers.endsWith(".end\n")));
        mvc.perform(get("/stage/netlist.cir").param("load", "0")).andExpect(status().isNotFound());
    }
}
