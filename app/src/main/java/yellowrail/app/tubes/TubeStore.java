package yellowrail.app.tubes;

import static yellowrail.app.store.StoredShapes.TUBE_TYPE;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yellowrail.app.json.LastKnown;
import yellowrail.app.store.Once;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.store.TypeHashes;
import yellowrail.app.web.EachShown;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.TubeType;

/** The catalogue with the builder's own types, and the types as rounds were judged by them. */
@Service
public class TubeStore {
    private final OwnTypeMapper mapper;
    private final Clock clock;
    private final LastKnown<List<String>> broken = new LastKnown<>(List.of(), () -> own().broken());
    private final LastKnown<Catalogue> fresh;

    TubeStore(OwnTypeMapper mapper, Clock clock) {
        this.mapper = mapper;
        this.clock = clock;
        // Read at the start, so that the shipped figures never stand in for corrected ones while the database is slow.
        this.fresh = new LastKnown<>(catalogue(), this::catalogue);
    }

    /** The catalogue as it is now. A correction that cannot be read leaves its type unknown: the shipped figures are not it. */
    public Catalogue catalogue() {
        EachShown<TubeType> own = own();
        return Catalogue.with(own.shown()).without(own.broken());
    }

    /** Designations of own types that cannot be read, as last known. */
    List<String> broken() {
        return broken.get();
    }

    private EachShown<TubeType> own() {
        return EachShown.of(mapper.newest(), r -> TUBE_TYPE.read(r.body()), OwnTypeRow::designation);
    }

    /** The catalogue for what saves nothing: some seconds old at most, or as last known while the database is away. */
    public Catalogue catalogueOrLastKnown() {
        return fresh.get();
    }

    /** Keeps an own or corrected type as a new version; the same id stores once. */
    @Transactional
    public void keep(UUID id, TubeType type) {
        Once.keep(
                () -> mapper.insert(
                        id,
                        type.designation(),
                        mapper.versions(type.designation()) + 1,
                        TUBE_TYPE.write(type),
                        OffsetDateTime.now(clock)),
                type,
                () -> TUBE_TYPE.read(mapper.body(id)),
                TUBE_TYPE::write,
                () -> StoredDifferently.now("This type"));
        fresh.forget();
    }

    /** When a type got its newest own figures, milliseconds since 1970; empty when it has none. */
    public Optional<Long> changedAt(String designation) {
        return Optional.ofNullable(mapper.changedAt(designation))
                .map(t -> t.toInstant().toEpochMilli());
    }

    /** Keeps the types a round is judged by, as they are now; their hashes. Unknown designations are left out. */
    @Transactional
    public TypeHashes snapshots(List<String> designations) {
        Catalogue now = catalogue();
        Map<String, String> hashes = new LinkedHashMap<>();
        for (String designation : designations) {
            if (now.find(designation) instanceof Lookup.Found found) {
                String hash = TUBE_TYPE.hash(found.type());
                mapper.keepSnapshot(hash, found.type().designation(), TUBE_TYPE.write(found.type()));
                hashes.put(designation, hash);
            }
        }
        return new TypeHashes(hashes);
    }

    /** The types as they are now, by designation; unknown designations are left out. */
    public Map<String, TubeType> now(List<String> designations) {
        Catalogue catalogue = catalogueOrLastKnown();
        Map<String, TubeType> types = new LinkedHashMap<>();
        for (String designation : designations) {
            if (catalogue.find(designation) instanceof Lookup.Found found) {
                types.put(designation, found.type());
            }
        }
        return types;
    }

    /** The types behind hashes of {@link #snapshots}, by designation. */
    public Map<String, TubeType> behind(TypeHashes hashes) {
        Map<String, TubeType> types = new LinkedHashMap<>();
        hashes.byDesignation()
                .forEach((designation, hash) ->
                        mapper.snapshot(hash).ifPresent(body -> types.put(designation, TUBE_TYPE.read(body))));
        return types;
    }
}
