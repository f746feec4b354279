package yellowrail.app;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpForms;
import yellowrail.app.amps.AmpReader;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.amps.TypedAmp;
import yellowrail.app.bench.SessionStore;
import yellowrail.app.rounds.RoundForm;
import yellowrail.app.rounds.RoundReader;
import yellowrail.app.rounds.RoundStore;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.OutputTransformer;
import yellowrail.core.reading.Meter;
import yellowrail.core.tube.Catalogue;

/** One application and one database for all integration tests: the same settings in each keep it to one context. */
@SpringBootTest(webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT)
@AutoConfigureMockMvc
@Import(AppIT.Time.class)
public abstract class AppIT {
    /** Which of the runs side by side this is, from 1; one that is not told is refused, for it would share a database. */
    public static final int FORK = Integer.parseInt(System.getProperty("fork", "1"));

    /** Each of the runs side by side has a database of its own. */
    @DynamicPropertySource
    static void ownDatabase(DynamicPropertyRegistry registry) {
        String url = System.getenv("YR_DB_URL");
        if (FORK > 1 && url != null) {
            registry.add("spring.datasource.url", () -> url + "_" + FORK);
        }
    }

    /** A clock that tests can move on, so that a soak of half an hour takes no time. */
    public static final class MovableClock extends Clock {
        private volatile Duration ahead = Duration.ZERO;

        public void minutes(double minutes) {
            ahead = ahead.plusMillis(Math.round(60_000 * minutes));
        }

        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }

        @Override
        public Instant instant() {
            return Instant.now().plus(ahead);
        }
    }

    /** Replaces the application's clock. */
    @TestConfiguration
    static class Time {
        @Bean
        @Primary
        MovableClock movableClock() {
            return new MovableClock();
        }
    }

    @Autowired
    protected MovableClock clock;

    @LocalServerPort
    protected int port;

    @Autowired
    protected JdbcClient jdbc;

    @Autowired
    protected MockMvc mvc;

    @Autowired
    protected AmpStore amps;

    @Autowired
    protected RoundStore rounds;

    @Autowired
    protected SessionStore sessions;

    /** A push-pull pair with own 10 Ω sense resistors. */
    protected static AmpDescription pair(String name, String type) {
        return AmpReader.read(
                        TypedAmp.with(
                                AmpForms.empty(),
                                Map.ofEntries(
                                        Map.entry("name", name),
                                        Map.entry("bias", "tracking"),
                                        Map.entry("socketType", List.of(type, type)),
                                        Map.entry("sensing", Map.of("r", "10", "rtol", "1")),
                                        Map.entry("rm", List.of("9.94", "10.02")),
                                        Map.entry("lowest", "216"),
                                        Map.entry("highest", "244"),
                                        Map.entry("nodeLabel", List.of()),
                                        Map.entry("target", "middle"))),
                        Catalogue.shipped(),
                        List.of("middle"))
                .description()
                .orElseThrow();
    }

    protected Amp keepPair(String name, String type) {
        return amps.keep(UUID.randomUUID(), UUID.randomUUID(), 0, pair(name, type));
    }

    protected UUID keepRound(Amp amp, Map<String, String> values) {
        UUID id = UUID.randomUUID();
        RoundForm form = RoundForm.of(id.toString(), values);
        RoundReader.Read read =
                RoundReader.read(form, amp.description(), id, Meter.CLASSES, java.time.OffsetDateTime.now());
        if (read.complaints().any()) {
            throw new IllegalStateException(read.complaints().byField().toString());
        }
        rounds.keep(id, amp, read.takenAt(), read.state(), "", read.readings());
        return id;
    }

    /** An amp with EL34s into 4 kΩ that was read at 351 V: a stage that can be computed. */
    protected Amp measured(AmpDescription d) {
        Amp amp = amps.keep(
                UUID.randomUUID(),
                UUID.randomUUID(),
                0,
                new AmpDescription(
                        d.name(),
                        d.stage(),
                        d.bias(),
                        d.groups(),
                        d.supply(),
                        new OutputTransformer(Optional.of(4000.0)),
                        d.judging(),
                        d.quirks()));
        Map<String, String> values = new HashMap<>(pairValues("380 mV", "382 mV"));
        for (String socket : List.of("V1", "V2")) {
            values.put("PLATE." + socket, "351 V");
            values.put("SCREEN." + socket, "349 V");
        }
        keepRound(amp, values);
        return amp;
    }

    protected static Map<String, String> pairValues(String first, String second) {
        return Map.of(
                "MAINS.", "230", "PLATE.V1", "421 V", "CURRENT.V1", first, "PLATE.V2", "421 V", "CURRENT.V2", second);
    }
}
