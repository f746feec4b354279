package yellowrail.app.stage;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;
import org.springframework.util.function.SingletonSupplier;
import yellowrail.core.amp.Duty;
import yellowrail.core.stage.CleanIdle;
import yellowrail.core.stage.ComputedTarget;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.GridSupply;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.OperatingChart;
import yellowrail.core.stage.ScreenReport;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageJudge;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.stage.Sweep;
import yellowrail.core.stage.SweepPoint;

/**
 * Computes stages and remembers what it computed, by content: equal settings are computed once. Sweeps run on threads of
 * their own and give way to pictures, so that a slider is answered first.
 */
@Component
public class StageEngine {
    /** Levels of drive in a picture. */
    static final int LEVELS = 24;

    /** Levels at highest mains, where only limits are read off. */
    private static final int LEVELS_AT_HIGHEST = 12;

    static final int PICTURES = 500;
    private static final int POINTS = 5000;
    private static final long GIVE_WAY_MILLIS = 200;

    /**
     * One thing a stage can turn out to be: the drive from idle to full at each mains it is judged at.
     *
     * @param atNominal at nominal mains, where the stage stands at lower ones
     */
    record Outcome(DriveSweep drive, Optional<DriveSweep> atNominal, DriveSweep atHighest) {}

    /**
     * A picture: the drive from idle to full, its chart, and the drive at higher mains.
     *
     * @param outcomes everything it can turn out to be, the one that is drawn first
     */
    public record Computed(Stage stage, List<Outcome> outcomes, Supplier<OperatingChart> drawn) {
        /** From idle to full at the mains it stands at. */
        public DriveSweep drive() {
            return outcomes.get(0).drive();
        }

        /** Made when first asked for: who only reads limits off does not pay for it. */
        OperatingChart chart() {
            return drawn.get();
        }
    }

    private record PictureKey(StageSetting setting, double highest) {}

    private record PointKey(Sweep sweep, StageSetting setting, double place) {}

    private record TargetKey(StageSetting setting, StageJudge judge) {}

    private record CleanKey(StageSetting setting, double most) {}

    private record ScreenKey(StageSetting setting, StageJudge judge) {}

    private final Cache<PictureKey, Computed> pictures =
            Caffeine.newBuilder().maximumSize(PICTURES).build();
    private final Cache<Object, Object> others =
            Caffeine.newBuilder().maximumSize(POINTS).build();
    private final AtomicInteger underway = new AtomicInteger();
    private final Object idle = new Object();
    private final ExecutorService sweeps = threads("sweep");
    private final ExecutorService halves = threads("picture");

    private static ExecutorService threads(String name) {
        return Executors.newFixedThreadPool(
                Math.max(1, Math.min(4, Runtime.getRuntime().availableProcessors())), task -> {
                    Thread thread = new Thread(task, name);
                    thread.setDaemon(true);
                    return thread;
                });
    }

    @PreDestroy
    void stop() {
        sweeps.shutdownNow();
        halves.shutdownNow();
    }

    /** @throws yellowrail.core.stage.NoSolution when the stage cannot be solved */
    public Computed picture(StageSetting setting, double highest) {
        underway.incrementAndGet();
        try {
            // What is played moves nothing in the stage: a picture holds all of it.
            return pictures.get(
                    new PictureKey(setting.playing(Duty.NOT_SAID), highest), key -> compute(setting, highest));
        } finally {
            if (underway.decrementAndGet() == 0) {
                synchronized (idle) {
                    idle.notifyAll();
                }
            }
        }
    }

