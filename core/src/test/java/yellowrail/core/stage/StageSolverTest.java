package yellowrail.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class StageSolverTest {
    static List<StageCases.Case> cases() {
        return StageCases.all();
    }

    private static void near(String what, double got, double wanted) {
        assertThat(got).as(what).isCloseTo(wanted, within(0.01 * Math.abs(wanted) + 1e-6));
    }

    /** Currents, powers and dissipations within 1 %, distortion and its first two harmonics within 0.1 point. */
    @ParameterizedTest
    @MethodSource("cases")
    void agreesWithIndependentSolutions(StageCases.Case c) {
        StageSolver solver = new StageSolver(c.stage());
        Cycle idle = solver.idle();
        for (int t = 0; t < idle.tubes().size(); t++) {
            near("idle Ip " + t, idle.tubes().get(t).plateAmperes(), c.idle().get("Ip")[t]);
            near("idle Ig2 " + t, idle.tubes().get(t).screenAmperes(), c.idle().get("Ig2")[t]);
        }
        for (StageCases.Level level : c.levels()) {
            Cycle cycle = solver.driven(level.peak());
            near("P", cycle.watts(), level.one("P"));
            near("P1", cycle.fundamentalWatts(), level.one("P1"));
            near("Vb", cycle.supplyVolts(), level.one("Vb"));
            near("Vpmax", cycle.plateMost(), level.one("Vpmax"));
            assertThat(100 * cycle.distortion()).as("THD").isCloseTo(level.one("THD"), within(0.1));
            for (int h = 0; h < 2; h++) {
                assertThat(100 * cycle.harmonics().get(h))
                        .as("H" + (h + 2))
                        .isCloseTo(level.values().get("H")[h], within(0.1));
            }
            for (int t = 0; t < cycle.tubes().size(); t++) {
                near("Ip", cycle.tubes().get(t).plateAmperes(), level.values().get("Ip")[t]);
                near("Ig2", cycle.tubes().get(t).screenAmperes(), level.values().get("Ig2")[t]);
                near("Pp", cycle.tubes().get(t).plateWatts(), level.values().get("Pp")[t]);
                near("Pg2", cycle.tubes().get(t).screenWatts(), level.values().get("Pg2")[t]);
            }
        }
    }
}
