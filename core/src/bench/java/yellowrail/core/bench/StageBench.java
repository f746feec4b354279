package yellowrail.core.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;
import yellowrail.core.tube.Connection;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.OperatingChart;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.stage.StageSolver;
import yellowrail.core.stage.Sweep;
import yellowrail.core.stage.SweepPoint;

/** What a computed stage costs: one level of drive, a whole picture, and all sweeps on two cores. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(2)
public class StageBench {
    private final StageSetting fixed = Stages.pair(Connection.PENTODE, Biasing.fixed(-40));
    private final StageSetting cathode = Stages.pair(Connection.ULTRALINEAR, Biasing.cathode(250, true));
    private final StageSolver warm = new StageSolver(fixed.stage());
    private final ExecutorService twoCores = Executors.newFixedThreadPool(2);
    private double peak = 30;

    /** A step from a neighbouring level, as a sweep over drive takes it. */
    @Benchmark
    public Cycle oneLevel() {
        peak = peak == 30 ? 32 : 30;
        return warm.driven(peak);
    }

    @Benchmark
    public DriveSweep idleAndTwentyFourLevels() {
        return DriveSweep.of(fixed.stage(), 24);
    }

    @Benchmark
    public DriveSweep idleAndTwentyFourLevelsOfACathodeBiasedUltralinear() {
        return DriveSweep.of(cathode.stage(), 24);
    }

    @Benchmark
    public OperatingChart pictureWithChart() {
        var stage = fixed.stage();
        return OperatingChart.of(stage, DriveSweep.of(stage, 24));
    }

    @Benchmark
    public List<SweepPoint> idleLoadAndMainsSweepsOnTwoCores() throws Exception {
        List<Callable<SweepPoint>> jobs = new ArrayList<>();
        for (Sweep sweep : Sweep.values()) {
            if (sweep != Sweep.MISMATCH) {
                sweep.places().forEach(place -> jobs.add(() -> SweepPoint.of(sweep, fixed, place)));
            }
        }
        List<SweepPoint> points = new ArrayList<>();
        for (Future<SweepPoint> point : twoCores.invokeAll(jobs)) {
            points.add(point.get());
        }
        return points;
    }

    @TearDown(Level.Trial)
    public void stop() {
        twoCores.shutdownNow();
    }
}
