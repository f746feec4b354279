package yellowrail.app.rounds;

import static yellowrail.app.store.StoredShapes.ROUND_STATE;
import static yellowrail.app.store.StoredShapes.TURNS;
import static yellowrail.app.store.StoredShapes.TYPE_HASHES;

import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yellowrail.app.amps.Amp;
import yellowrail.app.amps.AmpStore;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.store.Once;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.store.StoredTurns;
import yellowrail.app.store.TypeHashes;
import yellowrail.app.tubes.TubeStore;
import yellowrail.app.web.EachShown;
import yellowrail.app.web.NotThere;
import yellowrail.core.amp.Mains;
import yellowrail.core.reading.Typed;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.RoundState;
import yellowrail.core.tube.TubeType;

/** Rounds: kept once, never changed; a correction is a new reading. */
@Service
public class RoundStore {
    private final RoundMapper mapper;
    private final AmpStore amps;
    private final TubeStore tubes;

    RoundStore(RoundMapper mapper, AmpStore amps, TubeStore tubes) {
        this.mapper = mapper;
        this.amps = amps;
        this.tubes = tubes;
    }

    /**
     * Keeps a round with its readings, all or nothing. The same round with the same readings stores once.
     *
     * @throws StoredDifferently when a round of this id holds other readings
     */
    @Transactional
    public Round keep(UUID id, Amp amp, OffsetDateTime takenAt, RoundState state, String note, List<Reading> readings) {
        return keep(id, amp, takenAt, state, note, readings, Optional.empty());
    }

    /** The same of a round whose positions were read by turns. */
    @Transactional
    public Round keep(
            UUID id,
            Amp amp,
            OffsetDateTime takenAt,
            RoundState state,
            String note,
            List<Reading> readings,
            Optional<StoredTurns> turns) {
        TypeHashes types = tubes.snapshots(amp.description().stage().tubeTypes());
        RoundRow row = new RoundRow(
                id, amp.id(), amp.version(), takenAt, ROUND_STATE.write(state), TYPE_HASHES.write(types), note);
        Once.keep(
                () -> {
                    int added = mapper.insertRound(row);
                    if (added == 1) {
                        readings.forEach(mapper::insertReading);
                        turns.ifPresent(t -> mapper.insertTurns(id, TURNS.write(t)));
                    }
                    return added;
                },
                content(amp, state, note, readings),
                () -> {
                    Round stored = round(id);
                    List<Reading> first = stored.readings().stream()
                            .filter(r -> r.supersedes() == null)
                            .toList();
                    return content(stored.amp(), stored.state(), stored.note(), first);
                },
                c -> c,
                () -> new StoredDifferently(
                        "This round was already stored with other readings or another state. Nothing was overwritten:"
                                + " correct single readings in the stored round, or begin a new one."));
        return round(id);
    }

    /** Adds what an earlier version did not keep of a round that was read by turns; a second time it adds nothing. */
    @Transactional
    public void complete(UUID id, List<Reading> readings, StoredTurns turns) {
        if (mapper.round(id).isPresent() && mapper.turns(id).isEmpty()) {
            readings.forEach(mapper::insertReading);
            mapper.insertTurns(id, TURNS.write(turns));
        }
    }

    /** Whether a round is there of which nobody kept how it was read by turns. */
    public boolean lacksTurns(UUID id) {
        return mapper.round(id).isPresent() && mapper.turns(id).isEmpty();
    }

    private static List<Object> content(Amp amp, RoundState state, String note, List<Reading> readings) {
        return List.of(
                amp.id(),
                state,
                note,
                readings.stream().collect(Collectors.toMap(r -> r.quantity() + "/" + r.point(), Reading::raw)));
    }

    /** Asks about what is unusual in a round before it is kept; what was confirmed is not asked again. */
    public void ask(Amp amp, RoundReader.Read read, List<String> confirmed) {
        if (read.complaints().refused()) {
            return;
        }
        Map<String, TubeType> types = tubes.now(amp.description().stage().tubeTypes());
        Round round = new Round(
                UUID.randomUUID(), amp, read.takenAt(), read.state(), types, "", read.readings(), Optional.empty());
        RoundSlips.ask(amp.description(), read.readings(), round.judged(List.of()), confirmed, read.complaints());
    }

