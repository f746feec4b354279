package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import yellowrail.core.adjust.SupplySag;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Exchanged;
import yellowrail.core.session.events.Moved;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Turned;
import yellowrail.core.session.events.Voided;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.session.stops.TubesIn;

/** What a session leaves behind: before and after of each tube, the supply's figure, what was changed of readings. */
class OutcomeTest {
    @Test
    void beforeAndAfterAreComparedForTheTubeNotTheSocket() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().enters(Stops.WARM_UP);
        bench.minutes(11).round(31.6, 28.0, 398);
        bench.did(new Declared(Power.OFF)).minutes(5).drained().ticks(BeforePower.TUBES_COOL);
        bench.did(new Exchanged("V1", "V2")).ticks(TubesIn.KEYS);
        bench.did(new Declared(Power.ON_TUBES_IN)).minutes(11).reads(Quantity.MAINS, "", 230);
        bench.round(28.2, 31.2, 398);
        List<Outcome.BeforeAfter> tubes = bench.outcome().tubes();
        assertThat(tubes.get(0).beforeAmperes().orElseThrow()).isCloseTo(0.0280, within(1e-5));
        assertThat(tubes.get(0).ratio().orElseThrow()).isCloseTo(28.2 / 28.0, within(1e-3));
        assertThat(tubes.get(1).beforeAmperes().orElseThrow()).isCloseTo(0.0316, within(1e-5));
    }

    @Test
    void aTubeThatCameInIsComparedWithTheOneBeforeIt() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().enters(Stops.WARM_UP);
        bench.minutes(11).round(31.6, 28.0, 398);
        bench.did(new Declared(Power.OFF)).minutes(5).drained().ticks(BeforePower.TUBES_COOL);
        bench.did(new Placed("V1", "T-9")).ticks(TubesIn.KEYS);
        bench.did(new Declared(Power.ON_TUBES_IN)).minutes(11).reads(Quantity.MAINS, "", 230);
        bench.round(30.0, 28.0, 398);
        Outcome.BeforeAfter first = bench.outcome().tubes().get(0);
        assertThat(first.tube()).isEqualTo("T-9");
        assertThat(first.beforeAmperes().orElseThrow()).isCloseTo(0.0316, within(1e-5));
    }

    @Test
    void theSupplyIsNotFittedToCurrentsBesideOldVolts() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().enters(Stops.WARM_UP);
        bench.minutes(11).round(25.8, 25.8, 406.8).minutes(1);
        bench.did(new Turned("V1 control", java.util.Optional.empty(), ""));
        bench.minutes(1).round(34.5, 34.5, 394.2);
        assertThat(bench.judged().sag()).isInstanceOf(SupplySag.Known.class);
        double ohms = ((SupplySag.Known) bench.judged().sag()).ohms();
        bench.minutes(7).reads(Quantity.CURRENT, "V1", 0.33).reads(Quantity.CURRENT, "V2", 0.33);
        bench.minutes(2).reads(Quantity.CURRENT, "V1", 0.32).reads(Quantity.CURRENT, "V2", 0.32);
        assertThat(((SupplySag.Known) bench.judged().sag()).ohms()).isEqualTo(ohms);
    }

    @Test
    void whatWasChangedOfReadingsIsInTheLog() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp().enters(Stops.WARM_UP);
        bench.minutes(11).round(31.6, 28.0, 398);
        RecordedReading plate = bench.session.last(Quantity.PLATE, "V1").orElseThrow();
        RecordedReading current = bench.session.last(Quantity.CURRENT, "V2").orElseThrow();
        bench.did(new Read(Quantity.PLATE, "V1", new Typed("389 V", 389, Unit.VOLT, 1), plate.id(), "upside down"));
        bench.did(new Moved(current.id(), "V1", "wrong probe"));
        assertThat(bench.tell(new Moved(current.id(), "V1", "again")).orElseThrow())
                .contains("already");
        RecordedReading moved = bench.session.last(Quantity.CURRENT, "V1").orElseThrow();
        assertThat(bench.tell(new Moved(moved.id(), "V9", "x")).orElseThrow()).contains("no sense point");
        assertThat(bench.tell(new Moved(moved.id(), "V1", "x")).orElseThrow()).contains("stands at");
        assertThat(bench.tell(new Voided(moved.id(), " ")).orElseThrow()).contains("Say why");
        bench.did(new Voided(moved.id(), "not sure"));
        assertThat(bench.session.last(Quantity.CURRENT, "V2")).isEmpty();
        assertThat(bench.outcome().changes())
                .anyMatch(c -> c.contains("plate volts V1 of 398.0 V corrected to 389 V: upside down."))
                .anyMatch(c -> c.contains("moved to V1: wrong probe."))
                .anyMatch(c -> c.contains("taken back: not sure."));
        assertThat(bench.session.amendments())
                .hasSize(3)
                .allMatch(a -> a.reason().length() > 3);
        assertThat(bench.replayed()).isEqualTo(bench.session.fingerprint());
    }
}
