package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.app.AppIT;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Event;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Power;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.stops.Stops;

/** Magnitudes that no meter shows, stored before they were refused: everything of them opens, and nothing of them is green. */
class TinyStoredIT extends AppIT {
    @ParameterizedTest
    @CsvSource({
        "CURRENT, V1, VOLT, 1e-320", "CURRENT, V1, VOLT, 5e-324", "PLATE, V1, VOLT, 1e-320",
        "MAINS, '', VOLT, 1e-320", "SCREEN, V1, VOLT, 1e-310", "GRID, V1, VOLT, -1e-320",
    })
    void opens(Quantity quantity, String point, Unit unit, double value) throws Exception {
        var amp = measured(pair("Tiny " + UUID.randomUUID().toString().substring(0, 6), "EL34"));
        UUID id =
                sessions.begin(UUID.randomUUID(), amp, Plan.usual(amp.description(), Purpose.YEARLY_CHECK, Meter.FINE));
        append(id, new Declared(Power.OFF));
        append(id, new Skipped(Stops.BEFORE_POWER, "trial"));
        append(id, new Skipped(Stops.DRAINED, "trial"));
        append(id, new Declared(Power.ON_TUBES_IN));
        Map.of(
                        "MAINS ",
                        "230 V",
                        "PLATE V1",
                        "421 V",
                        "PLATE V2",
                        "421 V",
                        "CURRENT V1",
                        "0.38 V",
                        "CURRENT V2",
                        "0.38 V")
                .forEach((at, text) -> {
                    String[] where = at.split(" ", -1);
                    double volts = Double.parseDouble(text.replace(" V", ""));
                    append(id, read(Quantity.valueOf(where[0]), where[1], volts, Unit.VOLT, 0.001));
                });
        append(id, read(quantity, point, value, unit, Math.max(Double.MIN_VALUE, Math.abs(value))));
        keepRound(amp, Map.of("PLATE.V1", "421 V", "CURRENT.V1", "380 mV"));
        for (String path : new String[] {
            "/bench/" + id,
            "/bench/" + id + "/panel",
            "/bench/" + id + "/readings.csv",
            "/api/v1/sessions/" + id,
            "/bench",
            "/amps/" + amp.id(),
            "/"
        }) {
            var response = mvc.perform(get(path)).andReturn().getResponse();
            assertThat(response.getStatus()).as(path).isIn(200, 404);
            assertThat(response.getContentAsString()).as(path).doesNotContain("NaN", "Infinity");
        }
        String state = mvc.perform(get("/api/v1/sessions/" + id))
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(state).doesNotContain("\"proven\":true");
    }

    private void append(UUID session, Event event) {
        sessions.append(session, new Entry(UUID.randomUUID().toString(), clock.millis(), "desk", event));
    }

    private static Read read(Quantity quantity, String point, double value, Unit unit, double last) {
        return new Read(quantity, point, new Typed(String.valueOf(value), value, unit, last), "", "");
    }
}
