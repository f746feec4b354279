package yellowrail.app.api;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.bench.BenchForm;
import yellowrail.app.bench.BenchSession;
import yellowrail.app.bench.EventForm;
import yellowrail.app.bench.EventReader;
import yellowrail.app.bench.Hub;
import yellowrail.app.bench.PlanReader;
import yellowrail.app.bench.SessionStore;
import yellowrail.app.settings.SettingStore;
import yellowrail.core.idle.Slip;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Event;
import yellowrail.core.session.Session;
import yellowrail.core.session.Stop;

/** Bench sessions as JSON: append events, read the state back. */
@RestController
@RequestMapping("/api/v1/sessions")
@Tag(name = "Sessions")
class SessionApi {
    private final SessionStore sessions;
    private final AmpStore amps;
    private final SettingStore settings;
    private final Hub hub;
    private final Clock clock;

    SessionApi(SessionStore sessions, AmpStore amps, SettingStore settings, Hub hub, Clock clock) {
        this.sessions = sessions;
        this.amps = amps;
        this.settings = settings;
        this.hub = hub;
        this.clock = clock;
    }

    /** An event as stored. */
    record Accepted(
            @Schema(description = "Number of the event in its session, from 1")
            int seq,

            @Schema(description = "When it happened, milliseconds since 1970, by the server's clock")
            long at,

            @Schema(description = "Whether it was stored before")
            boolean repeated,

            @Schema(description = "A reading as it was understood; empty for other events")
            String echo) {}

    /** A session's state. */
    record State(
            @Schema(description = "Id of the session") UUID id,
            @Schema(description = "Name of the amp") String amp,
            @Schema(description = "Why it is on the bench") String purpose,

            @Schema(description = "Number of the newest event")
            int seq,

            @Schema(description = "The stop where it stands")
            Stop here,

            @Schema(description = "The declared power, in words")
            String power,

            @Schema(description = "Whether it was stopped for safety")
            boolean stopped,

            @Schema(description = "What this stop still wants, one sentence each")
            List<String> missing,

            @Schema(description = "Every reading in the order they were taken in")
            List<SessionReading> readings) {}

    /** A reading of a session. */
    record SessionReading(
            @Schema(description = "Id made by the device") String id,
            @Schema(description = "What was read") String quantity,

            @Schema(description = "Socket, sense point, node or control; empty for the amp")
            String point,

            @Schema(description = "As typed") String typed,

            @Schema(description = "Value in the unit, without prefix")
            double value,

            @Schema(description = "V, A or Ω") String unit,

            @Schema(description = "When, milliseconds since 1970")
            long at,

            @Schema(description = "False once it was corrected")
            boolean holds) {}

    /** A session begun. */
    record Begun(@Schema(description = "Id of the session") UUID id) {}

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(summary = "Begin a session; the same id begins it once")
    Begun begin(@RequestBody BenchForm form) {
        Optional<Amp> amp = amps.all().stream()
                .filter(a -> a.id().toString().equals(form.amp()))
                .findFirst();
        PlanReader.Read read = PlanReader.read(form, amp.map(Amp::description), settings.meters());
        UUID id;
        try {
            id = UUID.fromString(form.id() == null ? "" : form.id());
        } catch (IllegalArgumentException malformed) {
            throw ApiAdvice.at("id", "An id is a UUID made by the client.");
        }
        if (read.plan().isEmpty()) {
            throw new ApiRefused(read.complaints());
        }
        return new Begun(sessions.begin(id, amp.orElseThrow(), read.plan().get()));
    }

    @PostMapping("/{id}/events")
    @Operation(summary = "Append an event; the same id stores once")
    Accepted append(@PathVariable UUID id, @RequestBody EventForm form) {
        var amp = sessions.look(id, s -> s.state().plan().amp());
        Entry entry = EventReader.read(form, amp, clock.millis());
        if (!form.field("confirmed").equals("yes")) {
            sessions.doubt(id, entry).ifPresent(slip -> {
                if (slip.dangerous()) {
                    hub.danger(id, slip.question());
                }
                throw new Asked(slip);
            });
        }
        SessionStore.Stored stored = sessions.append(id, entry);
        if (entry.event() instanceof Event.BiasTold told) {
            // Kept with the amp too, so that it is not asked again.
            amps.tellBias(sessions.look(id, BenchSession::ampId), told.bias());
        }
        String echo = entry.event() instanceof Event.Read read ? read.typed().echo() : "";
        return new Accepted(stored.seq(), stored.at(), stored.repeated(), echo);
    }

    @GetMapping("/{id}")
    @Operation(summary = "The state of a session and all its readings")
    State state(@PathVariable UUID id) {
        return sessions.look(id, this::state);
    }

    private State state(BenchSession bench) {
        Session session = bench.state();
        long now = clock.millis();
        return new State(
                bench.id(),
                session.plan().amp().name(),
                session.plan().purpose().words(),
                bench.seq(),
                session.here(),
                session.power(now).words(),
                session.stopped(),
                session.missing(session.here(), now),
                session.readings().stream()
                        .map(r -> new SessionReading(
                                r.id(),
                                r.quantity().name(),
                                r.point(),
                                r.typed().raw().isEmpty()
                                        ? Show.plain(r.typed().value(), 6)
                                        : r.typed().raw(),
                                r.typed().value(),
                                r.typed().unit().symbol(),
                                r.at(),
                                !session.superseded(r.id())))
                        .toList());
    }

    /** A reading that is asked about before it is an entry. */
    static class Asked extends RuntimeException {
        private final transient Slip slip;

        Asked(Slip slip) {
            super(slip.question());
            this.slip = slip;
        }
    }

    @ExceptionHandler(Asked.class)
    ResponseEntity<ProblemDetail> asked(Asked asked) {
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(HttpStatus.CONFLICT, asked.getMessage());
        detail.setProperties(Map.of(
                "field",
                "text",
                "choices",
                asked.slip.choices().stream().map(Typed::echo).toList(),
                "confirm",
                "confirmed",
                "dangerous",
                asked.slip.dangerous()));
        return ResponseEntity.status(HttpStatus.CONFLICT).body(detail);
    }

    @ExceptionHandler(EventReader.NotUnderstood.class)
    ResponseEntity<ProblemDetail> notUnderstood(EventReader.NotUnderstood problem) {
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, problem.getMessage());
        detail.setProperties(Map.of("field", problem.field(), "choices", problem.choices()));
        return ResponseEntity.unprocessableContent().body(detail);
    }

    @ExceptionHandler(SessionStore.Refused.class)
    ResponseEntity<ProblemDetail> refused(SessionStore.Refused problem) {
        ProblemDetail detail = ProblemDetail.forStatusAndDetail(HttpStatus.UNPROCESSABLE_CONTENT, problem.getMessage());
        detail.setProperties(Map.of("field", "", "choices", List.of()));
        return ResponseEntity.unprocessableContent().body(detail);
    }
}
