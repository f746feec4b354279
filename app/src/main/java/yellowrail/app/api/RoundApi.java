package yellowrail.app.api;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.Texts;
import yellowrail.app.rounds.Reading;
import yellowrail.app.rounds.Round;
import yellowrail.app.rounds.RoundFields;
import yellowrail.app.rounds.RoundForm;
import yellowrail.app.rounds.RoundReader;
import yellowrail.app.rounds.RoundStore;
import yellowrail.app.settings.SettingStore;
import yellowrail.app.store.StoredTurns;
import yellowrail.app.targets.Targets;
import yellowrail.core.idle.Contradiction;
import yellowrail.core.idle.Verdict;
import yellowrail.core.reading.MeterText;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.target.Target.Window;

/** Rounds as JSON. */
@RestController
@RequestMapping("/api/v1")
class RoundApi {
    private final RoundStore rounds;
    private final AmpStore amps;
    private final SettingStore settings;
    private final Targets targets;
    private final Clock clock;

    RoundApi(RoundStore rounds, AmpStore amps, SettingStore settings, Targets targets, Clock clock) {
        this.clock = clock;
        this.rounds = rounds;
        this.amps = amps;
        this.settings = settings;
        this.targets = targets;
    }

    /** A stored reading. */
    @Schema(description = "A stored reading; never changed")
    record ReadingResult(
            @Schema(description = "Id") UUID id,
            @Schema(description = "Quantity") Quantity quantity,

            @Schema(description = "Socket or sense point; empty for the whole amp")
            String point,

            @Schema(description = "As typed") String raw,

            @Schema(description = "Value in the unit named, SI base")
            double value,

            @Schema(description = "Unit") Unit unit,

            @Schema(description = "Size of the last digit typed, same unit")
            double lastDigit,

            @Schema(description = "When taken") OffsetDateTime takenAt,

            @Schema(description = "Id of the reading this one supersedes, or null")
            UUID supersedes,

            @Schema(description = "Whether it holds, or another one supersedes it")
            boolean holds,

            @Schema(description = "Why it was corrected") String reason) {
        static ReadingResult of(Reading r, boolean holds) {
            return new ReadingResult(
                    r.id(),
                    r.quantity(),
                    r.point(),
                    r.raw(),
                    r.value(),
                    r.unit(),
                    r.lastDigit(),
                    r.takenAt(),
                    r.supersedes(),
                    holds,
                    r.reason());
        }
    }

    /** One socket of a round. */
    @Schema(description = "One socket of a round")
    record SocketResult(
            @Schema(description = "Socket") String socket,
            @Schema(description = "Tube type") String type,

            @Schema(description = "Whether its current was read, alone or in a mean")
            boolean measured,

            @Schema(description = "Its idle check") IdleResult idle) {}

    /** How the positions of a round were read by turns. */
    @Schema(description = "One adaptor went from socket to socket, each position in a power-on of its own")
    record TurnsResult(
            @Schema(description = "Every position that was read")
            List<PositionResult> positions,

            @Schema(
                    description =
                            "How far the first had moved when it was read again at the end, share; null where it was not")
            Double drift) {
        static TurnsResult of(StoredTurns turns) {
            return new TurnsResult(
                    turns.positions().entrySet().stream()
                            .map(p -> new PositionResult(
                                    p.getKey(),
                                    p.getValue().on(),
                                    p.getValue().read(),
                                    p.getValue().mains().orElse(null)))
                            .toList(),
                    turns.drift().orElse(null));
        }
    }

    /** One position of them. */
    @Schema(description = "One position")
    record PositionResult(
            @Schema(description = "Socket") String socket,

            @Schema(description = "When its power-on began") OffsetDateTime on,

            @Schema(description = "When its current was read")
            OffsetDateTime read,

            @Schema(description = "Mains read in it, V; null where it was not")
            Double mains) {}

