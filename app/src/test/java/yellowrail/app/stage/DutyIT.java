package yellowrail.app.stage;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import com.microsoft.playwright.Locator;
import java.util.List;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowrail.app.BrowserIT;
import yellowrail.app.amps.Amp;
import yellowrail.core.amp.Duty;

/** What is played is asked where it decides; one tap says it, on every page of a stage, and keeps it with the amp. */
class DutyIT extends BrowserIT {
    private Locator answer(String words) {
        return page.locator(".duty-asked button:has-text('" + words + "')");
    }

    @ParameterizedTest
    @ValueSource(strings = {"/stage?idle=65", "/load?marked=4.2k&set1=8", "/swap?to1=6L6GC"})
    void oneTapAnswersIt(String address) {
        page.navigate(url(address));
        assertThat(page.locator(".duty-asked")).containsText("What is played?");
        assertThat(answer("music at home")).hasText("music at home: inside");
        assertThat(answer("guitar, driven hard")).hasText("guitar, driven hard: over");
        answer("music at home").click();
        assertThat(page).hasURL(Pattern.compile(".*duty=music.*"));
        assertThat(answer("music at home")).not().isVisible();
        assertThat(page.locator("#duty")).hasValue("music");
        // Said aloud, it is over, and nothing is asked any more.
        page.selectOption("#duty", "hard");
        assertThat(page).hasURL(Pattern.compile(".*duty=hard.*"));
        assertThat(answer("music at home")).not().isVisible();
        looksRight();
    }

    @Test
    void aCautionStandsBesideAQuieterDuty() {
        page.navigate(url("/stage?idle=65&duty=music"));
        assertThat(page.locator("#limits")).containsText("caution: over with guitar, driven hard");
        assertThat(page.locator("#screens")).containsText("Caution: over with guitar, driven hard");
        page.navigate(url("/swap?to1=6L6GC&duty=clean"));
        assertThat(page.locator(".criteria")).containsText("Caution: over with guitar, driven hard");
        assertThat(page.locator(".criteria")).containsText("at each screen");
    }

    @Test
    void itIsKeptWithTheAmpOnce() throws Exception {
        Amp amp = amps.keep(UUID.randomUUID(), UUID.randomUUID(), 0, pair("Crake 30", "6L6GC"));
        assertThat(amp.description().judging().duty()).isEqualTo(Duty.NOT_SAID);
        for (String word : List.of("clean", "clean")) {
            mvc.perform(post("/amps/" + amp.id() + "/duty").with(csrf()).param("duty", word))
                    .andExpect(status().is3xxRedirection());
        }
        Amp told = amps.amp(amp.id());
        assertThat(told.description().judging().duty()).isEqualTo(Duty.CLEAN);
        assertThat(told.version()).isEqualTo(amp.version() + 1);
        mvc.perform(post("/amps/" + amp.id() + "/duty").with(csrf()).param("duty", "loud"))
                .andExpect(status().isNotFound());
        page.navigate(url("/amps/" + amp.id() + "/edit"));
        assertThat(page.locator("select[name=duty]")).hasValue("clean");
    }

    @Test
    void theButtonOfAnAmpsPageKeepsIt() {
        Amp amp = amps.keep(UUID.randomUUID(), UUID.randomUUID(), 0, pair("Crake 31", "6L6GC"));
        // The amp's own figures are not all there: what is typed stands for them.
        page.navigate(url("/amps/" + amp.id() + "/stage?tube=6L6GC&supply=460+V&idle=65&load=4.2k"));
        answer("guitar, clean").click();
        assertThat(page.locator("#duty-said")).hasText("(kept with this amp)");
        assertThat(amps.amp(amp.id()).description().judging().duty()).isEqualTo(Duty.CLEAN);
    }
}
