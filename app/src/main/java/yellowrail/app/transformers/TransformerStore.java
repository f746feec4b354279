package yellowrail.app.transformers;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yellowrail.app.store.Once;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.store.StoredShapes;
import yellowrail.app.transformers.TransformerMapper.FittingRow;
import yellowrail.app.transformers.TransformerMapper.ReadingRow;
import yellowrail.app.transformers.TransformerMapper.VersionRow;
import yellowrail.app.transformers.TransformerMapper.VoidRow;
import yellowrail.app.web.EachShown;
import yellowrail.app.web.NotThere;
import yellowrail.core.load.AcReading;
import yellowrail.core.load.TransformerDescription;

/** Transformers: descriptions in versions, readings that are only ever added or struck out, and where each is fitted. */
@Service
public class TransformerStore {
    /** Longest reason of a reading that does not count. */
    public static final int LONGEST_REASON = 200;

    private final TransformerMapper mapper;
    private final Clock clock;

    TransformerStore(TransformerMapper mapper, Clock clock) {
        this.mapper = mapper;
        this.clock = clock;
    }

    /** All, by name; one that cannot be read is told and does not hide the others. */
    public EachShown<KeptTransformer> all() {
        Map<UUID, KeptTransformer.Fitted> fitted = fitted();
        return EachShown.of(mapper.newest(), row -> kept(row, fitted), row -> "the transformer " + row.transformerId());
    }

    public KeptTransformer transformer(UUID id) {
        return find(id).orElseThrow(() -> new NotThere("transformer " + id));
    }

    public Optional<KeptTransformer> find(UUID id) {
        return mapper.newestOf(id).map(row -> kept(row, fitted()));
    }

    /** What is fitted to an amp, by channel. */
    public List<KeptTransformer> of(UUID ampId) {
        return mapper.fitted().stream()
                .filter(f -> f.ampId().equals(ampId))
                .sorted(java.util.Comparator.comparing(FittingRow::channel))
                .map(f -> transformer(f.transformerId()))
                .toList();
    }

    /** What is fitted to a channel of an amp. */
    public Optional<KeptTransformer> fittedTo(UUID ampId, int channel) {
        return mapper.fitted().stream()
                .filter(f -> f.ampId().equals(ampId) && f.channel() == channel)
                .findFirst()
                .map(f -> transformer(f.transformerId()));
    }

    /**
     * Keeps a description that follows {@code seenVersion}, and readings taken with it. The same {@code versionId} stores once,
     * however often it is sent.
     *
     * @param seenVersion the version the builder saw; 0 for a new transformer
     * @throws StoredDifferently when there is a newer version than the one seen, or the id holds something else
     */
    @Transactional
    public void keep(
            UUID versionId,
            UUID id,
            int seenVersion,
            TransformerDescription description,
            Map<UUID, AcReading> readings) {
        mapper.insertTransformer(id);
        int newest = mapper.newestOf(id).map(VersionRow::version).orElse(0);
        boolean again = mapper.version(versionId).isPresent();
        if (!again && newest != seenVersion) {
            throw changed();
        }
        VersionRow row = new VersionRow(
                versionId,
                id,
                again ? mapper.version(versionId).get().version() : newest + 1,
                StoredShapes.TRANSFORMER.write(description));
        OffsetDateTime now = OffsetDateTime.now(clock);
        Once.keep(
                () -> mapper.insertVersion(row, description.name(), now),
                row,
                () -> mapper.version(versionId).orElseThrow(),
                v -> List.of(v.transformerId(), StoredShapes.TRANSFORMER.read(v.description())),
                TransformerStore::changed);
        readings.forEach((readingId, reading) -> {
            ReadingRow sent = new ReadingRow(readingId, id, StoredShapes.AC_READING.write(reading), now, null);
            Once.keep(
                    () -> mapper.insertReading(sent),
                    sent,
                    () -> mapper.reading(readingId).orElseThrow(),
                    r -> List.of(r.transformerId(), StoredShapes.AC_READING.read(r.reading())),
                    () -> StoredDifferently.now("This reading"));
        });
    }

    private static StoredDifferently changed() {
        return new StoredDifferently(
                "This transformer was changed in another window since you opened it: nothing was kept. Open it again.");
    }

    /** Strikes a reading out: it stays, and counts no more. */
    @Transactional
    public void strike(UUID voidId, UUID id, UUID readingId, String reason) {
        ReadingRow reading = mapper.reading(readingId)
                .filter(r -> r.transformerId().equals(id))
                .orElseThrow(() -> new NotThere("reading " + readingId + " of this transformer"));
        VoidRow sent = new VoidRow(voidId, reading.id(), reason);
        Once.keep(
                () -> mapper.insertVoid(sent, OffsetDateTime.now(clock)),
                sent,
                () -> mapper.voided(voidId).orElseThrow(),
                Function.identity(),
                () -> StoredDifferently.now("This entry"),
                () -> new StoredDifferently("This reading was struck out already."));
    }

    /** Puts a transformer into a channel of an amp, or on the shelf; what was there before is on the shelf then. */
    @Transactional
    public void fit(UUID fittingId, UUID id, Optional<KeptTransformer.Fitted> place) {
        FittingRow sent = new FittingRow(
                fittingId,
                transformer(id).id(),
                place.map(KeptTransformer.Fitted::ampId).orElse(null),
                place.map(KeptTransformer.Fitted::channel).orElse(null));
        Once.keep(
                () -> mapper.insertFitting(sent, OffsetDateTime.now(clock)),
                sent,
                () -> mapper.fitting(fittingId).orElseThrow(),
                Function.identity(),
                () -> StoredDifferently.now("This entry"));
    }

    private Map<UUID, KeptTransformer.Fitted> fitted() {
        return mapper.fitted().stream()
                .collect(Collectors.toMap(
                        FittingRow::transformerId, f -> new KeptTransformer.Fitted(f.ampId(), f.channel())));
    }

    private KeptTransformer kept(VersionRow row, Map<UUID, KeptTransformer.Fitted> fitted) {
        List<KeptReading> readings = new ArrayList<>();
        for (ReadingRow r : mapper.readings(row.transformerId())) {
            readings.add(new KeptReading(
                    r.id(), StoredShapes.AC_READING.read(r.reading()), r.takenAt(), Optional.ofNullable(r.voided())));
        }
        return new KeptTransformer(
                row.transformerId(),
                row.version(),
                StoredShapes.TRANSFORMER.read(row.description()),
                readings,
                Optional.ofNullable(fitted.get(row.transformerId())));
    }
}
