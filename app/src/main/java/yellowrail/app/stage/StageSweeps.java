package yellowrail.app.stage;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Future;
import java.util.concurrent.Semaphore;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import yellowrail.core.reading.Show;
import yellowrail.core.stage.CleanIdle;
import yellowrail.core.stage.ComputedTarget;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.ScreenReport;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.stage.Sweep;
import yellowrail.core.stage.SweepPoint;
import yellowrail.core.tube.ModelTrust;

/** All sweeps of a setting and what follows from them, handed over piece by piece as they are computed. */
@Component
public class StageSweeps {
    /** More than this many readers at once only make each other late. */
    private static final int AT_ONCE = 4;

    /** What a piece tells; BUSY: others are being served, and the question should be asked again. */
    public enum Kind {
        POINT,
        TARGET,
        CLEAN,
        SCREENS,
        BUSY
    }

    /**
     * One piece of the answer.
     *
     * @param sweep which sweep the point belongs to; null with words
     * @param point null with words
     * @param words sentences; empty with a point
     */
    public record Piece(Kind kind, Sweep sweep, SweepPoint point, List<String> words) {
        static Piece told(Kind kind, String... words) {
            return new Piece(kind, null, null, List.of(words));
        }
    }

    /** Takes a piece; failing means that nobody listens any more. */
    @FunctionalInterface
    public interface Taker {
        void take(Piece piece) throws IOException;
    }

    private record Underway(Kind kind, Future<?> future, Function<Object, Piece> made) {}

    private final StageEngine engine;
    private final Semaphore readers = new Semaphore(AT_ONCE);

    StageSweeps(StageEngine engine) {
        this.engine = engine;
    }

    /** @throws IOException when the taker is gone; what was not begun is not computed */
    public void run(StageSetting setting, StageReader.Read read, TubeFacts facts, Taker taker)
            throws IOException, InterruptedException {
        if (!readers.tryAcquire()) {
            taker.take(Piece.told(Kind.BUSY));
            return;
        }
        List<Underway> all = new ArrayList<>();
        try {
            points(setting, all);
            words(setting, read, facts, all);
            for (Underway one : all) {
                taker.take(piece(one));
            }
            if (Double.isNaN(facts.screenWatts())) {
                taker.take(Piece.told(
                        Kind.SCREENS, "Screens: no limit of this type is known here, so nothing is said of them."));
            }
        } finally {
            all.forEach(one -> one.future().cancel(true));
            readers.release();
        }
    }

    private void points(StageSetting setting, List<Underway> all) {
        for (Sweep sweep : Sweep.values()) {
            for (double place : sweep.places()) {
                all.add(new Underway(
                        Kind.POINT,
                        engine.point(sweep, setting, place),
                        p -> new Piece(Kind.POINT, sweep, (SweepPoint) p, List.of())));
            }
        }
    }

    private void words(StageSetting setting, StageReader.Read read, TubeFacts facts, List<Underway> all) {
        ModelTrust trust = facts.curves().trust();
        double plateBand = trust.plateBand();
        all.add(new Underway(
                Kind.TARGET,
                engine.target(setting, facts.judge(read.highest()).within(read.margin())),
                t -> target((ComputedTarget) t, plateBand, read.margin())));
        all.add(new Underway(
                Kind.CLEAN,
                engine.clean(setting, read.clean()),
                c -> Piece.told(
                        Kind.CLEAN,
                        ((CleanIdle) c).reason() + " The shape of this is to be trusted, the size is not.")));
        if (!Double.isNaN(facts.screenWatts())) {
            all.add(new Underway(
                    Kind.SCREENS,
                    engine.screens(setting, facts.judge(read.highest())),
                    s -> new Piece(Kind.SCREENS, null, null, ((ScreenReport) s).words())));
        }
    }

    /** @param margin what the plates may reach, share of the rating: above 1 the answer lies above the rating */
    private static Piece target(ComputedTarget target, double band, double margin) {
        String kept = margin > 1
                ? "Hottest idle with the plates under " + Show.fixed(100 * margin, 0)
                        + " % of the rating, as you asked: that is above the rating. "
                : "Hottest idle that keeps the plates inside"
                        + (margin < 1 ? " " + Show.fixed(100 * margin, 0) + " % of the rating: " : ": ");
        String found = target.solved()
                ? (margin > 1 ? kept + "It is " : kept) + Show.fixed(100 * target.share(), 0) + " %. "
                : margin > 1 ? kept : "";
        return Piece.told(
                Kind.TARGET,
                found + target.reason() + " The model's ±" + Show.plain(100 * band, 2) + " % is kept as a margin.");
    }

    private static Piece piece(Underway one) throws InterruptedException {
        try {
            return one.made().apply(one.future().get());
        } catch (ExecutionException failed) {
            if (failed.getCause() instanceof NoSolution none) {
                return Piece.told(one.kind(), none.getMessage());
            }
            throw new IllegalStateException(failed.getCause());
        }
    }
}