    private Computed compute(StageSetting setting, double highest) {
        // Everything at once: a slider is waiting.
        List<StageSetting> outcomes = setting.outcomes();
        List<Future<DriveSweep>> highs =
                outcomes.stream().map(o -> limits(o.mains(highest))).toList();
        List<Future<DriveSweep>> nominals = setting.mains() < 1
                ? outcomes.stream().map(o -> limits(o.mains(1))).toList()
                : List.of();
        Stage stage = setting.stage();
        DriveSweep drive = DriveSweep.of(stage, LEVELS);
        List<Outcome> all = new ArrayList<>();
        for (int i = 0; i < outcomes.size(); i++) {
            // At nominal mains a grid supply stands where it stands, whether it would follow or not.
            DriveSweep now = i == 0 || setting.mains() == 1
                    ? drive
                    : DriveSweep.of(outcomes.get(i).stage(), LEVELS);
            Optional<DriveSweep> nominal = nominals.isEmpty() ? Optional.empty() : Optional.of(solved(nominals.get(i)));
            all.add(new Outcome(now, nominal, solved(highs.get(i))));
        }
        return new Computed(stage, all, SingletonSupplier.of(() -> OperatingChart.of(stage, drive)));
    }

    private Future<DriveSweep> limits(StageSetting setting) {
        return halves.submit(() -> DriveSweep.of(setting.stage(), LEVELS_AT_HIGHEST));
    }

    private static DriveSweep solved(Future<DriveSweep> future) {
        try {
            return future.get();
        } catch (ExecutionException failed) {
            throw failed.getCause() instanceof NoSolution none ? none : new IllegalStateException(failed.getCause());
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(stopped);
        }
    }

    public Future<SweepPoint> point(Sweep sweep, StageSetting setting, double place) {
        return later(new PointKey(sweep, content(sweep, setting), place), () -> SweepPoint.of(sweep, setting, place));
    }

    /** What is swept does not belong to the content of a point: a moved slider keeps its own sweep. */
    private static StageSetting content(Sweep sweep, StageSetting setting) {
        return switch (sweep) {
            case IDLE -> setting.idle(1);
            case LOAD -> setting.load(1);
            case MAINS_TRACKING, MAINS_CONSTANT, MAINS_CATHODE ->
                setting.mains(1).with(GridSupply.FOLLOWS);
            case MISMATCH -> setting;
        };
    }

    public Future<ComputedTarget> target(StageSetting setting, StageJudge judge) {
        StageSetting marked = marked(setting);
        return later(new TargetKey(marked, judge), () -> ComputedTarget.of(marked, judge));
    }

    /** The same, remembered; for what is asked with every page. */
    ComputedTarget targetRemembered(StageSetting setting, StageJudge judge) {
        StageSetting marked = marked(setting);
        return remembered(new TargetKey(marked, judge), () -> ComputedTarget.of(marked, judge));
    }

    /** Whatever the sliders say of idle and mains. */
    private static StageSetting marked(StageSetting setting) {
        return setting.mains(1).idle(1);
    }

    public Future<CleanIdle> clean(StageSetting setting, double most) {
        return later(new CleanKey(setting.idle(1).playing(Duty.NOT_SAID), most), () -> CleanIdle.of(setting, most));
    }

    public Future<ScreenReport> screens(StageSetting setting, StageJudge judge) {
        return later(new ScreenKey(setting, judge), () -> ScreenReport.of(setting, judge));
    }

    private <T> Future<T> later(Object key, Supplier<T> compute) {
        Callable<T> task = () -> {
            giveWay();
            return remembered(key, compute);
        };
        return sweeps.submit(task);
    }

    @SuppressWarnings("unchecked")
    private <T> T remembered(Object key, Supplier<T> compute) {
        // Keys are of a type for each kind of answer, so that the answer is of the kind asked for.
        return (T) others.get(key, k -> compute.get());
    }

    /** Waits while a picture is computed, though not for ever. */
    private void giveWay() throws InterruptedException {
        synchronized (idle) {
            if (underway.get() > 0) {
                idle.wait(GIVE_WAY_MILLIS);
            }
        }
    }

    /** What is kept now, for the bound's test. */
    List<Long> sizes() {
        pictures.cleanUp();
        others.cleanUp();
        return List.of(pictures.estimatedSize(), others.estimatedSize());
    }
}
