package yellowrail.app.api;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Clock;
import java.util.EnumMap;
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
import yellowrail.app.bench.PlanReader;
import yellowrail.app.bench.SessionNotices;
import yellowrail.app.bench.SessionStore;
import yellowrail.app.bench.SheetIssuer;
import yellowrail.app.settings.SettingStore;
import yellowrail.core.idle.Slip;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.session.DrainLimit;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Finding;
import yellowrail.core.session.Locks;
import yellowrail.core.session.Outcome;
import yellowrail.core.session.Proof;
import yellowrail.core.session.Session;
import yellowrail.core.session.events.BiasTold;
import yellowrail.core.session.events.ClosedUnsigned;
import yellowrail.core.session.events.Read;

/** Bench sessions as JSON: append events, read the state back. */
@RestController
@RequestMapping("/api/v1/sessions")
@Tag(name = "Sessions")
class SessionApi {
    private final SessionStore sessions;
    private final AmpStore amps;
    private final SettingStore settings;
    private final SheetIssuer sheets;
    private final SessionNotices notices;
    private final Clock clock;

    SessionApi(
            SessionStore sessions,
            AmpStore amps,
            SettingStore settings,
            SheetIssuer sheets,
            SessionNotices notices,
            Clock clock) {
        this.sheets = sheets;
        this.sessions = sessions;
        this.amps = amps;
        this.settings = settings;
        this.notices = notices;
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
            String here,

            @Schema(description = "The declared power, in words")
            String power,

            @Schema(description = "Whether it was stopped for safety")
            boolean stopped,

            @Schema(description = "What this stop still wants, one sentence each")
            List<String> missing,

            @Schema(description = "What may be touched") Open open,

            @Schema(description = "How far it is from proven")
            ProofNow proof,

            @Schema(description = "What was found and has to be cleared up, open ones first")
            List<FoundNow> findings,

            @Schema(description = "Whether it was signed") boolean signed,

            @Schema(description = "Why it was closed without a sheet; empty while it was not")
            String closed,

            @Schema(description = "Every reading in the order they were taken in")
            List<SessionReading> readings) {}

    /** The locks. */
    record Open(
            @Schema(description = "Whether hands and part changes may go in")
            boolean hands,

            @Schema(description = "Whether tubes may be moved")
            boolean tubes,

            @Schema(description = "Whether resistances may be measured")
            boolean ohms,

            @Schema(description = "What opens hands next; empty while open")
            String handsNext,

            @Schema(description = "What opens tubes next; empty while open")
            String tubesNext,

            @Schema(description = "What opens resistances next; empty while open")
            String ohmsNext,

            @Schema(description = "What opens each limit of residual volts next; empty while open")
            Map<DrainLimit, String> limits) {
        static Open of(Locks locks) {
            return new Open(
                    locks.hands(),
                    locks.tubes(),
                    locks.ohms(),
                    locks.handsNext(),
                    locks.tubesNext(),
                    locks.ohmsNext(),
                    limits(locks));
        }

        private static Map<DrainLimit, String> limits(Locks locks) {
            Map<DrainLimit, String> next = new EnumMap<>(DrainLimit.class);
            for (DrainLimit limit : DrainLimit.values()) {
                next.put(limit, locks.next(limit));
            }
            return next;
        }
    }

    /** How far a session is from proven. */
    record ProofNow(
            @Schema(description = "Not set, set or proven") Proof.State state,

            @Schema(description = "What keeps it from being proven, the first thing first")
            List<Wanted> wants,

            @Schema(description = "When the soak is whole if it stays so, milliseconds since 1970")
            Long wholeAt,

            @Schema(description = "What began a soak anew") List<String> again) {}

    /** Something wanted. */
    record Wanted(
            @Schema(description = "What to do") String sentence,

            @Schema(description = "By when, milliseconds since 1970; null when it is no matter of time")
            Long by) {}

    /** Something found. */
    record FoundNow(
            @Schema(description = "How an entry of kind “cause” names it")
            String key,

            @Schema(description = "What kind it is") Finding.Code code,

            @Schema(description = "A socket, a sense point, or the amp")
            String about,

            @Schema(description = "Label of the tube it points to, or empty")
            String tube,

            @Schema(description = "When it was found, milliseconds since 1970")
            long since,

            @Schema(description = "What was found") String sentence,

            @Schema(description = "The fact that closed it; empty while it is open")
            String closedBy,

            @Schema(description = "What would close it") String wants) {}

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
        Entry entry = EventReader.read(form, sessions.plan(id).amp(), clock.millis());
        if (!form.field("confirmed").equals("yes")) {
            sessions.doubt(id, entry).ifPresent(slip -> {
                if (slip.dangerous()) {
                    notices.danger(id, slip.question());
                }
                throw new Asked(slip);
            });
        }
        SessionStore.Stored stored = sessions.append(id, entry);
        if (entry.event() instanceof BiasTold told) {
            // Kept with the amp too, so that it is not asked again.
            amps.tellBias(sessions.look(id, BenchSession::ampId), told.bias());
        }
        String echo = entry.event() instanceof Read read ? read.typed().echo() : "";
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
        Outcome outcome = sheets.outcome(bench);
        return new State(
                bench.id(),
                session.plan().amp().name(),
                session.plan().purpose().words(),
                bench.seq(),
                session.here().id(),
                session.power(now).words(),
                session.stopped(),
                session.missing(session.here(), now),
                Open.of(session.locks(now)),
                new ProofNow(
                        outcome.proof().state(),
                        outcome.proof().wants().stream()
                                .map(w -> new Wanted(w.sentence(), w.due().orElse(null)))
                                .toList(),
                        outcome.proof().wholeAt().orElse(null),
                        outcome.proof().again()),
                outcome.findings().stream()
                        .map(f -> new FoundNow(
                                f.key(),
                                f.code(),
                                f.about(),
                                f.tube(),
                                f.since(),
                                f.sentence(),
                                f.closedBy().orElse(""),
                                f.wants()))
                        .toList(),
                session.signed().isPresent(),
                session.closed().map(ClosedUnsigned::reason).orElse(""),
                session.readings().stream()
                        .map(r -> new SessionReading(
                                r.id(),
                                r.quantity().name(),
                                r.point().name(),
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
