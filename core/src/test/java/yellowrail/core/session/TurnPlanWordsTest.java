package yellowrail.core.session;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import yellowrail.core.Pinned;

/** A few of the simulated evenings of turning, outcome for outcome: what the thousand tell only in sums is noticed here. */
class TurnPlanWordsTest {
    private static final int AMPS = 5;

    @Test
    void areWhatTheyWere() throws IOException {
        List<String> lines = new ArrayList<>();
        for (boolean held : new boolean[] {false, true}) {
            for (boolean basic : new boolean[] {false, true}) {
                for (int seed = 0; seed < AMPS; seed++) {
                    SimulatedTurns amp = new SimulatedTurns(9_000 + seed, held, basic);
                    lines.add((held ? "held " : "follows ") + (basic ? "basic " : "handheld ") + seed + ": "
                            + Pinned.figures(amp.turn()) + amp.course());
                }
            }
        }
        Pinned.same("turn-plans.txt", lines);
    }
}
