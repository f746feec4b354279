package yellowrail.app.results;

import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yellowrail.app.store.Once;
import yellowrail.app.store.StoredDifferently;
import yellowrail.app.store.StoredResult;
import yellowrail.app.store.StoredShapes;
import yellowrail.app.web.NotThere;
import yellowrail.core.experiment.MeasuredPoint;
import yellowrail.core.reading.Show;

/** Results of an amp: kept once, never changed; a correction supersedes. */
@Service
public class ResultStore {
    /** Digits that give back every typed figure and hide what binary fractions add. */
    static final int AS_TYPED = 12;

    private final ResultMapper mapper;

    ResultStore(ResultMapper mapper) {
        this.mapper = mapper;
    }

    /** Keeps a result; the same id with the same content stores once. */
    @Transactional
    public void keep(BenchResult r) {
        String body = StoredShapes.RESULT.write(new StoredResult(r.factors(), r.points(), r.note()));
        Once.keep(
                () -> mapper.insert(new ResultRow(r.id(), r.ampId(), r.takenAt(), body, r.supersedes())),
                r,
                () -> one(r.id()),
                BenchResult::content,
                () -> StoredDifferently.now("This result"),
                () -> new StoredDifferently(
                        "This result was corrected meanwhile. Reload the page and correct the newest"
                                + " one if it is wrong."));
    }

    BenchResult one(UUID id) {
        return mapper.one(id).map(this::read).orElseThrow(() -> new NotThere("result " + id));
    }

    /** Results of an amp that hold, oldest first; a corrected one stands where the first stood. */
    public List<BenchResult> holding(UUID ampId) {
        List<BenchResult> all = all(ampId);
        Set<UUID> superseded = all.stream()
                .map(BenchResult::supersedes)
                .filter(id -> id != null)
                .collect(Collectors.toSet());
        return all.stream().filter(r -> !superseded.contains(r.id())).toList();
    }

    List<BenchResult> all(UUID ampId) {
        return mapper.ofAmp(ampId).stream().map(this::read).toList();
    }

    /** The newest result's points as they are typed, for the stage; empty when there is none. */
    public String newestAsText(UUID ampId) {
        List<BenchResult> all = holding(ampId);
        return all.isEmpty() ? "" : text(all.get(all.size() - 1).points());
    }

    static String text(List<MeasuredPoint> points) {
        return points.stream()
                .map(p -> String.join(
                        "; ",
                        p.level(),
                        p.hertz().map(h -> Show.plain(h, AS_TYPED)).orElse(""),
                        Show.plain(p.watts(), AS_TYPED),
                        Show.plain(100 * p.distortion(), AS_TYPED)))
                .collect(Collectors.joining("\n"));
    }

    private BenchResult read(ResultRow row) {
        StoredResult body = StoredShapes.RESULT.read(row.body());
        return new BenchResult(
                row.id(), row.ampId(), row.takenAt(), body.factors(), body.points(), body.note(), row.supersedes());
    }
}
