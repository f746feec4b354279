package yellowrail.app.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.jsonPath;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.ResultActions;
import yellowrail.app.AppIT;
import yellowrail.core.reading.Meter;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Purpose;

/** When an entry was made is known by how long ago its device says, within seven days. */
class EntryTimesIT extends AppIT {
    private UUID session() {
        var amp = keepPair("Times", "6550");
        return sessions.begin(UUID.randomUUID(), amp, Plan.usual(amp.description(), Purpose.YEARLY_CHECK, Meter.FINE));
    }

    private ResultActions off(UUID session, String times) throws Exception {
        return mvc.perform(post("/api/v1/sessions/" + session + "/events")
                .contentType(MediaType.APPLICATION_JSON)
                .content("{\"id\":\"" + UUID.randomUUID() + "\",\"kind\":\"declare\",\"device\":\"desk\"," + times
                        + "\"fields\":{\"power\":\"OFF\"}}"));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "madeAt 1460000000000 sentAt 1790000000000 | madeAt | seven days",
                "madeAt 1790000000000 sentAt 1790604800001 | madeAt | seven days",
                "madeAt 1790000000000 | sentAt | given together",
                "sentAt 1790000000000 | madeAt | given together",
                "madeAt -5 sentAt 1790000000000 | madeAt | given together",
                "madeAt 1790000000000 sentAt 9223372036854775807 | sentAt | given together",
                "madeAt -9223372036854775808 sentAt 9223372036854775807 | madeAt | given together"
            })
    void timesThatCannotBeAreRefusedAtTheirField(String times, String field, String sentence) throws Exception {
        UUID session = session();
        String json = times.strip().replaceAll("(madeAt|sentAt) (-?\\d+) ?", "\"$1\":$2,");
        off(session, json)
                .andExpect(status().isUnprocessableContent())
                .andExpect(jsonPath("$.field").value(field.strip()))
                .andExpect(jsonPath("$.detail").value(containsString(sentence.strip())));
        assertThat(sessions.<Integer>look(session, s -> s.seq())).isZero();
    }

    @Test
    void aWeekIsTakenAndAClockThatRunsAheadCountsAsNow() throws Exception {
        UUID session = session();
        off(session, "\"madeAt\":1790000000000,\"sentAt\":1790604800000,").andExpect(status().isOk());
        long week = sessions.<Long>look(session, s -> s.state().lastAt());
        off(session, "\"madeAt\":1790000009000,\"sentAt\":1790000000000,").andExpect(status().isOk());
        long now = sessions.<Long>look(session, s -> s.state().lastAt());
        assertThat(now - week).isBetween(7 * 24 * 3_600_000L, 7 * 24 * 3_600_000L + 60_000);
    }
}
