package yellowrail.app.swap;

import static yellowrail.app.store.StoredShapes.ANSWERS;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yellowrail.app.stage.OnStage;
import yellowrail.app.store.Once;
import yellowrail.app.store.StoredAnswers;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.swap.KeptAnswersMapper.AnswersRow;

/** What was answered of everything around an amp's tubes is asked once, and stays with the amp. */
@Service
class KeptAnswers {
    private final KeptAnswersMapper mapper;
    private final Clock clock;

    KeptAnswers(KeptAnswersMapper mapper, Clock clock) {
        this.mapper = mapper;
        this.clock = clock;
    }

    /**
     * Answers with when they were kept.
     *
     * @param texts those that still hold, by the names of their fields
     */
    record Kept(Map<String, String> texts, OffsetDateTime at) {}

    /** Keeps what a sheet answers of its amp. The same id stores once. */
    @Transactional
    public void keep(UUID id, UUID ampId, int channel, int version, OnStage form, String device) {
        Map<String, String> answers = new LinkedHashMap<>();
        SwapFields.OF_THE_AMP.stream().filter(f -> !form.blank(f)).forEach(f -> answers.put(f.name(), form.text(f)));
        CandidateFields.typed(form).stream()
                .filter(c -> !form.blank(c.sleeve()))
                .forEach(c -> answers.put(AmpAround.sleeve(form.text(c.type())), form.text(c.sleeve())));
        AnswersRow row = new AnswersRow(
                id,
                ampId,
                channel,
                ANSWERS.write(new StoredAnswers(version, answers)),
                device,
                OffsetDateTime.now(clock));
        Once.keep(
                () -> mapper.insert(row),
                row,
                () -> mapper.answers(id).orElseThrow(),
                r -> List.of(r.ampId(), r.channel(), ANSWERS.read(r.body())),
                () -> StoredDifferently.now("These answers"));
    }

    /**
     * The newest ones of a channel.
     *
     * @param version of the amp's description now: what a swap may have changed was told of an earlier one
     */
    Optional<Kept> of(UUID ampId, int channel, int version) {
        return mapper.newest(ampId, channel).map(row -> {
            StoredAnswers stored = ANSWERS.read(row.body());
            Map<String, String> texts = new LinkedHashMap<>(stored.answers());
            if (stored.version() != version) {
                SwapFields.CHANGED_BY_WORK.forEach(f -> texts.remove(f.name()));
            }
            return new Kept(texts, row.keptAt());
        });
    }
}