    /** Asks about a corrected reading in the same way, in the round it belongs to; at the field called text. */
    public void ask(Round round, Reading old, Typed typed, boolean confirmed, FieldErrors complaints) {
        if (old.quantity() == Quantity.MAINS && !Mains.possible(typed.value())) {
            complaints.add("text", "No outlet gives " + typed.echo() + "; 300 V at most.");
            return;
        }
        Reading corrected =
                Reading.of(UUID.randomUUID(), round.id(), old.seq(), old.quantity(), old.point(), typed, old.takenAt());
        List<Reading> all = new ArrayList<>(round.holding().stream()
                .filter(r -> r.quantity() != old.quantity() || !r.point().equals(old.point()))
                .toList());
        all.add(corrected);
        Round then = new Round(
                round.id(),
                round.amp(),
                round.takenAt(),
                round.state(),
                round.types(),
                round.note(),
                all,
                round.turns());
        FieldErrors questions = new FieldErrors();
        RoundSlips.ask(round.amp().description(), all, then.judged(List.of()), List.of(), questions);
        String key = RoundForm.key(old.quantity(), old.point());
        if (!confirmed && questions.has(key)) {
            complaints.ask("text", questions.byField().get(key));
        }
    }

    /**
     * Corrects a reading by a new one that supersedes it. The same id stores once.
     *
     * @throws StoredDifferently when the reading was already corrected, or the id holds something else
     */
    @Transactional
    public Reading correct(UUID id, UUID readingId, Typed typed, String reason) {
        Reading old = mapper.reading(readingId).orElseThrow(() -> new NotThere("reading " + readingId));
        Reading fresh = Reading.of(id, old.roundId(), old.seq(), old.quantity(), old.point(), typed, old.takenAt())
                .correcting(old.id(), reason);
        return Once.keep(
                () -> mapper.insertReading(fresh),
                fresh,
                () -> mapper.reading(id).orElseThrow(),
                r -> List.of(r.raw(), Optional.ofNullable(r.supersedes())),
                () -> new StoredDifferently("This correction was already stored with another value."),
                () -> new StoredDifferently("This reading was corrected meanwhile. Reload the round and correct the"
                        + " newest value if it is wrong."));
    }

    public Round round(UUID id) {
        RoundRow row = mapper.round(id).orElseThrow(() -> new NotThere("round " + id));
        return assemble(row, mapper.readings(id), mapper.turns(id));
    }

    /** All rounds of an amp, oldest first. */
    public List<Round> rounds(UUID ampId) {
        return each(ampId).shown();
    }

    /** The same, with the names of those that cannot be read. */
    public EachShown<Round> each(UUID ampId) {
        Map<UUID, List<Reading>> readings =
                mapper.readingsOfAmp(ampId).stream().collect(Collectors.groupingBy(Reading::roundId));
        Map<UUID, String> turns =
                mapper.turnsOfAmp(ampId).stream().collect(Collectors.toMap(TurnsRow::roundId, TurnsRow::body));
        return EachShown.of(
                mapper.rounds(ampId),
                row -> assemble(
                        row, readings.getOrDefault(row.id(), List.of()), Optional.ofNullable(turns.get(row.id()))),
                RoundStore::named);
    }

    private static String named(RoundRow row) {
        return "the round " + row.id();
    }

    /** How many readings an amp has, superseded ones included: it rises with every one. */
    public long countReadings(UUID ampId) {
        return mapper.countReadings(ampId);
    }

    /** The newest round of every amp that has one. */
    public EachShown<Round> newest() {
        return EachShown.of(
                mapper.newestOfEach(),
                row -> assemble(row, mapper.readings(row.id()), mapper.turns(row.id())),
                RoundStore::named);
    }

    /** Rounds by their amps. */
    public static Map<UUID, Round> byAmp(List<Round> rounds) {
        return rounds.stream().collect(Collectors.toMap(r -> r.amp().id(), r -> r));
    }

    private Round assemble(RoundRow row, List<Reading> readings, Optional<String> turns) {
        return new Round(
                row.id(),
                amps.answered(row.ampId(), row.ampVersion()),
                row.takenAt(),
                ROUND_STATE.read(row.state()),
                tubes.behind(TYPE_HASHES.read(row.types())),
                row.note(),
                readings,
                turns.map(TURNS::read));
    }
}
