package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.reading.Accuracy;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Aimed;
import yellowrail.core.session.events.Changed;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.EmergencyStop;
import yellowrail.core.session.events.Entered;
import yellowrail.core.session.events.Exchanged;
import yellowrail.core.session.events.LimiterSet;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.events.Ticked;
import yellowrail.core.session.events.Turned;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.DrainAndClose;
import yellowrail.core.session.stops.Drained;
import yellowrail.core.session.stops.Play;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.session.stops.TubesIn;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.RatingSystem;

/**
 * Situations that look fine at a glance. Each is a session that would be proven but for one thing; none may end proven,
 * and none may stand in the window without a qualifier unless the window itself was never in doubt.
 */
class NeverProvenFalselyTest {
    /** How a planted session is built, and whether its verdict must not be an all-clear either. */
    private record Plant(boolean verdictToo, java.util.function.Supplier<Bench> bench) {}

    private static final Map<String, Plant> PLANTS = new LinkedHashMap<>();

    private static void plant(String name, boolean verdictToo, java.util.function.Supplier<Bench> bench) {
        PLANTS.put(name, new Plant(verdictToo, bench));
    }

    private static Bench good() {
        return Bench.pair(Purpose.YEARLY_CHECK).poweredUp();
    }

    private static Bench finished(Bench bench) {
        return bench.enters(Stops.PLAY)
                .ticks(Play.GLOW_IDLE, Play.GLOW_LOUD)
                .closed()
                .enters(Stops.SIGN_OFF);
    }

    private static Bench with(yellowrail.core.amp.AmpDescription amp) {
        return new Bench(Plan.usual(amp, Purpose.YEARLY_CHECK, Meter.FINE)).poweredUp();
    }

    /** The usual 35 minutes with a body that does each pass. */
    private static Bench soak(Bench bench, int passes, double minutes, Consumer<Bench> pass) {
        bench.enters(Stops.WARM_UP).minutes(10);
        for (int i = 0; i < passes; i++) {
            pass.accept(bench);
            bench.minutes(minutes);
        }
        return bench;
    }

    /** Whatever of the rest of the rail the session lets one do. */
    private static Bench goOn(Bench bench) {
        for (Stop stop : List.of(Stops.MEASURE, Stops.SOAK, Stops.PLAY)) {
            bench.tell(new Entered(stop));
        }
        tick(bench, Play.GLOW_IDLE, Play.GLOW_LOUD);
        bench.tell(new Entered(Stops.CLOSE));
        bench.tell(new Declared(Power.OFF));
        for (int i = 0; i < 2; i++) {
            bench.minutes(5).tell(Bench.read(Quantity.RESIDUAL, "reservoir", 0.6));
            bench.tell(Bench.read(Quantity.RESIDUAL, "bias", 0.3));
        }
        tick(
                bench,
                Drained.STANDBY_PLAY,
                Drained.METER_PROVEN,
                DrainAndClose.RESTORED,
                DrainAndClose.LIMITER_OUT,
                DrainAndClose.CLAMPS);
        bench.tell(new Entered(Stops.SIGN_OFF));
        return bench;
    }

    private static void tick(Bench bench, Check... checks) {
        for (Check check : checks) {
            bench.tell(new Ticked(check, "", true));
        }
    }

    private static Consumer<Bench> pass(double first, double second, double volts) {
        return b -> b.reads(Quantity.MAINS, "", 230).round(first, second, volts);
    }

    private static Consumer<Bench> currents(double first, double second) {
        return b -> b.reads(Quantity.MAINS, "", 230)
                .reads(Quantity.CURRENT, "V1", first * Bench.OHMS / 1000)
                .reads(Quantity.CURRENT, "V2", second * Bench.OHMS / 1000);
    }