    /** A round with what it means. */
    @Schema(description = "A round with what it means, computed when asked for")
    record RoundResult(
            @Schema(description = "Id") UUID id,
            @Schema(description = "Amp") UUID ampId,

            @Schema(description = "Version of the amp's description")
            int ampVersion,

            @Schema(description = "When taken") OffsetDateTime takenAt,
            @Schema(description = "Note") String note,
            @Schema(description = "Verdict in words") String verdict,

            @Schema(description = "Where it stands: the worse of the two statements")
            Verdict.Place place,

            @Schema(description = "In the window, within every limit, with nothing to qualify it")
            boolean allClear,

            @Schema(description = "What keeps the verdict from being final")
            List<Verdict.Qualifier> qualifiers,

            @Schema(description = "Sentences behind it, the two statements of the tube that leads first")
            List<String> reasons,

            @Schema(description = "Cross-checks that failed, in words")
            List<String> warnings,

            @Schema(description = "The same with their codes")
            List<Contradicted> contradictions,

            @Schema(description = "Sockets without a current")
            List<String> unmeasured,

            @Schema(description = "How the positions were read by turns; null when all were read in one power-on")
            TurnsResult turns,

            @Schema(description = "Every socket") List<SocketResult> sockets,

            @Schema(description = "Every reading, superseded ones included")
            List<ReadingResult> readings) {
        static RoundResult of(Round round, List<Window> windows) {
            RoundAnswer answer = round.judged(windows);
            List<Reading> holding = round.holding();
            return new RoundResult(
                    round.id(),
                    round.amp().id(),
                    round.amp().version(),
                    round.takenAt(),
                    round.note(),
                    answer.words(),
                    answer.verdict().place(),
                    answer.verdict().allClear(),
                    List.copyOf(answer.verdict().qualifiers()),
                    answer.verdict().sentences(),
                    answer.contradictions().stream()
                            .map(Contradiction::sentence)
                            .toList(),
                    Contradicted.of(answer.contradictions()),
                    answer.unmeasured(),
                    round.turns().map(TurnsResult::of).orElse(null),
                    answer.sockets().stream()
                            .map(s -> new SocketResult(
                                    s.socket().name(), s.socket().tubeType(), s.measured(), IdleResult.of(s.answer())))
                            .toList(),
                    round.readings().stream()
                            .map(r -> ReadingResult.of(r, holding.contains(r)))
                            .toList());
        }
    }

    /** A correction. */
    @Schema(description = "A new value that supersedes a reading")
    record Correction(
            @Schema(description = "Id of the new reading, made by the client")
            UUID id,

            @Schema(description = "The value as it should have been, as typed")
            String text,

            @Schema(description = "Why") String reason,

            @Schema(
                    description = "yes when an unusual value is right: what was asked about with status 409",
                    allowableValues = {"", "yes", "no"})
            String confirmed) {}

    @Operation(summary = "All rounds of an amp, oldest first")
    @GetMapping("/amps/{ampId}/rounds")
    List<RoundResult> all(@PathVariable UUID ampId) {
        List<Window> windows = targets.windows(amps.amp(ampId));
        return rounds.rounds(ampId).stream()
                .map(r -> RoundResult.of(r, windows))
                .toList();
    }

    @Operation(summary = "One round")
    @GetMapping("/rounds/{id}")
    RoundResult one(@PathVariable UUID id) {
        Round round = rounds.round(id);
        return RoundResult.of(round, targets.windows(round.amp()));
    }

    @Operation(summary = "Keep a round, all of it or nothing; the same id stores once")
    @PostMapping("/amps/{ampId}/rounds")
    @ResponseStatus(HttpStatus.CREATED)
    RoundResult keep(@PathVariable UUID ampId, @RequestBody RoundForm form) {
        UUID id = id(form.id());
        Amp amp = form.ampVersion() == null ? amps.amp(ampId) : amps.amp(ampId, form.ampVersion());
        RoundReader.Read read =
                RoundReader.read(form, amp.description(), id, settings.meters(), OffsetDateTime.now(clock));
        rounds.ask(amp, read, form.confirmedPoints());
        ApiRefused.unlessClear(read.complaints());
        return RoundResult.of(
                rounds.keep(id, amp, read.takenAt(), read.state(), form.text(RoundFields.NOTE), read.readings()),
                targets.windows(amp));
    }

    @Operation(summary = "Correct a reading by one that supersedes it")
    @PostMapping("/rounds/{roundId}/readings/{readingId}/corrections")
    @ResponseStatus(HttpStatus.CREATED)
    RoundResult correct(@PathVariable UUID roundId, @PathVariable UUID readingId, @RequestBody Correction correction) {
        Round round = rounds.round(roundId);
        Reading old = round.readings().stream()
                .filter(r -> r.id().equals(readingId))
                .findFirst()
                .orElseThrow(() -> new yellowrail.app.web.NotThere("reading " + readingId));
        if (correction.id() == null
                || correction.reason() == null
                || correction.reason().isBlank()) {
            throw ApiAdvice.at("reason", "A correction needs an id made by the client and a reason.");
        }
        if (correction.reason().length() > Texts.SENTENCE) {
            throw ApiAdvice.at("reason", Texts.tooLong(Texts.SENTENCE, correction.reason()));
        }
        var made = MeterText.understand(
                correction.text(), RoundReader.field(round.amp().description(), old.quantity(), old.point()));
        if (made.value().isEmpty()) {
            throw ApiAdvice.at("text", made.complaint().orElse("Type the value as it should have been."));
        }
        FieldErrors complaints = new FieldErrors();
        boolean confirmed = complaints.yes("confirmed", correction.confirmed());
        rounds.ask(round, old, made.value().get(), confirmed, complaints);
        ApiRefused.unlessClear(complaints);
        rounds.correct(correction.id(), readingId, made.value().get(), correction.reason());
        return one(roundId);
    }

    private static UUID id(String text) {
        try {
            return UUID.fromString(text == null ? "" : text);
        } catch (IllegalArgumentException wrong) {
            throw ApiAdvice.at("id", "An id is a UUID made by the client.");
        }
    }
}
