package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;

/**
 * Situations that look fine at a glance. Each is a session that would be proven but for one thing; none may end proven,
 * and none may stand in the window without a qualifier unless the window itself was never in doubt.
 */
class NeverProvenFalselyTest extends ProofBench {
    static {
        PlantedReadings.plantAll();
        PlantedCircumstances.plantAll();
    }

    @Test
    void thereAreAtLeastSixtyAndTheUnspoiledSessionIsProven() {
        assertThat(PLANTS).hasSizeGreaterThanOrEqualTo(60);
        Bench good = finished(good().soaked(31.6, 31.3, 398));
        assertThat(good.outcome().proof().open()).isEmpty();
        assertThat(good.judged().present().orElseThrow().verdict().allClear()).isTrue();
        // The way the plants are built is no reason of its own.
        Bench plain = goOn(soak(good(), 5, 9, pass(31.6, 31.3, 398)));
        assertThat(plain.outcome().proof().open()).isEmpty();
    }

    @TestFactory
    Stream<DynamicTest> noneEndsProven() {
        List<DynamicTest> tests = new ArrayList<>();
        PLANTS.forEach((name, plant) -> tests.add(DynamicTest.dynamicTest(name, () -> {
            Bench bench = plant.bench().get();
            if (plant.verdictToo()) {
                bench.judged()
                        .present()
                        .ifPresent(p -> assertThat(p.verdict().allClear())
                                .as(p.verdict().toString())
                                .isFalse());
            }
            Outcome outcome = goOn(bench).outcome();
            assertThat(outcome.proof().state()).isNotEqualTo(Proof.State.PROVEN);
            assertThat(outcome.proof().open()).isNotEmpty();
            assertThat(bench.replayed()).isEqualTo(bench.session.fingerprint());
        })));
        return tests.stream();
    }
}
