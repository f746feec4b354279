package yellowrail.app.bench;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import yellowrail.app.amps.Amp;
import yellowrail.app.rounds.Reading;
import yellowrail.app.rounds.RoundStore;
import yellowrail.app.store.StoredTurns;
import yellowrail.core.amp.Socket;
import yellowrail.core.round.Answered;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.RoundReadings;
import yellowrail.core.round.RoundState;
import yellowrail.core.session.Access;
import yellowrail.core.session.JudgingBasis;
import yellowrail.core.session.Power;
import yellowrail.core.session.RecordedReading;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionAssessment;
import yellowrail.core.session.SessionRound;

/** The last readings of a signed session, kept as a round of the amp, so that its history and comparisons know them. */
record FinalRound(RoundStore rounds) {
    /** A mains that moved by more while it was read: its volts and currents do not belong together. */
    private static final double MAINS_TOGETHER = 0.03;

    private static final Set<Quantity> KEPT = Set.of(
            Quantity.MAINS,
            Quantity.CURRENT,
            Quantity.INDIVIDUAL,
            Quantity.PLATE,
            Quantity.CATHODE,
            Quantity.SCREEN,
            Quantity.SCREEN_DROP,
            Quantity.GRID,
            Quantity.CHOKE);

    void keep(BenchSession bench, JudgingBasis standards, long at) {
        Session session = bench.state();
        if (session.access() == Access.TEST_POINTS) {
            return; // Currents without volts are no round: they would stand in the history as "unknown".
        }
        UUID id = of(bench.id());
        SessionAssessment judged = SessionAssessment.of(session, standards);
        List<RecordedReading> taken = newest(session, judged);
        if (taken.stream().noneMatch(r -> r.quantity() == Quantity.CURRENT || r.quantity() == Quantity.INDIVIDUAL)) {
            return;
        }
        List<Reading> readings = readings(id, taken);
        Optional<StoredTurns> turns = turns(session, judged, taken);
        boolean moved = judged.presentReadings()
                .flatMap(r -> r.mainsMoved())
                .filter(m -> m > MAINS_TOGETHER)
                .isPresent();
        boolean apart = moved
                || judged.present()
                        .map(p -> p.sockets().stream()
                                .anyMatch(s -> s.question()
                                        .circumstances()
                                        .pairing()
                                        .stale()
                                        .isPresent()))
                        .orElse(true);
        boolean reduced = readings.stream()
                        .anyMatch(r -> r.quantity() == Quantity.MAINS
                                && r.value() < session.plan().amp().mains().lowest())
                || turns.stream()
                        .flatMap(t -> t.positions().values().stream())
                        .flatMap(p -> p.mains().stream())
                        .anyMatch(m -> m < session.plan().amp().mains().lowest());
        RoundState state = new RoundState(
                session.plan().meter(),
                session.plan().reference(),
                answered(taken.stream().anyMatch(r -> r.context().limiter())),
                answered(reduced),
                answered(apart),
                Optional.empty());
        OffsetDateTime when = Instant.ofEpochMilli(
                        taken.stream().mapToLong(RecordedReading::at).max().orElse(at))
                .atOffset(ZoneOffset.UTC);
        rounds.keep(
                id,
                new Amp(bench.ampId(), bench.ampVersion(), session.amp()),
                when,
                state,
                "from the session “" + session.plan().purpose().words().toLowerCase(java.util.Locale.ROOT) + "”",
                readings,
                turns);
    }

    /** The round of a session. */
    private static UUID of(UUID session) {
        return id(session + "/round");
    }

    /** Whether its round is there without how it was read by turns. */
    boolean lacksTurns(UUID session) {
        return rounds.lacksTurns(of(session));
    }

    /** Adds to the round of a session read by turns what an earlier version did not keep: the other positions. */
    void complete(BenchSession bench, JudgingBasis standards) {
        Session session = bench.state();
        SessionAssessment judged = SessionAssessment.of(session, standards);
        List<RecordedReading> taken = newest(session, judged);
        turns(session, judged, taken)
                .ifPresent(t -> rounds.complete(of(bench.id()), readings(of(bench.id()), taken), t));
    }

    private static List<Reading> readings(UUID round, List<RecordedReading> taken) {
        List<Reading> readings = new ArrayList<>();
        for (RecordedReading r : taken) {
            readings.add(Reading.of(
                    id(round + r.quantity().name() + "/" + r.point().name()),
                    round,
                    readings.size(),
                    r.quantity(),
                    r.point().name(),
                    r.typed(),
                    time(r.at())));
        }
        return readings;
    }

    private static OffsetDateTime time(long at) {
        return Instant.ofEpochMilli(at).atOffset(ZoneOffset.UTC);
    }

    /** The power-on of each position, and how far the first had moved at the end; empty when all were read in one. */
    private static Optional<StoredTurns> turns(Session session, SessionAssessment judged, List<RecordedReading> taken) {
        Map<String, StoredTurns.PowerOn> positions = new HashMap<>();
        Optional<RoundReadings.Turns> read = judged.presentReadings().flatMap(RoundReadings::turns);
        read.ifPresent(turns -> {
            for (Socket socket : session.plan().amp().sockets()) {
                String group = session.plan().amp().groupOf(socket.name()).name();
                taken.stream()
                        .filter(r -> r.isOf(Quantity.CURRENT, group))
                        .findFirst()
                        .ifPresent(r -> positions.put(
                                socket.name(),
                                new StoredTurns.PowerOn(
                                        time(r.context().runSince()),
                                        time(r.at()),
                                        Optional.ofNullable(turns.mains().get(socket.name())))));
            }
        });
        return read.map(turns -> new StoredTurns(positions, turns.drift()));
    }

    private static Answered answered(boolean yes) {
        return yes ? Answered.YES : Answered.NO;
    }

    /** The newest readings of the present setting, as far as the session itself counts them as read now. */
    private static List<RecordedReading> newest(Session session, SessionAssessment judged) {
        Optional<RoundReadings> present = judged.presentReadings();
        List<RecordedReading> newest = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        List<RecordedReading> holding = session.holding();
        for (int i = holding.size() - 1; i >= 0; i--) {
            RecordedReading r = holding.get(i);
            boolean here = r.context().power() == Power.ON_TUBES_IN && SessionRound.ofNow(session, r);
            if (KEPT.contains(r.quantity())
                    && here
                    && present.filter(p -> counts(r, p)).isPresent()
                    && seen.add(r.quantity() + "/" + r.point().name())) {
                newest.add(0, r);
            }
        }
        return newest;
    }

    private static boolean counts(RecordedReading reading, RoundReadings now) {
        return switch (reading.quantity()) {
            case MAINS -> now.mains().filter(m -> m == reading.typed().value()).isPresent();
            case CURRENT ->
                reading.typed().equals(now.points().get(reading.point().name()));
            case INDIVIDUAL ->
                reading.typed().equals(now.individual().get(reading.point().name()));
            case PLATE -> reading.typed().equals(now.plate().get(reading.point().name()));
            case CATHODE ->
                reading.typed().equals(now.cathode().get(reading.point().name()));
            case SCREEN ->
                reading.typed().equals(now.screenVolts().get(reading.point().name()));
            case SCREEN_DROP ->
                reading.typed().equals(now.screenDrop().get(reading.point().name()));
            case CHOKE -> now.choke().filter(c -> c.equals(reading.typed())).isPresent();
            default -> true;
        };
    }

    private static UUID id(String name) {
        return UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8));
    }
}
