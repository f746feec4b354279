package yellowrail.app.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyDouble;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import yellowrail.core.amp.Duty;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Judgement;
import yellowrail.core.judging.Standing;
import yellowrail.core.judging.Value;
import yellowrail.core.stage.CleanIdle;
import yellowrail.core.stage.ComputedTarget;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.ScreenReport;
import yellowrail.core.stage.StageJudgement;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.stage.SweepPoint;
import yellowrail.core.stage.When;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.TubeModels;
import yellowrail.core.tube.TypeCurves;

/** Pieces are handed over in order; a reader that is gone stops what was not begun. */
class StageSweepsTest {
    private final StageEngine engine = mock(StageEngine.class);
    private final StageSweeps sweeps = new StageSweeps(engine);
    private final TubeFacts facts = new TubeFacts(
            ((Lookup.Found) Catalogue.shipped().find("6L6GC")).type(),
            new TypeCurves(
                    TubeModels.of("6L6GC").orElseThrow(), ModelTrust.of("6L6GC").orElseThrow(), "", false),
            Optional.empty(),
            List.of());
    private final StageReader.Read read = StageReader.read(StageForm.from(""), TubeFactsOf.Answer.of(facts));
    private final StageSetting setting = read.setting().orElseThrow();

    private static SweepPoint point() {
        return new SweepPoint(1, 20, 50, 0.02, 0.002, 0, 21, 4, 770, 450, 0.1, 0.3, 0, "");
    }

    /** 4.9 W of 5 W, with the model's band. */
    private StageJudgement screens() {
        Value value = Value.computed(4.9, facts.curves().trust().screenBand());
        return new StageJudgement(
                DriveLimit.SCREEN_WATTS,
                When.DRIVE,
                At.NOW,
                1,
                value,
                Optional.of(new Judgement(
                        DriveLimit.SCREEN_WATTS, false, facts.ratings(), At.NOW, 1, value, 5, Standing.TOO_CLOSE)),
                Standing.TOO_CLOSE,
                "",
                Duty.MUSIC,
                Map.of());
    }

    @BeforeEach
    void answers() {
        when(engine.point(any(), any(), anyDouble())).thenAnswer(i -> CompletableFuture.completedFuture(point()));
        when(engine.target(any(), any()))
                .thenReturn(CompletableFuture.completedFuture(new ComputedTarget(21, 0.7, true, "Because.")));
        when(engine.clean(any(), anyDouble()))
                .thenReturn(CompletableFuture.completedFuture(new CleanIdle(Optional.of(0.5), "From 50 % on.")));
        when(engine.screens(any(), any()))
                .thenReturn(CompletableFuture.completedFuture(
                        new ScreenReport(screens(), Duty.MUSIC, Optional.empty(), Optional.empty(), 4.8, List.of())));
    }

    private List<StageSweeps.Piece> run() throws Exception {
        List<StageSweeps.Piece> pieces = new ArrayList<>();
        sweeps.run(setting, read, facts, pieces::add);
        return pieces;
    }

    @Test
    void pointsComeFirstThenWhatFollows() throws Exception {
        List<StageSweeps.Piece> pieces = run();
        assertThat(pieces).hasSize(46 + 3);
        assertThat(pieces.subList(0, 46)).allMatch(p -> p.kind() == StageSweeps.Kind.POINT);
        assertThat(pieces.get(46).words())
                .containsExactly(
                        "Hottest idle that keeps the plates inside: 70 %. Because. The model's ±4.2 % is kept as a margin.");
        // 4.9 W of 5 W with a band of a quarter is not known.
        assertThat(pieces.get(48).words().get(0)).contains("too close to call");
        verify(engine).target(setting, facts.judge(1.1).within(1));
    }

    @Test
    void whatHasNoSolutionIsSaidInItsPlace() throws Exception {
        when(engine.clean(any(), anyDouble()))
                .thenReturn(CompletableFuture.failedFuture(new NoSolution("No bias reaches it.")));
        assertThat(run().get(47).words()).containsExactly("No bias reaches it.");
        when(engine.clean(any(), anyDouble()))
                .thenReturn(CompletableFuture.failedFuture(new IllegalStateException("broken")));
        assertThatThrownBy(this::run).isInstanceOf(IllegalStateException.class);
    }

    @Test
    void aReaderThatIsGoneStopsTheRest() {
        List<Future<SweepPoint>> asked = new ArrayList<>();
        when(engine.point(any(), any(), anyDouble())).thenAnswer(i -> {
            Future<SweepPoint> future =
                    asked.isEmpty() ? CompletableFuture.completedFuture(point()) : new CompletableFuture<SweepPoint>();
            asked.add(future);
            return future;
        });
        assertThatThrownBy(() -> sweeps.run(setting, read, facts, piece -> {
                    throw new IOException("gone");
                }))
                .isInstanceOf(IOException.class);
        assertThat(asked).hasSize(46);
        assertThat(asked.subList(1, 46)).allMatch(Future::isCancelled);
    }

    @Test
    void aFifthReaderIsToldToAskAgain() throws Exception {
        CountDownLatch inside = new CountDownLatch(4);
        CountDownLatch leave = new CountDownLatch(1);
        List<Thread> readers = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            Thread reader = new Thread(() -> {
                try {
                    sweeps.run(setting, read, facts, piece -> {
                        inside.countDown();
                        try {
                            leave.await();
                        } catch (InterruptedException stopped) {
                            throw new IOException(stopped);
                        }
                    });
                } catch (IOException | InterruptedException stopped) {
                    Thread.currentThread().interrupt();
                }
            });
            reader.start();
            readers.add(reader);
        }
        inside.await();
        assertThat(run()).singleElement().matches(p -> p.kind() == StageSweeps.Kind.BUSY);
        leave.countDown();
        for (Thread reader : readers) {
            reader.join();
        }
        assertThat(run()).hasSize(49);
    }
}
