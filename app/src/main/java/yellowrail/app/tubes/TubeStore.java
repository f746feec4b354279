package yellowrail.app.tubes;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yellowrail.app.json.CoreJson;
import yellowrail.app.json.Fresh;
import yellowrail.app.web.EachShown;
import yellowrail.app.web.StoredDifferently;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.TubeType;

/** The catalogue with the builder's own types, and the types as rounds were judged by them. */
@Service
public class TubeStore {
    private final OwnTypeMapper mapper;
    private final CoreJson json;
    private final Clock clock;
    private final Fresh<List<String>> broken = new Fresh<>(List.of(), () -> own().broken());
    private final Fresh<Catalogue> fresh;

    TubeStore(OwnTypeMapper mapper, CoreJson json, Clock clock) {
        this.mapper = mapper;
        this.json = json;
        this.clock = clock;
        // Read at the start, so that the shipped figures never stand in for corrected ones while the database is slow.
        this.fresh = new Fresh<>(catalogue(), this::catalogue);
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
        return EachShown.of(mapper.newest(), r -> json.read(r.body(), TubeType.class), OwnTypeRow::designation);
    }

    /** The catalogue for what saves nothing: some seconds old at most, or as last known while the database is away. */
    public Catalogue catalogueOrLastKnown() {
        return fresh.get();
    }

    /** Keeps an own or corrected type as a new version; the same id stores once. */
    @Transactional
    public void keep(UUID id, TubeType type) {
        int added = mapper.insert(
                id,
                type.designation(),
                mapper.versions(type.designation()) + 1,
                json.write(type),
                OffsetDateTime.now(clock));
        if (added == 0 && !json.holds(mapper.body(id), type, TubeType.class)) {
            throw StoredDifferently.now("This type");
        }
        fresh.forget();
    }

    /** When a type got its newest own figures, milliseconds since 1970; empty when it has none. */
    public Optional<Long> changedAt(String designation) {
        return Optional.ofNullable(mapper.changedAt(designation))
                .map(t -> t.toInstant().toEpochMilli());
    }

    /** Keeps the types a round is judged by, as they are now; designation to hash. Unknown designations are left out. */
    @Transactional
    public Map<String, String> snapshots(List<String> designations) {
        Catalogue now = catalogue();
        Map<String, String> hashes = new LinkedHashMap<>();
        for (String designation : designations) {
            if (now.find(designation) instanceof Lookup.Found found) {
                String body = json.write(found.type());
                String hash = CoreJson.hash(body);
                mapper.keepSnapshot(hash, found.type().designation(), body);
                hashes.put(designation, hash);
            }
        }
        return hashes;
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
    public Map<String, TubeType> behind(Map<String, String> hashes) {
        Map<String, TubeType> types = new LinkedHashMap<>();
        hashes.forEach((designation, hash) ->
                mapper.snapshot(hash).ifPresent(body -> types.put(designation, json.read(body, TubeType.class))));
        return types;
    }
}
