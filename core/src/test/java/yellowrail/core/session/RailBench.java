package yellowrail.core.session;

import java.util.Optional;

/** What the tests of this kind share. */
abstract class RailBench {
    static yellowrail.core.round.RoundReadings last(Bench bench) {
        var rounds = SessionRound.all(bench.session);
        return rounds.get(rounds.size() - 1).readings();
    }

    static HeaterCheck heater(double volts) {
        return HeaterCheck.of(volts, true, Optional.of(6.3), 5, 10);
    }
}
