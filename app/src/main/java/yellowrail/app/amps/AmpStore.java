package yellowrail.app.amps;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yellowrail.app.store.Once;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.store.StoredShapes;
import yellowrail.app.web.EachShown;
import yellowrail.app.web.NotThere;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Duty;
import yellowrail.core.amp.Judging;
import yellowrail.core.amp.Socket;

/** Amps: kept in versions, never changed. */
@Service
public class AmpStore {
    /** Somebody else, or another tab, kept a newer description meanwhile. */
    public static class ChangedMeanwhile extends RuntimeException {
        public ChangedMeanwhile() {
            super("This amp was changed in another window since you opened it.");
        }
    }

    private final AmpMapper mapper;
    private final Clock clock;

    AmpStore(AmpMapper mapper, Clock clock) {
        this.mapper = mapper;
        this.clock = clock;
    }

    /** Those in use, by name. */
    public List<Amp> all() {
        return shelf(false);
    }

    /** Those put away, by name. */
    public List<Amp> away() {
        return shelf(true);
    }

    /** Those of {@link #all} whose description cannot be read. */
    public List<String> broken() {
        return shelved(false).broken();
    }

    private List<Amp> shelf(boolean away) {
        return shelved(away).shown();
    }

    private EachShown<Amp> shelved(boolean away) {
        Set<UUID> ids = new HashSet<>(mapper.away());
        List<AmpRow> rows = mapper.newest().stream()
                .filter(r -> ids.contains(r.ampId()) == away)
                .toList();
        return EachShown.of(rows, this::amp, r -> "the amp " + r.ampId());
    }

    /** Puts an amp away or brings it back; nothing of it is lost. The same id counts once. */
    public void shelve(UUID id, UUID ampId, boolean away) {
        ShelfRow sent = new ShelfRow(amp(ampId).id(), away);
        Once.keep(
                () -> mapper.insertShelf(id, sent.ampId(), sent.away()),
                sent,
                () -> mapper.shelf(id),
                s -> s,
                () -> new StoredDifferently(
                        "This was already done another way: the amp was put away or brought back meanwhile,"
                                + " and nothing was changed. Load the page again."));
    }

    public boolean isAway(UUID ampId) {
        return mapper.away().contains(ampId);
    }

    public Amp amp(UUID id) {
        return mapper.newestOf(id).map(this::amp).orElseThrow(() -> new NotThere("amp " + id));
    }

    /** When an amp got its newest description, milliseconds since 1970. */
    public long changedAt(UUID id) {
        return mapper.newestOf(id)
                .orElseThrow(() -> new NotThere("amp " + id))
                .createdAt()
                .toInstant()
                .toEpochMilli();
    }

    public Amp amp(UUID id, int version) {
        return mapper.version(id, version)
                .map(this::amp)
                .orElseThrow(() -> new NotThere("amp " + id + " in version " + version));
    }

    /**
     * Sockets that an edit of the description seated otherwise than the version before it, in versions after one, each as it
     * was edited last; what an accepted swap, or going back from it, describes is none.
     */
    public List<Socket> reseated(UUID id, int after) {
        Set<Integer> bySwap = Set.copyOf(mapper.versionsBySwap(id));
        Map<String, Socket> edited = new LinkedHashMap<>();
        int newest = mapper.newestOf(id).map(AmpRow::version).orElse(after);
        for (int version = after + 1; version <= newest; version++) {
            if (!bySwap.contains(version)) {
                List<Socket> before = amp(id, version - 1).description().sockets();
                amp(id, version).description().sockets().stream()
                        .filter(s -> before.stream()
                                .anyMatch(b -> b.name().equals(s.name())
                                        && !b.tubeType().equals(s.tubeType())))
                        .forEach(s -> edited.put(s.name(), s));
            }
        }
        return List.copyOf(edited.values());
    }

    /**
     * Keeps a description that follows {@code seenVersion}. The same {@code versionId} stores once, however often it is
     * sent.
     *
     * @param seenVersion the version the builder saw; 0 for a new amp
     * @throws ChangedMeanwhile when the amp has a newer version than the one seen, or this one holds something else
     */
    @Transactional
    public Amp keep(UUID versionId, UUID ampId, int seenVersion, AmpDescription description) {
        Optional<AmpRow> stored = mapper.byVersionId(versionId);
        if (stored.isPresent()) {
            Amp sent = new Amp(ampId, stored.get().version(), description);
            return Once.same(amp(stored.get()), sent, a -> a, ChangedMeanwhile::new);
        }
        mapper.insertAmp(ampId);
        int newest = mapper.newestOf(ampId).map(AmpRow::version).orElse(0);
        if (newest != seenVersion) {
            // The same press twice: the first was stored while this one was on its way.
            AmpRow own = mapper.byVersionId(versionId).orElseThrow(ChangedMeanwhile::new);
            return Once.same(amp(own), new Amp(ampId, own.version(), description), a -> a, ChangedMeanwhile::new);
        }
        return Once.keep(
                () -> mapper.insertVersion(
                        versionId,
                        ampId,
                        newest + 1,
                        description.name(),
                        StoredShapes.AMP.write(description),
                        OffsetDateTime.now(clock)),
                new Amp(ampId, newest + 1, description),
                () -> amp(mapper.byVersionId(versionId).orElseThrow()),
                a -> a,
                ChangedMeanwhile::new);
    }

    /**
     * Answers how the fixed bias of an amp behaves, which its description left open: a new version that differs in nothing
     * else. An amp whose newest description says it already is left as it is.
     */
    @Transactional
    public Amp tellBias(UUID ampId, BiasScheme told) {
        Amp amp = amp(ampId);
        if (amp.description().bias().scheme() != BiasScheme.FIXED_UNKNOWN
                || !BiasScheme.FIXED_UNKNOWN.outcomes().contains(told)) {
            return amp;
        }
        return keep(UUID.randomUUID(), ampId, amp.version(), amp.description().biased(told));
    }

    /** The amp with what it plays said, as a version of its own; one that says it already is left as it is. */
    @Transactional
    public Amp tellDuty(UUID ampId, Duty told) {
        Amp amp = amp(ampId);
        Judging judging = amp.description().judging();
        return judging.duty() == told
                ? amp
                : keep(
                        UUID.randomUUID(),
                        ampId,
                        amp.version(),
                        amp.description().judged(judging.playing(told)));
    }

    /**
     * The amp in the version named, with its bias behaviour where a later version is nothing but the answer to that
     * question: the answer is about the amp as it was then.
     */
    public Amp answered(UUID id, int version) {
        Amp amp = amp(id, version);
        if (amp.description().bias().scheme() != BiasScheme.FIXED_UNKNOWN) {
            return amp;
        }
        return mapper.version(id, version + 1)
                .map(this::amp)
                .map(Amp::description)
                .filter(next -> next.biased(BiasScheme.FIXED_UNKNOWN).equals(amp.description()))
                .map(next -> new Amp(id, version, next))
                .orElse(amp);
    }

    private Amp amp(AmpRow row) {
        return new Amp(row.ampId(), row.version(), StoredShapes.AMP.read(row.description()));
    }
}
