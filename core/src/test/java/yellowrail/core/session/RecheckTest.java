package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Memory.Exactness;
import yellowrail.core.session.Memory.WasRead;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.Stops;

/** With outside test points alone: currents against last time's, at one mains, and never more than that. */
class RecheckTest {
    private static final AmpDescription PAIR = Bench.amp(BiasScheme.FIXED_TRACKING, ControlLayout.PER_TUBE, 2, false);

    private static Bench worked(Access access, boolean turns, boolean soaks, Memory memory) {
        return new Bench(Plan.usual(PAIR, Purpose.YEARLY_CHECK, Meter.FINE)
                .worked(new Setup(access, turns, soaks, List.of(), memory)));
    }

    private static Memory left(double amperes, Optional<Double> mains) {
        return left(amperes, Meter.FINE.name(), mains);
    }

    private static Memory left(double amperes, String meter, Optional<Double> mains) {
        WasRead was = new WasRead(amperes, new Exactness(meter, 0.011, 0.002), mains, Optional.of(0.62), 1);
        return new Memory(Map.of(), Map.of(), List.of(), Optional.empty(), Map.of("V1", was, "V2", was));
    }

    private static Bench atPoints(Memory memory) {
        return worked(Access.TEST_POINTS, false, true, memory)
                .did(new Declared(Power.OFF))
                .ticks(BeforePower.LOAD, BeforePower.CONTROLS_DOWN, BeforePower.QUIRKS)
                .reads(Quantity.LOAD_OHMS, "", 8)
                .enters(Stops.MAINS)
                .did(new Declared(Power.ON_TUBES_IN))
                .minutes(11);
    }

    private static Proof.State recheck(Bench bench, double mains, double first, double second) {
        bench.reads(Quantity.MAINS, "", mains)
                .reads(Quantity.CURRENT, "V1", first * Bench.OHMS / 1000)
                .reads(Quantity.CURRENT, "V2", second * Bench.OHMS / 1000);
        return bench.outcome().proof().state();
    }

    @ParameterizedTest
    @CsvSource({
        // as it was left; 2 % off; 4 % off; carried from another mains; one of two off; the exponent's band decides
        "230, 31.6, 31.6, RECHECK_AGREES",
        "230, 32.2, 31.0, RECHECK_AGREES",
        "230, 32.9, 31.6, RECHECK_DIFFERS",
        "238, 33.3, 33.3, RECHECK_AGREES",
        "238, 31.6, 31.6, RECHECK_DIFFERS",
        "230, 31.6, 30.2, RECHECK_DIFFERS",
        "250, 34.8, 36.0, RECHECK_OPEN"
    })
    void aRecheckComparesAtOneMains(double mains, double first, double second, Proof.State state) {
        assertThat(recheck(atPoints(left(0.0316, Optional.of(230.0))), mains, first, second))
                .isEqualTo(state);
    }

    @ParameterizedTest
    @CsvSource({
        // one digit more of a coarse meter; another meter; the same one
        "fine handheld, 31.7, 0.1, RECHECK_AGREES",
        "fine handheld, 32, 1, RECHECK_AGREES",
        "fine handheld, 33, 1, RECHECK_OPEN",
        "fine handheld, 34, 1, RECHECK_DIFFERS",
        "fine handheld, 32.3, 0.1, RECHECK_AGREES",
        "handheld, 32.3, 0.1, RECHECK_OPEN",
        "handheld, 31.9, 0.1, RECHECK_AGREES",
        "handheld, 32.7, 0.1, RECHECK_OPEN",
        "fine handheld, 32.8, 0.1, RECHECK_DIFFERS"
    })
    void whatTheMeterLeavesOpenIsTooClose(String meter, double milliamperes, double digit, Proof.State state) {
        Bench bench = atPoints(left(0.0316, meter, Optional.of(230.0)));
        bench.reads(Quantity.MAINS, "", 230);
        for (String point : List.of("V1", "V2")) {
            double share = Bench.OHMS / 1000;
            bench.did(Read.of(Quantity.CURRENT, point, new Typed("", milliamperes * share, Unit.VOLT, digit * share)));
        }
        assertThat(bench.outcome().proof().state()).isEqualTo(state);
    }

    @Test
    void aRecheckIsNeverMoreThanThat() {
        Bench bench = atPoints(left(0.0316, Optional.of(230.0)));
        // Not before it is warm.
        bench.now -= 6 * 60_000;
        assertThat(recheck(bench, 230, 31.6, 31.6)).isEqualTo(Proof.State.RECHECK_OPEN);
        bench.minutes(6);
        assertThat(recheck(bench, 230, 31.6, 31.6)).isEqualTo(Proof.State.RECHECK_AGREES);
        assertThat(bench.outcome().tubes()).noneMatch(Outcome.BeforeAfter::allClear);
        assertThat(bench.outcome().tubes()).allMatch(t -> t.afterWatts().isEmpty());
        assertThat(bench.session.stops()).doesNotContain(Stops.DRAINED, Stops.SOAK, Stops.PLAY, Stops.CLOSE);
        // Nothing to compare with, or not at one mains.
        assertThat(recheck(atPoints(Memory.NONE), 230, 31.6, 31.6)).isEqualTo(Proof.State.RECHECK_OPEN);
        assertThat(recheck(atPoints(left(0.0316, Optional.empty())), 230, 31.6, 31.6))
                .isEqualTo(Proof.State.RECHECK_OPEN);
    }
}
