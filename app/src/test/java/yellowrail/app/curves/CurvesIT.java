package yellowrail.app.curves;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.Locale;
import org.hamcrest.Matchers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import yellowrail.app.BrowserIT;
import yellowrail.core.tube.TubeModel;
import yellowrail.core.tube.TubeModels;

class CurvesIT extends BrowserIT {
    /** A type of the catalogue without shipped curves. */
    private static final String BARE = "KT120";

    @Autowired
    private CurvesStore curves;

    /** Points as a maker would print them, from a tube of our own. */
    private static String published(double... grids) {
        TubeModel m = TubeModels.of("6L6GB").orElseThrow();
        StringBuilder text = new StringBuilder("plate, screen, grid, plate mA, screen mA, gm, rp\n");
        for (double grid : grids) {
            for (double volts : new double[] {60, 250, 350}) {
                text.append(String.format(
                        Locale.ROOT,
                        "%.0f, 250, %.1f, %.2f, %.2f, ,%n",
                        volts,
                        grid,
                        1000 * m.plateAmperes(volts, 250, grid),
                        1000 * m.screenAmperes(volts, 250, grid)));
            }
        }
        return text.toString();
    }

    @Test
    void aTypeWithoutCurvesGetsThemFromPublishedPoints() throws Exception {
        mvc.perform(get("/stage/picture").param("tube", BARE))
                .andExpect(jsonPath("$.said.tube.sentence").value(containsString("no curves")));
        page.navigate(url("/tubes/" + BARE));
        page.click("text=Curves");
        page.waitForSelector("text=No curves are known of this type");
        page.fill("#points", published(-10, -14, -20, -25));
        page.reload();
        page.waitForSelector("text=It is not saved yet");
        page.click("button:has-text('Fit')");
        page.waitForSelector("#fit");
        assertThat(page.locator("#fit tbody tr").count()).isEqualTo(24);
        assertThat(curves.of(BARE)).isEmpty();
        looksRight();
        page.click("button:has-text('Keep these curves')");
        page.waitForSelector(".told");
        TubeModel truth = TubeModels.of("6L6GB").orElseThrow();
        TubeModel kept = curves.of(BARE).orElseThrow().model();
        double at = truth.plateAmperes(300, 260, -17);
        assertThat(kept.plateAmperes(300, 260, -17)).isBetween(0.97 * at, 1.03 * at);
        mvc.perform(get("/stage/picture").param("tube", BARE).param("supply", "350 V"))
                .andExpect(jsonPath("$.trouble").value(""))
                .andExpect(jsonPath("$.accuracy").value(containsString("your own fit")));
        // The points stay with the curves, to be added to.
        page.navigate(url("/tubes/" + BARE + "/curves"));
        assertThat(page.inputValue("#points")).contains("250, -14.0");
    }

    @Test
    void theSameIdWithOtherPointsIsNotToldAsKept() throws Exception {
        String id = java.util.UUID.randomUUID().toString();
        String points = published(-10, -14, -20, -25);
        String others = published(-11, -14, -20, -25);
        for (int i = 0; i < 2; i++) {
            keeping(id, points).andExpect(status().is3xxRedirection());
        }
        keeping(id, others)
                .andExpect(status().isConflict())
                .andExpect(content().string(containsString("nothing was overwritten")))
                .andExpect(content().string(Matchers.not(containsString(id))));
        assertThat(curves.of("KT90").orElseThrow().points()).isEqualTo(points);
    }

    private org.springframework.test.web.servlet.ResultActions keeping(String id, String points) throws Exception {
        return mvc.perform(post("/tubes/KT90/curves")
                .with(csrf())
                .param("id", id)
                .param("keep", "yes")
                .param("points", points));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "'' | at least three lines",
                "250, 250 | there are 2 columns",
                "250, 250, -14, 72, 5 | at least 3 figures",
                "250, 250, -14, much, 5 | “much” is no number for plate mA",
                "250, 250, -14, -72, 5 | above zero, or left empty",
                "250, , -14, 72, 5 | screen volts are missing",
                "9000, 250, -14, 72, 5 | plate volts of 9000"
            })
    void pointsThatCannotBeFittedAreSaidAndStayTyped(String points, String said) throws Exception {
        mvc.perform(post("/tubes/6L6GC/curves")
                        .with(csrf())
                        .param("id", java.util.UUID.randomUUID().toString())
                        .param("points", points)
                        .param("keep", "yes"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString(said)))
                .andExpect(content().string(Matchers.containsString(points.replace("'", ""))));
        assertThat(curves.of("6L6GC").orElseThrow().own()).isFalse();
    }

    @Test
    void keptCurvesAreWrittenOnce() {
        curves.keep(java.util.UUID.randomUUID(), "none", curves.of("6L6GC").orElseThrow());
        assertThatThrownBy(() -> jdbc.sql("update own_curves set designation = 'other' where designation = 'none'")
                        .update())
                .hasMessageContaining("written once");
        assertThatThrownBy(() -> jdbc.sql("delete from own_curves where designation = 'none'")
                        .update())
                .hasMessageContaining("written once");
    }
}
