package yellowrail.core.bench;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.stage.Biasing;
import yellowrail.core.swap.Chassis;
import yellowrail.core.swap.Present;
import yellowrail.core.swap.SolvedStage;
import yellowrail.core.swap.SwapCandidate;
import yellowrail.core.swap.SwapQuestion;
import yellowrail.core.swap.SwapSheet;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.TubeModels;
import yellowrail.core.tube.TubeType;
import yellowrail.core.tube.TypeCurves;

/** What a sheet costs once the present stage is solved, which all candidates share. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(2)
public class SwapBench {
    private final Present present = present();
    private final SolvedStage solved = SolvedStage.before(present);

    private static TubeType type(String name) {
        return ((Lookup.Found) Catalogue.shipped().find(name)).type();
    }

    private static Present present() {
        TubeType type = type("6L6GC");
        return new Present(
                type,
                type.strictest().orElseThrow(),
                ModelTrust.of("6L6GC").orElseThrow(),
                Stages.pair(Connection.PENTODE, Biasing.fixed(-40)),
                BiasScheme.FIXED_TRACKING,
                0.9,
                1.1, 1, List.of());
    }

    @Benchmark
    public SwapSheet oneSheet() {
        TubeType type = type("EL34");
        return SwapSheet.of(
                new SwapQuestion(
                        present,
                        Chassis.unanswered(1),
                        new SwapCandidate(
                                type,
                                type.editions(Optional.empty()),
                                Optional.of(new TypeCurves(
                                        TubeModels.of("EL34").orElseThrow(),
                                        ModelTrust.of("EL34").orElseThrow(),
                                        "",
                                        false)),
                                2,
                                Connection.PENTODE,
                                0.5,
                                0.6,
                                Optional.empty())),
                p -> solved);
    }
}
