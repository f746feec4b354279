package yellowrail.app.bench;

import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.pictures.WattStrip.Tone;
import yellowrail.app.rounds.Round;
import yellowrail.app.rounds.RoundStore;
import yellowrail.app.targets.Targets;
import yellowrail.app.web.EachShown;
import yellowrail.core.idle.Verdict;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.session.Proof;

/** What is on the bench: sessions in progress, checks due, and amps by their last verdict. */
@Component
class HomeView {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    /** All of it. */
    record Home(List<Running> running, List<Due> due, List<AmpRow> amps, List<String> broken) {}

    /** A session in progress. */
    record Running(UUID id, String amp, String purpose, String stop, int done, int of, boolean stopped, long lastAt) {}

    /** A check that is due, or will be. */
    record Due(UUID ampId, String amp, String day, String words, boolean overdue) {}

    /** An amp with its last verdict. */
    record AmpRow(
            UUID id, String name, String verdict, String tone, String mark, String when, String sheet, UUID sheetId) {}

    /** A session of an amp. */
    record Past(UUID id, String when, String purpose, String state, boolean signed) {}

    private final SessionStore sessions;
    private final AmpStore amps;
    private final RoundStore rounds;
    private final Targets targets;
    private final Clock clock;

    HomeView(SessionStore sessions, AmpStore amps, RoundStore rounds, Targets targets, Clock clock) {
        this.sessions = sessions;
        this.amps = amps;
        this.rounds = rounds;
        this.targets = targets;
        this.clock = clock;
    }

    Home now() {
        EachShown<Running> running =
                EachShown.of(sessions.open(), id -> sessions.look(id, HomeView::running), id -> "the session " + id);
        Map<UUID, Amp> byId = new HashMap<>();
        amps.all().forEach(a -> byId.put(a.id(), a));
        Map<UUID, IssuedRow> issued = new HashMap<>();
        sessions.newestIssued().forEach(i -> issued.put(i.ampId(), i));
        LocalDate today = LocalDate.now(clock.withZone(ZoneId.systemDefault()));
        List<Due> due = issued.values().stream()
                .sorted((a, b) -> a.recheckOn().compareTo(b.recheckOn()))
                .filter(i -> byId.containsKey(i.ampId()))
                .map(i -> due(byId.get(i.ampId()), i, today))
                .toList();
        EachShown<Round> last = rounds.newest();
        EachShown<Ranked> ranked = ampRows(byId, RoundStore.byAmp(last.shown()), issued);
        List<String> broken = running.brokenAnd(ranked.brokenAnd(last.brokenAnd(amps.broken())));
        return new Home(running.shown(), due, sorted(ranked.shown()), broken);
    }

    private static Running running(BenchSession s) {
        int done = (int) s.state().stops().stream()
                .filter(stop -> s.state().marks().containsKey(stop))
                .count();
        return new Running(
                s.id(),
                s.state().plan().amp().name(),
                s.state().plan().purpose().words(),
                s.state().here().words(),
                done,
                s.state().stops().size(),
                s.state().stopped(),
                s.state().lastAt());
    }

    private static Due due(Amp amp, IssuedRow row, LocalDate today) {
        boolean overdue = !row.recheckOn().isAfter(today);
        return new Due(
                amp.id(),
                amp.description().name(),
                row.recheckOn().format(DAY),
                overdue
                        ? "due since " + row.recheckOn().format(DAY)
                        : "due on " + row.recheckOn().format(DAY),
                overdue);
    }

    private record Ranked(int rank, AmpRow row) {}

    private EachShown<Ranked> ampRows(Map<UUID, Amp> byId, Map<UUID, Round> newest, Map<UUID, IssuedRow> issued) {
        return EachShown.of(
                List.copyOf(byId.values()),
                amp -> ranked(amp, Optional.ofNullable(newest.get(amp.id())), issued.get(amp.id())),
                amp -> "the last round of " + amp.description().name());
    }

    private Ranked ranked(Amp amp, Optional<Round> round, IssuedRow sheet) {
        Optional<RoundAnswer> answer = round.map(r -> r.judged(targets.judging(amp)));
        Verdict.Place place = answer.map(a -> a.verdict().place()).orElse(Verdict.Place.UNKNOWN);
        Tone tone = answer.map(a -> Tone.of(a.verdict())).orElse(Tone.UNKNOWN);
        return new Ranked(
                -place.ordinal(),
                new AmpRow(
                        amp.id(),
                        amp.description().name(),
                        answer.map(RoundAnswer::words).orElse("never measured"),
                        tone.css(),
                        tone.mark(),
                        round.map(r -> r.takenAt().format(DAY)).orElse(""),
                        sheet == null ? "" : Proof.State.valueOf(sheet.state()).words(),
                        sheet == null ? null : sheet.sessionId()));
    }

    private static List<AmpRow> sorted(List<Ranked> rows) {
        return rows.stream()
                .sorted((a, b) -> a.rank() != b.rank()
                        ? Integer.compare(a.rank(), b.rank())
                        : a.row().name().compareToIgnoreCase(b.row().name()))
                .map(Ranked::row)
                .toList();
    }

    EachShown<Past> ofAmp(UUID ampId) {
        return EachShown.of(
                sessions.ofAmp(ampId),
                id -> sessions.look(id, s -> {
                    Optional<IssuedRow> issued = sessions.issued(id);
                    return new Past(
                            id,
                            s.startedAt().format(DAY),
                            s.state().plan().purpose().words(),
                            issued.map(i -> Proof.State.valueOf(i.state()).words())
                                    .orElseGet(() -> s.state()
                                            .closed()
                                            .map(c -> "closed without a sheet: " + c.reason())
                                            .orElse("at " + s.state().here().words())),
                            issued.isPresent());
                }),
                id -> "the session " + id);
    }
}