    static {
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
        plant(
                "mixed bias at a highest mains that only cathode bias would stand",
                true,
                () -> soak(maximum(BiasScheme.MIXED), 5, 9, b -> {
                    pass(31.6, 31.6, 412).accept(b);
                    b.reads(Quantity.CATHODE, "V1", 14).reads(Quantity.CATHODE, "V2", 14);
                }));
        plant(
                "shared resistor: only a mean",
                true,
                () -> soak(
                        shared(),
                        5,
                        9,
                        b -> b.reads(Quantity.MAINS, "", 230)
                                .reads(Quantity.PLATE, "V1", 398)
                                .reads(Quantity.CURRENT, "all", 4 * 0.0316 * 0.5)));
        plant(
                "shared mean fine, one tube hot",
                true,
                () -> soak(shared(), 5, 9, b -> {
                    b.reads(Quantity.MAINS, "", 230)
                            .reads(Quantity.PLATE, "V1", 398)
                            .reads(Quantity.CURRENT, "all", 4 * 0.0316 * 0.5);
                    double[] each = {0.0438, 0.0316, 0.0300, 0.0210};
                    for (int i = 0; i < 4; i++) {
                        b.reads(Quantity.INDIVIDUAL, "V" + (i + 1), each[i]);
                    }
                }));
        plant(
                "shared point, three tubes seen alone",
                true,
                () -> soak(shared(), 5, 9, b -> {
                    b.reads(Quantity.MAINS, "", 230)
                            .reads(Quantity.PLATE, "V1", 398)
                            .reads(Quantity.CURRENT, "all", 4 * 0.0316 * 0.5);
                    for (int i = 0; i < 3; i++) {
                        b.reads(Quantity.INDIVIDUAL, "V" + (i + 1), 0.0316);
                    }
                }));
        plant(
                "singles contradict the combined reading (wrong N)",
                true,
                () -> soak(shared(), 5, 9, b -> {
                    b.reads(Quantity.MAINS, "", 230)
                            .reads(Quantity.PLATE, "V1", 398)
                            .reads(Quantity.CURRENT, "all", 2 * 0.0316 * 0.5);
                    for (int i = 0; i < 4; i++) {
                        b.reads(Quantity.INDIVIDUAL, "V" + (i + 1), 0.0316);
                    }
                }));
        plant("triode with the screen limit exceeded", true, () -> {
            Bench bench = with(connected(Connection.TRIODE));
            bench.standards =
                    new Standards(Map.of("X19", Bench.x19(Optional.of(0.5))), List.of(Bench.STORY), Optional.empty());
            return soak(bench, 5, 9, pass(31.6, 31.3, 398));
        });
        plant("screen volts show the screen over its limit", true, () -> {
            Bench bench = good();
            bench.standards =
                    new Standards(Map.of("X19", Bench.x19(Optional.of(0.6))), List.of(Bench.STORY), Optional.empty());
            return soak(
                    bench,
                    5,
                    9,
                    b -> pass(31.6, 31.3, 398)
                            .accept(b.reads(Quantity.SCREEN, "V1", 390).reads(Quantity.SCREEN, "V2", 390)));
        });
        plant("type not in the catalogue", true, () -> {
            Bench bench = good();
            bench.standards = new Standards(Map.of(), List.of(Bench.STORY), Optional.empty());
            return soak(bench, 5, 9, pass(31.6, 31.3, 398));
        });
        plant("target not known any more", true, () -> {
            Bench bench = good();
            bench.standards = new Standards(bench.standards.types(), List.of(), Optional.empty());
            return soak(bench, 5, 9, pass(31.6, 31.3, 398));
        });
        plant("target chosen above the ceiling", true, () -> {
            Bench bench = good();
            Window hot = new Window("hot", 0.82, 0.95, "");
            bench.standards = new Standards(bench.standards.types(), List.of(Bench.STORY, hot), Optional.empty());
            bench.did(new Aimed("hot", "I like it"));
            return soak(bench, 5, 9, pass(43, 43, 398));
        });
        plant("sense resistor measured far from its marking", true, () -> {
            Bench bench = Bench.pair(Purpose.YEARLY_CHECK)
                    .preflight()
                    .enters(Stops.DRAINED)
                    .drained();
            bench.did(Read.of(Quantity.SENSE_OHMS, "V1", new Typed("6.0", 6.0, Unit.OHM, 0.1)));
            bench.enters(Stops.MAINS).did(new Declared(Power.ON_TUBES_IN)).minutes(1);
            bench.reads(Quantity.HEATER, "", 6.3).reads(Quantity.MAINS, "", 230);
            return soak(bench, 5, 9, pass(31.6, 31.3, 398));
        });
        plant("correction of the last reading to a hot one", true, () -> {
            Bench bench = soak(good(), 5, 9, pass(31.6, 31.3, 398));
            Taken last = bench.session.last(Quantity.CURRENT, "V1").orElseThrow();
            return bench.did(new Read(
                    Quantity.CURRENT,
                    "V1",
                    Bench.read(Quantity.CURRENT, "V1", 0.45).typed(),
                    last.id(),
                    "misread"));
        });
        plant("nothing read at all", true, () -> good());
        plant(
                "only grid volts read",
                true,
                () -> soak(
                        good(),
                        5,
                        9,
                        b -> b.reads(Quantity.MAINS, "", 230)
                                .reads(Quantity.GRID, "V1", -38)
                                .reads(Quantity.GRID, "V2", -38)));
        plant("left alone for a day after one good pass", false, () -> {
            Bench bench = soak(good(), 1, 60 * 24, pass(31.6, 31.3, 398));
            return bench.did(new Declared(Power.OFF));
        });
        plant("current of zero", true, () -> soak(good(), 5, 9, pass(31.6, 0, 398)));
        plant("a negative sense reading", true, () -> soak(good(), 5, 9, pass(31.6, -31.3, 398)));
        plant(
                "plate volts of one tube read upside down",
                true,
                () -> soak(good(), 5, 9, b -> {
                    pass(31.6, 31.3, 398).accept(b);
                    b.reads(Quantity.PLATE, "V2", 893);
                }));
        plant(
                "mains typed of another land",
                true,
                () -> soak(good(), 5, 9, b -> b.reads(Quantity.MAINS, "", 120).round(31.6, 31.3, 398)));
        plant("three readings that rise three per cent", false, () -> {
            Bench bench = soak(good(), 0, 0, b -> {});
            for (double milli : new double[] {30.5, 31.0, 31.5}) {
                pass(milli, 31.3, 398).accept(bench.minutes(16));
            }
            return bench;
        });
        plant("one tube left out for the last hour", false, () -> {
            Bench bench = soak(good(), 5, 9, pass(31.6, 31.3, 398));
            for (int i = 0; i < 6; i++) {
                bench.minutes(10)
                        .reads(Quantity.MAINS, "", 230)
                        .reads(Quantity.PLATE, "V1", 398)
                        .reads(Quantity.CURRENT, "V1", 31.6 * Bench.OHMS / 1000);
            }
            return bench;
        });
        plant("singles an hour old behind a mean read now", true, () -> {
            Bench bench = soak(shared(), 5, 9, b -> {
                b.reads(Quantity.MAINS, "", 230).reads(Quantity.PLATE, "V1", 398);
                b.reads(Quantity.CURRENT, "all", 4 * 0.0316 * 0.5);
                for (int i = 0; i < 4; i++) {
                    b.reads(Quantity.INDIVIDUAL, "V" + (i + 1), 0.0316);
                }
            });
            bench.minutes(60).reads(Quantity.MAINS, "", 230).reads(Quantity.PLATE, "V1", 398);
            return bench.reads(Quantity.CURRENT, "all", 4 * 0.0316 * 0.5);
        });
        plant("ohms measured with a leftover charge stay locked", true, () -> {
            Bench bench = Bench.pair(Purpose.YEARLY_CHECK).preflight().enters(Stops.DRAINED);
            bench.reads(Quantity.RESIDUAL, "reservoir", 8).reads(Quantity.RESIDUAL, "bias", 0.2);
            assertThat(bench.tell(Bench.read(Quantity.SENSE_OHMS, "V1", 9.94))).isPresent();
            return bench;
        });
        plant("soak at one setting, last reading at another mains far away", true, () -> {
            Bench bench = soak(good(), 4, 9, pass(31.6, 31.3, 398));
            bench.reads(Quantity.MAINS, "", 200).round(31.6, 31.3, 398);
            return bench;
        });
    }

