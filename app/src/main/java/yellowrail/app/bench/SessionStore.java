package yellowrail.app.bench;

import static yellowrail.app.store.StoredShapes.EVENT;
import static yellowrail.app.store.StoredShapes.PLAN;
import static yellowrail.app.store.StoredShapes.TYPE_HASHES;

import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import yellowrail.app.amps.Amp;
import yellowrail.app.rounds.RoundReader;
import yellowrail.app.store.IssuedSheet;
import yellowrail.app.store.Once;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.store.StoredShapes;
import yellowrail.app.store.TypeHashes;
import yellowrail.app.tubes.TubeStore;
import yellowrail.app.web.NotThere;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.idle.Slip;
import yellowrail.core.session.Doubts;
import yellowrail.core.session.Entry;
import yellowrail.core.session.FindingList;
import yellowrail.core.session.Learned;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Power;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionAssessment;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.SignedOff;
import yellowrail.core.tube.TubeType;

/**
 * Sessions: their events are appended, never changed. The state is kept in memory as far as the events are known and
 * caught up from the database, so that several instances can serve one session.
 */
@Service
public class SessionStore {
    /** The event may not happen now; the sentence says why. */
    public static class Refused extends RuntimeException {
        public Refused(String sentence) {
            super(sentence);
        }
    }

    /** What an event became: its number and time, and whether it was already known. */
    public record Stored(int seq, long at, boolean repeated) {}

    private static final int KEPT_IN_MEMORY = 64;

    private static final class Live {
        private final SessionRow row;
        private final Map<String, TubeType> types;
        private Session state;
        private int seq;

        Live(SessionRow row, Map<String, TubeType> types, Session state) {
            this.row = row;
            this.types = types;
            this.state = state;
        }
    }

