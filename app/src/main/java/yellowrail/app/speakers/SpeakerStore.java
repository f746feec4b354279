package yellowrail.app.speakers;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yellowrail.app.speakers.SpeakerMapper.NameRow;
import yellowrail.app.speakers.SpeakerMapper.SpeakerRow;
import yellowrail.app.store.Once;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.store.StoredShapes;
import yellowrail.app.store.StoredSpeaker;
import yellowrail.app.web.NotThere;
import yellowrail.core.load.CurveText;
import yellowrail.core.load.Speaker;

/** Speakers with a measured impedance, by name; the newest of a name is the one that is meant. */
@Service
public class SpeakerStore {
    /** Curves in memory; one of 50 000 points takes about a megabyte. */
    private static final int REMEMBERED = 12;

    private final SpeakerMapper mapper;
    private final Clock clock;
    private final Cache<UUID, KeptSpeaker> read =
            Caffeine.newBuilder().maximumSize(REMEMBERED).build();

    SpeakerStore(SpeakerMapper mapper, Clock clock) {
        this.mapper = mapper;
        this.clock = clock;
    }

    /** The newest of each name, by name: nothing of their curves is read. */
    List<NameRow> named() {
        return mapper.names();
    }

    public KeptSpeaker speaker(UUID id) {
        return read.get(id, this::stored);
    }

    /** Those that are meant by some words, by the word. */
    public Map<String, Speaker> named(Predicate<String> wanted) {
        Map<String, Speaker> named = new LinkedHashMap<>();
        for (NameRow row : mapper.names()) {
            if (wanted.test(row.name())) {
                named.put(row.name(), speaker(row.id()).speaker());
            }
        }
        return named;
    }

    private KeptSpeaker stored(UUID id) {
        SpeakerRow row = mapper.one(id).orElseThrow(() -> new NotThere("speaker " + id));
        StoredSpeaker body = StoredShapes.SPEAKER.read(row.body());
        return new KeptSpeaker(id, row.name(), new Speaker.Measured(body.impedance(), body.markedOhms()));
    }

    /**
     * Keeps a speaker; the same id with the same content stores once.
     *
     * @param text as it was given, which {@link CurveText} reads
     */
    @Transactional
    public void keep(UUID id, String name, Optional<Double> markedOhms, String text) {
        CurveText.Read read = CurveText.read(text);
        if (read.curve().isEmpty()) {
            throw new IllegalArgumentException(read.complaint());
        }
        SpeakerRow row = new SpeakerRow(id, name, StoredShapes.SPEAKER.write(StoredSpeaker.of(markedOhms, read, text)));
        Once.keep(
                () -> mapper.insert(row, OffsetDateTime.now(clock)),
                row,
                () -> mapper.one(id).orElseThrow(),
                r -> List.of(r.name(), StoredShapes.SPEAKER.read(r.body())),
                () -> StoredDifferently.now("This speaker"));
    }
}
