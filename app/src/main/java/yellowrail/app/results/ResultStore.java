package yellowrail.app.results;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yellowrail.app.json.CoreJson;
import yellowrail.app.web.NotThere;
import yellowrail.app.web.StoredDifferently;
import yellowrail.core.experiment.MeasuredPoint;
import yellowrail.core.reading.Show;

/** Results of an amp: kept once, never changed; a correction supersedes. */
@Service
public class ResultStore {
    /** Digits that give back every typed figure and hide what binary fractions add. */
    static final int AS_TYPED = 12;

    record Body(Map<String, String> factors, List<MeasuredPoint> points, String note) {}

    private final ResultMapper mapper;
    private final CoreJson json;

    ResultStore(ResultMapper mapper, CoreJson json) {
        this.mapper = mapper;
        this.json = json;
    }

    /** Keeps a result; the same id with the same content stores once. */
    @Transactional
    public void keep(BenchResult r) {
        String body = json.write(new Body(r.factors(), r.points(), r.note()));
        try {
            if (mapper.insert(new ResultRow(r.id(), r.ampId(), r.takenAt(), body, r.supersedes())) == 0
                    && !sameContent(one(r.id()), r)) {
                throw StoredDifferently.now("This result");
            }
        } catch (DuplicateKeyException raced) {
            throw new StoredDifferently(
                    "This result was corrected meanwhile. Reload the page and correct the newest one if it is wrong.");
        }
    }

    private static boolean sameContent(BenchResult stored, BenchResult sent) {
        return stored.ampId().equals(sent.ampId())
                && stored.factors().equals(sent.factors())
                && stored.points().equals(sent.points())
                && stored.note().equals(sent.note())
                && Objects.equals(stored.supersedes(), sent.supersedes());
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
        Body body = json.read(row.body(), Body.class);
        return new BenchResult(
                row.id(), row.ampId(), row.takenAt(), body.factors(), body.points(), body.note(), row.supersedes());
    }
}