    private final SessionMapper mapper;
    private final TubeStore tubes;
    private final TransactionTemplate transactions;
    private final SheetIssuer issuer;
    private final SessionNotices notices;
    private final PlacedType placed;
    private final Map<UUID, Live> live = new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<UUID, Live> eldest) {
            return size() > KEPT_IN_MEMORY;
        }
    };

    SessionStore(
            SessionMapper mapper,
            TubeStore tubes,
            TransactionTemplate transactions,
            SheetIssuer issuer,
            SessionNotices notices,
            PlacedType placed) {
        this.mapper = mapper;
        this.tubes = tubes;
        this.transactions = transactions;
        this.issuer = issuer;
        this.notices = notices;
        this.placed = placed;
    }

    /** Begins a session; the same id begins it once. */
    public UUID begin(UUID id, Amp amp, Plan plan) {
        return begin(id, amp, plan, OffsetDateTime.now(ZoneOffset.UTC));
    }

    /**
     * Begins a session at a time; the same id begins it once.
     *
     * @throws StoredDifferently when the id is another session's: of another amp or with another plan
     */
    public UUID begin(UUID id, Amp amp, Plan plan, OffsetDateTime startedAt) {
        Plan carrying = mapper.ofAmp(amp.id()).stream()
                .filter(r -> !r.id().equals(id))
                .findFirst()
                .map(last -> look(last.id(), s -> following(plan, s)))
                .orElse(plan);
        TypeHashes types = tubes.snapshots(carrying.amp().stage().tubeTypes());
        SessionRow row = new SessionRow(
                id,
                amp.id(),
                amp.version(),
                plan.purpose().name(),
                PLAN.write(carrying),
                TYPE_HASHES.write(types),
                startedAt);
        Once.keep(
                () -> mapper.insertSession(row),
                row,
                () -> live(id).row,
                // What an earlier session left behind is not sent, it is taken over.
                r -> List.of(r.ampId(), PLAN.write(ownPart(PLAN.read(r.plan()), plan))),
                () -> StoredDifferently.now("This session"));
        return id;
    }

    /** A stored plan with what it took over exchanged for what another holds of that. */
    private static Plan ownPart(Plan stored, Plan sent) {
        return stored.of(stored.amp().seatedAs(sent.amp()))
                .after(sent.tubes(), sent.carried())
                .worked(stored.setup().remembering(sent.setup().memory()));
    }

    /** What the last session of the amp leaves behind: its tubes, what it found and did not clear up, and what it learned. */
    private Plan following(Plan plan, BenchSession last) {
        SessionAssessment judged = SessionAssessment.of(last.state(), issuer.standards(last));
        return plan.of(last.state().seating().left(placed.described(last), plan.amp()))
                .after(last.state().seating(), FindingList.carriedOn(last.state(), judged))
                .worked(plan.setup().remembering(Learned.of(last.state(), judged)));
    }

    /** What a session was planned on, which never changes. */
    public Plan plan(UUID id) {
        return live(id).state.plan();
    }

    /** What is asked about a reading before it becomes an entry of this session; nothing where it is one, or cannot be. */
    public Optional<Slip> doubt(UUID id, Entry entry) {
        if (!(entry.event() instanceof Read read)) {
            return Optional.empty();
        }
        return look(id, s -> {
            boolean known = s.state().entries().stream().anyMatch(e -> e.id().equals(entry.id()));
            if (known || s.state().refusal(entry).isPresent()) {
                return Optional.empty();
            }
            AmpDescription amp = s.state().plan().amp();
            return Doubts.of(s.state(), s.types(), read, RoundReader.field(amp, read.quantity(), read.point()));
        });
    }

    /**
     * Appends an event, once for each id.
     *
     * @throws Refused when it may not happen in the session's state
     * @throws StoredDifferently when the id holds another event
     */
    public Stored append(UUID sessionId, Entry said) {
        Entry entry = placed.designated(said);
        Live session = live(sessionId);
        Stored stored;
        synchronized (session) {
            try {
                stored = transactions.execute(status -> insert(session, entry));
            } catch (DuplicateKeyException raced) {
                throw differently();
            } catch (RuntimeException failed) {
                forgetUncertain(sessionId, session);
                throw failed;
            }
            if (!stored.repeated()) {
                session.state.apply(new Entry(entry.id(), stored.at(), entry.device(), entry.event()));
                session.seq = stored.seq();
            }
        }
        if (!stored.repeated()) {
            notices.stored(sessionId, stored.seq());
        }
        return stored;
    }

    private static StoredDifferently differently() {
        return new StoredDifferently("This entry was already stored with other content. Nothing was overwritten.");
    }

    /** After a failed write nobody knows what was stored: the state is read anew from the database. */
    private void forgetUncertain(UUID id, Live session) {
        synchronized (live) {
            live.remove(id, session);
        }
    }

    private Stored insert(Live session, Entry entry) {
        UUID sessionId = session.row.id();
        UUID id = UUID.fromString(entry.id());
        mapper.lock(sessionId).orElseThrow(() -> new NotThere("session " + sessionId));
        Optional<EventRow> known = mapper.event(id);
        if (known.isPresent()) {
            EventRow row = known.get();
            Once.same(
                    List.of(row.sessionId(), EVENT.read(row.body())),
                    List.of(sessionId, entry.event()),
                    content -> content,
                    SessionStore::differently);
            return new Stored(row.seq(), row.happenedAt(), true);
        }
        catchUp(session);
        Entry ordered = session.state.inOrder(entry);
        session.state
                .refusal(ordered)
                .or(() -> placed.unsaid(session.row.ampId(), session.state.seating(), ordered))
                .ifPresent(why -> {
                    throw new Refused(why);
                });
        int seq = session.seq + 1;
        mapper.insertEvent(new EventRow(
                id,
                sessionId,
                seq,
                ordered.event().getClass().getSimpleName(),
                EVENT.write(ordered.event()),
                ordered.at(),
                ordered.device()));
        if (ordered.event() instanceof SignedOff) {
            List<Entry> all = new java.util.ArrayList<>(session.state.entries());
            all.add(ordered);
            issuer.issue(snapshot(session, Session.replay(session.state.plan(), all), seq), id, ordered.at());
        }
        notices.storing(sessionId, seq);
        return new Stored(seq, ordered.at(), false);
    }

    private void catchUp(Live session) {
        for (EventRow row : mapper.events(session.row.id(), session.seq)) {
            session.state.apply(entry(row));
            session.seq = row.seq();
        }
    }

    private Entry entry(EventRow row) {
        return new Entry(row.id().toString(), row.happenedAt(), row.device(), EVENT.read(row.body()));
    }

    /** Looks at a session in its present state; nothing of the state may be kept. */
    public <T> T look(UUID id, Function<BenchSession, T> view) {
        Live session = live(id);
        synchronized (session) {
            catchUp(session);
            return view.apply(snapshot(session, session.state, session.seq));
        }
    }

    private static BenchSession snapshot(Live session, Session state, int seq) {
        return new BenchSession(
                session.row.id(),
                session.row.ampId(),
                session.row.ampVersion(),
                session.row.startedAt(),
                session.types,
                state,
                seq);
    }

    private Live live(UUID id) {
        synchronized (live) {
            Live known = live.get(id);
            if (known != null) {
                return known;
            }
        }
        SessionRow row = mapper.session(id).orElseThrow(() -> new NotThere("session " + id));
        Live fresh = new Live(row, tubes.behind(TYPE_HASHES.read(row.types())), new Session(PLAN.read(row.plan())));
        synchronized (live) {
            return live.computeIfAbsent(id, i -> fresh);
        }
    }

    /** Ids of the sessions that are neither signed nor closed, last worked on first. */
    public List<UUID> open() {
        return mapper.open().stream().map(SessionRow::id).toList();
    }

    /**
     * Why the tubes of an amp may not be described otherwise at this time: one of its open sessions has the power declared on,
     * or not declared. Within a transaction these sessions take no entry until it ends.
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public Optional<String> notOff(UUID ampId, long now) {
        for (SessionRow row : mapper.open()) {
            if (row.ampId().equals(ampId) && mapper.lock(row.id()).isPresent()) {
                // Read anew, not looked at in memory: whoever writes to it holds that first and the lock second.
                Power power = Session.replay(
                                PLAN.read(row.plan()),
                                mapper.events(row.id(), 0).stream()
                                        .map(this::entry)
                                        .toList())
                        .power(now);
                if (power != Power.OFF) {
                    return Optional.of("An open session of this amp stands in the way: " + lower(power.sentence())
                            + " there. Declare it off in that session, or close the session, and do it again.");
                }
            }
        }
        return Optional.empty();
    }

    private static String lower(String sentence) {
        return sentence.substring(0, 1).toLowerCase(Locale.ROOT) + sentence.substring(1);
    }

    /** Ids of an amp's sessions, newest first. */
    public List<UUID> ofAmp(UUID ampId) {
        return mapper.ofAmp(ampId).stream().map(SessionRow::id).toList();
    }

    /** Ids of an amp's sessions begun before this one, newest first. */
    public List<UUID> before(BenchSession session) {
        return mapper.keptOfAmp(session.ampId()).stream()
                .filter(r -> r.startedAt().isBefore(session.startedAt()) && !r.id().equals(session.id()))
                .map(SessionRow::id)
                .toList();
    }

    public Optional<IssuedRow> issued(UUID id) {
        return mapper.issued(id);
    }

    /** The newest issued sheet of every amp that has one. */
    public List<IssuedRow> newestIssued() {
        return mapper.newestIssued();
    }

    public Optional<String> issuedHtml(UUID id) {
        return mapper.issuedHtml(id);
    }

    public Optional<byte[]> issuedPdf(UUID id) {
        return mapper.issuedPdf(id).map(PdfRow::pdf);
    }

    /**
     * The sheet of a signed session as issued.
     *
     * @throws NotThere when it was not signed
     */
    public IssuedSheet issuedSheet(UUID id) {
        return issued(id)
                .map(row -> StoredShapes.SHEET.read(row.data()))
                .orElseThrow(() -> BenchController.unsigned(id));
    }
}
