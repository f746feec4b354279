package yellowrail.core.session;

import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Changed;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.EmergencyStop;
import yellowrail.core.session.events.Exchanged;
import yellowrail.core.session.events.LimiterSet;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.events.Turned;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.session.stops.TubesIn;

/** What can be wrong with readings, limits and times of a soak. */
final class PlantedReadings extends ProofBench {
    private PlantedReadings() {}

    static void plantAll() {
        plant("plate volts never read", true, () -> soak(good(), 5, 9, currents(31.6, 31.3)));
        plant("plate volts read once, then an hour of currents", true, () -> {
            Bench bench = soak(good(), 1, 5, pass(31.6, 31.3, 398));
            for (int i = 0; i < 6; i++) {
                currents(31.6, 31.3).accept(bench.minutes(10));
            }
            return bench;
        });
        plant("current moved six per cent since the volts", true, () -> {
            Bench bench = soak(good(), 1, 2, pass(29.6, 29.6, 398));
            currents(31.6, 31.6).accept(bench);
            return bench;
        });
        plant("only unloaded B+ known", true, () -> {
            Bench bench = Bench.pair(Purpose.FAULT)
                    .preflight()
                    .enters(Stops.DRAINED)
                    .drained()
                    .enters(Stops.TUBES_OUT);
            bench.did(new Declared(Power.ON_TUBES_OUT)).minutes(1).reads(Quantity.UNLOADED, "reservoir", 398);
            bench.did(new Skipped(Stops.TUBES_OUT, "x"))
                    .did(new Declared(Power.OFF))
                    .drained();
            bench.ticks(BeforePower.TUBES_COOL, TubesIn.KEYS)
                    .did(new Declared(Power.ON_TUBES_IN))
                    .minutes(10);
            for (int i = 0; i < 5; i++) {
                currents(31.6, 31.3).accept(bench.minutes(9));
            }
            return bench;
        });
        plant("limiter in series throughout", true, () -> {
            Bench bench = good();
            bench.did(new LimiterSet(true));
            return soak(bench, 5, 9, pass(31.6, 31.3, 398));
        });
        plant("limiter put in before the last readings", true, () -> {
            Bench bench = soak(good(), 4, 9, pass(31.6, 31.3, 398));
            bench.did(new LimiterSet(true));
            pass(31.6, 31.3, 398).accept(bench.minutes(9));
            return bench;
        });
        plant("limiter taken out, nothing read since", true, () -> {
            Bench bench = good();
            bench.did(new LimiterSet(true));
            soak(bench, 5, 9, pass(31.6, 31.3, 398));
            return bench.did(new LimiterSet(false));
        });
        plant(
                "mains never read",
                true,
                () -> soak(
                        Bench.pair(Purpose.YEARLY_CHECK)
                                .preflight()
                                .enters(Stops.DRAINED)
                                .drained()
                                .enters(Stops.MAINS)
                                .did(new Skipped(Stops.MAINS, "no meter"))
                                .did(new Declared(Power.ON_TUBES_IN)),
                        5,
                        9,
                        b -> b.round(31.6, 31.3, 398)));
        plant("mains read two hours ago", true, () -> {
            Bench bench = good();
            soak(bench, 1, 1, b -> b.round(31.6, 31.3, 398));
            bench.minutes(100);
            for (int i = 0; i < 5; i++) {
                bench.minutes(9).round(31.6, 31.3, 398);
            }
            return bench;
        });
        plant("mains of the run before", true, () -> {
            Bench bench = soak(good(), 1, 1, pass(31.6, 31.3, 398));
            bench.did(new Declared(Power.OFF))
                    .minutes(1)
                    .did(new Declared(Power.ON_TUBES_IN))
                    .minutes(10);
            for (int i = 0; i < 5; i++) {
                bench.minutes(9).round(31.6, 31.3, 398);
            }
            return bench;
        });
        plant(
                "mains below what the amp lives on",
                true,
                () -> soak(good(), 5, 9, b -> b.reads(Quantity.MAINS, "", 200).round(31.6, 31.3, 398)));
        plant(
                "one tube never read",
                true,
                () -> soak(
                        good(),
                        5,
                        9,
                        b -> b.reads(Quantity.MAINS, "", 230)
                                .reads(Quantity.PLATE, "V1", 398)
                                .reads(Quantity.CURRENT, "V1", 31.6 * Bench.OHMS / 1000)));
        plant("one tube read twice only", false, () -> {
            Bench bench = soak(good(), 2, 9, pass(31.6, 31.3, 398));
            for (int i = 0; i < 3; i++) {
                bench.minutes(9)
                        .reads(Quantity.MAINS, "", 230)
                        .reads(Quantity.PLATE, "V1", 398)
                        .reads(Quantity.CURRENT, "V1", 31.6 * Bench.OHMS / 1000);
            }
            return bench;
        });
        plant("soak of twenty minutes", false, () -> soak(good(), 5, 5, pass(31.6, 31.3, 398)));
        plant("two readings over an hour", false, () -> soak(good(), 2, 60, pass(31.6, 31.3, 398)));
        plant("three readings before the tenth minute", false, () -> {
            Bench bench = good();
            bench.enters(Stops.WARM_UP);
            for (int i = 0; i < 4; i++) {
                bench.minutes(2).round(31.6, 31.3, 398);
            }
            return bench;
        });
        plant("creeping tube still in the window", false, () -> creeping(0.25));
        plant("slowly creeping tube", false, () -> creeping(0.10));
        plant("accelerating tube", false, () -> curve(30.0, 30.1, 30.3, 30.7, 31.5, 32.8));
        plant("falling tube", false, () -> curve(33.4, 32.9, 32.4, 31.9, 31.4, 30.9));
        plant("jump in the last interval", false, () -> curve(31, 31, 31, 31, 31, 31.9));
        plant("jump and return inside the last interval", false, () -> {
            Bench bench = soak(good(), 5, 9, pass(31.6, 31.3, 398));
            pass(32.4, 31.3, 398).accept(bench.minutes(-7));
            pass(31.6, 31.3, 398).accept(bench.minutes(4));
            return bench;
        });
        plant("turned after the soak", true, () -> {
            Bench bench = soak(good(), 5, 9, pass(31.6, 31.3, 398));
            return bench.did(new Turned("V1 control", Optional.empty(), ""));
        });
        plant("turned after the soak and read once", false, () -> {
            Bench bench = soak(good(), 5, 9, pass(31.6, 31.3, 398));
            bench.did(new Turned("V1 control", Optional.empty(), ""));
            pass(31.6, 31.3, 398).accept(bench.minutes(1));
            return bench;
        });
        plant("power cycle in the middle of the soak", false, () -> {
            Bench bench = soak(good(), 3, 9, pass(31.6, 31.3, 398));
            bench.did(new Declared(Power.OFF))
                    .minutes(1)
                    .did(new Declared(Power.ON_TUBES_IN))
                    .minutes(10);
            for (int i = 0; i < 2; i++) {
                pass(31.6, 31.3, 398).accept(bench.minutes(9));
            }
            return bench;
        });
        plant("tubes exchanged after the soak", true, () -> afterwards(new Exchanged("V1", "V2")));
        plant("tube replaced after the soak", true, () -> afterwards(new Placed("V1", "another")));
        plant("part changed after the soak", true, () -> afterwards(new Changed("grid leak", "220k", "100k", "")));
        plant("emergency stop after the soak", false, () -> {
            Bench bench = soak(good(), 5, 9, pass(31.6, 31.3, 398));
            return bench.did(new EmergencyStop("smell"));
        });
        plant("before power skipped", false, () -> skipped(Stops.BEFORE_POWER));
        plant("drained skipped", false, () -> skipped(Stops.DRAINED));
        plant("clock set back during the soak", false, () -> {
            Bench bench = soak(good(), 5, 9, pass(31.6, 31.3, 398));
            bench.minutes(-60);
            for (int i = 0; i < 5; i++) {
                pass(31.6, 31.3, 398).accept(bench.minutes(9));
            }
            return bench;
        });
        plant("both tubes above the ceiling", true, () -> soak(good(), 5, 9, pass(42, 42, 398)));
        plant("one tube above the ceiling", true, () -> soak(good(), 5, 9, pass(31, 41.5, 398)));
        plant("ceiling inside the error band", true, () -> soak(coarse(), 5, 9, pass(39.8, 39.8, 398)));
        plant("above the rating", true, () -> soak(good(), 5, 9, pass(55, 55, 398)));
        plant("rating inside the error band", true, () -> soak(coarse(), 5, 9, pass(50, 50, 398)));
        plant("below the window", true, () -> soak(good(), 5, 9, pass(20, 20, 398)));
        plant("above the window", true, () -> soak(good(), 5, 9, pass(36, 36, 398)));
        plant("millivolts taken for milliamperes", true, () -> soak(good(), 5, 9, pass(316, 313, 398)));
        plant("current ten times too small", true, () -> soak(good(), 5, 9, pass(3.16, 3.13, 398)));
        plant("plate volts ten times too small", true, () -> soak(good(), 5, 9, pass(31.6, 31.3, 39.8)));
        plant("volts and current swapped in size", true, () -> soak(good(), 5, 9, pass(398, 398, 31.6)));
        plant(
                "design-maximum rating, bias held or not is an open question at highest mains",
                true,
                () -> soak(maximum(BiasScheme.FIXED_UNKNOWN), 5, 9, pass(31.6, 31.6, 398)));
        plant(
                "design-maximum rating that held bias may pass at highest mains",
                true,
                () -> soak(maximum(BiasScheme.FIXED_CONSTANT), 5, 9, pass(31.6, 31.6, 398)));
    }
}