    private static Bench creeping(double perPass) {
        return curve(
                30.5, 30.5 + perPass, 30.5 + 2 * perPass, 30.5 + 3 * perPass, 30.5 + 4 * perPass, 30.5 + 5 * perPass);
    }

    /** V1 goes through these currents every seven minutes. */
    private static Bench curve(double... milliamperes) {
        Bench bench = soak(good(), 0, 0, b -> {});
        for (double milli : milliamperes) {
            pass(milli, 31.3, 398).accept(bench.minutes(7));
        }
        return bench;
    }

    private static Bench afterwards(Event event) {
        Bench bench = soak(good(), 5, 9, pass(31.6, 31.3, 398));
        bench.did(new Declared(Power.OFF)).minutes(5).drained().ticks(BeforePower.TUBES_COOL);
        return bench.did(event);
    }

    private static Bench skipped(Stop stop) {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK);
        if (stop == Stops.DRAINED) {
            bench.preflight();
        } else {
            bench.did(new Declared(Power.OFF));
        }
        bench.did(new Skipped(Stops.BEFORE_POWER, "x")).did(new Skipped(Stops.DRAINED, "x"));
        bench.enters(Stops.MAINS).did(new Declared(Power.ON_TUBES_IN)).minutes(1);
        bench.reads(Quantity.HEATER, "", 6.3).reads(Quantity.MAINS, "", 230);
        return soak(bench, 5, 9, pass(31.6, 31.3, 398));
    }

    /** A meter so coarse that the limit lies inside the band. */
    private static Bench coarse() {
        Meter meter = new Meter("coarse", new Accuracy(4, 1), new Accuracy(4, 1), new Accuracy(4, 1));
        return new Bench(Plan.usual(
                        Bench.amp(BiasScheme.FIXED_TRACKING, ControlLayout.PER_TUBE, 2, false),
                        Purpose.YEARLY_CHECK,
                        meter))
                .poweredUp();
    }

    private static Bench shared() {
        return with(Bench.amp(BiasScheme.FIXED_TRACKING, ControlLayout.LEVEL, 4, true));
    }

    /** A tube with a design-maximum rating where the mains goes up to 253 V. */
    private static Bench maximum(BiasScheme bias) {
        var a = Bench.amp(bias, ControlLayout.PER_TUBE, 2, false);
        Bench bench = with(new yellowrail.core.amp.AmpDescription(
                a.name(),
                a.topology(),
                a.connection(),
                a.tap(),
                a.bias(),
                a.controls(),
                a.sockets(),
                a.groups(),
                a.screenOhms(),
                a.chokeOhms(),
                new yellowrail.core.amp.Mains(Optional.empty(), 230, 220, 253),
                a.nodes(),
                a.transformers(),
                a.quirks(),
                a.makersFigure(),
                a.target(),
                a.judgeBy(),
                a.ceiling()));
        bench.standards = new Standards(
                Map.of("X19", Bench.x19(RatingSystem.DESIGN_MAXIMUM, Optional.of(4.0))),
                List.of(Bench.STORY),
                Optional.empty());
        return bench;
    }

    private static yellowrail.core.amp.AmpDescription connected(Connection connection) {
        var a = Bench.amp(BiasScheme.FIXED_TRACKING, ControlLayout.PER_TUBE, 2, false);
        return new yellowrail.core.amp.AmpDescription(
                a.name(),
                a.topology(),
                connection,
                connection == Connection.TRIODE ? 1 : 0,
                a.bias(),
                a.controls(),
                a.sockets(),
                a.groups(),
                a.screenOhms(),
                a.chokeOhms(),
                a.mains(),
                a.nodes(),
                a.transformers(),
                a.quirks(),
                a.makersFigure(),
                a.target(),
                a.judgeBy(),
                a.ceiling());
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
