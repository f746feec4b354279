package yellowrail.app.results;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.ResultActions;
import yellowrail.app.BrowserIT;
import yellowrail.app.amps.Amp;

class ResultsIT extends BrowserIT {
    @Autowired
    private ResultStore results;

    private void fill(String idle, String load, String points) {
        String[] factors = {"tubes", "mains", "feedback", "rectifier", "other-parts", "measured-with"};
        page.fill("#f-idle", idle);
        page.fill("#f-load-and-tap", load);
        for (String f : factors) {
            page.fill("#f-" + f, "as built");
        }
        page.fill("#points", points);
        page.click("button:has-text('Keep this result')");
    }

    @Test
    void resultsStandSideBySideAndTwoChangesAreNamed() {
        Amp amp = keepPair("Godwit 25", "6L6GC");
        page.navigate(url("/amps/" + amp.id() + "/results"));
        fill("60 %", "8 Ω", "200 mV, 1000, 5, 0.8\n400 mV, 1000, 20, 2.4");
        page.waitForSelector(".told");
        // What stays is filled in; the same id is not used again.
        assertThat(page.inputValue("#f-tubes")).isEqualTo("as built");
        fill("75 %", "8 Ω", "200 mV, 1000, 5, 0.5\n400 mV, 1000, 20, 2.39");
        page.waitForSelector("text=One factor. Since the last result only idle");
        assertThat(page.locator(".results .best").count()).isEqualTo(1);
        assertThat(page.locator(".results .best").innerText()).contains("0.50 %");
        fill("60 %", "16 Ω", "200 mV, 1000, 5, 0.9");
        page.waitForSelector("text=2 things changed since the last result");
        looksRight();
        // What was not understood stays typed.
        fill("61 %", "16 Ω", "200 mV, 1000, much, 0.9");
        page.waitForSelector("text=“much” is no number for watts");
        assertThat(page.inputValue("#points")).contains("much");
        assertThat(results.holding(amp.id())).hasSize(3);
        // A correction begun is no new result: it comes back where it was begun.
        page.click("text=correct it >> nth=0");
        page.fill("#note", "misread the range");
        page.navigate(url("/amps/" + amp.id() + "/results"));
        assertThat(page.inputValue("#note")).isEmpty();
        page.click("text=correct it >> nth=0");
        page.waitForSelector("text=It is not saved yet");
        assertThat(page.inputValue("#note")).isEqualTo("misread the range");
        // The newest lies over the computed curves.
        page.navigate(url("/amps/" + amp.id() + "/stage"));
        assertThat(page.inputValue("#measured")).isEqualTo("200 mV; 1000; 5; 0.9");
    }

    private ResultActions send(Amp amp, UUID id, String points, UUID supersedes, String note) throws Exception {
        var request = post("/amps/" + amp.id() + "/results")
                .with(csrf())
                .param("id", id.toString())
                .param("points", points)
                .param("note", note);
        return mvc.perform(supersedes == null ? request : request.param("supersedes", supersedes.toString()));
    }

    @Test
    void aResultIsStoredOnceAndCorrectedByAnotherOne() throws Exception {
        Amp amp = keepPair("Godwit 26", "6L6GC");
        UUID id = UUID.randomUUID();
        send(amp, id, "a, 1000, 5, 0.8", null, "").andExpect(status().is3xxRedirection());
        send(amp, id, "a, 1000, 5, 0.8", null, "").andExpect(status().is3xxRedirection());
        send(amp, id, "a, 1000, 6, 0.8", null, "")
                .andExpect(status().isConflict())
                .andExpect(content().string(containsString("keep it again to store it too")))
                .andExpect(content().string(not(containsString("name=\"id\" value=\"" + id))));
        send(amp, id, "a, 1000, 5, 0.8", null, "another note").andExpect(status().isConflict());
        assertThat(results.all(amp.id())).hasSize(1);
        send(amp, UUID.randomUUID(), "a, 1000, 6, 0.8", id, "").andExpect(status().isUnprocessableContent());
        send(amp, UUID.randomUUID(), "a, 1000, 6, 0.8", id, "misread").andExpect(status().is3xxRedirection());
        send(amp, UUID.randomUUID(), "a, 1000, 7, 0.8", id, "again").andExpect(status().isConflict());
        assertThat(results.all(amp.id())).hasSize(2);
        assertThat(results.holding(amp.id())).hasSize(1);
        assertThat(results.holding(amp.id()).get(0).points().get(0).watts()).isEqualTo(6);
        mvc.perform(get("/amps/" + amp.id() + "/results.csv"))
                .andExpect(content().string(containsString("a,1000.0,6.0,0.8")));
        // What is corrected stands there as it was typed, not rounded.
        UUID fine = UUID.randomUUID();
        send(amp, fine, "a, 1000.5, 5.123456, 0.8123456", null, "").andExpect(status().is3xxRedirection());
        mvc.perform(get("/amps/" + amp.id() + "/results?correct=" + fine))
                .andExpect(content().string(containsString("a; 1000.5; 5.123456; 0.8123456")));
        mvc.perform(get("/amps/" + amp.id() + "/results.csv"))
                .andExpect(content().string(containsString("a,1000.5,5.123456,0.8123456,")));
        Amp other = keepPair("Godwit 27", "6L6GC");
        send(other, UUID.randomUUID(), "a, 1000, 6, 0.8", id, "not mine").andExpect(status().isNotFound());
        assertThat(jdbc.sql("select count(*) from bench_result where amp_id = :id")
                        .param("id", amp.id())
                        .query(Long.class)
                        .single())
                .isEqualTo(3);
    }
}
