package yellowrail.core.session;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.StageLayout;
import yellowrail.core.reading.Accuracy;
import yellowrail.core.reading.Meter;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Entered;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.events.Ticked;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.DrainAndClose;
import yellowrail.core.session.stops.Drained;
import yellowrail.core.session.stops.Play;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.RatingSystem;

/** Sessions spoiled in one way each, and how they are driven. */
abstract class ProofBench {
    /** How a planted session is built, and whether its verdict must not be an all-clear either. */
    record Plant(boolean verdictToo, java.util.function.Supplier<Bench> bench) {}

    static final Map<String, Plant> PLANTS = new LinkedHashMap<>();

    static void plant(String name, boolean verdictToo, java.util.function.Supplier<Bench> bench) {
        PLANTS.put(name, new Plant(verdictToo, bench));
    }

    static Bench good() {
        return Bench.pair(Purpose.YEARLY_CHECK).poweredUp();
    }

    static Bench finished(Bench bench) {
        return bench.enters(Stops.PLAY)
                .ticks(Play.GLOW_IDLE, Play.GLOW_LOUD)
                .closed()
                .enters(Stops.SIGN_OFF);
    }

    static Bench with(yellowrail.core.amp.AmpDescription amp) {
        return new Bench(Plan.usual(amp, Purpose.YEARLY_CHECK, Meter.FINE)).poweredUp();
    }

    /** The usual 35 minutes with a body that does each pass. */
    static Bench soak(Bench bench, int passes, double minutes, Consumer<Bench> pass) {
        bench.enters(Stops.WARM_UP).minutes(10);
        for (int i = 0; i < passes; i++) {
            pass.accept(bench);
            bench.minutes(minutes);
        }
        return bench;
    }

    /** Whatever of the rest of the rail the session lets one do. */
    static Bench goOn(Bench bench) {
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

    static void tick(Bench bench, Check... checks) {
        for (Check check : checks) {
            bench.tell(new Ticked(check, "", true));
        }
    }

    static Consumer<Bench> pass(double first, double second, double volts) {
        return b -> b.reads(Quantity.MAINS, "", 230).round(first, second, volts);
    }

    static Consumer<Bench> currents(double first, double second) {
        return b -> b.reads(Quantity.MAINS, "", 230)
                .reads(Quantity.CURRENT, "V1", first * Bench.OHMS / 1000)
                .reads(Quantity.CURRENT, "V2", second * Bench.OHMS / 1000);
    }

    static Bench creeping(double perPass) {
        return curve(
                30.5, 30.5 + perPass, 30.5 + 2 * perPass, 30.5 + 3 * perPass, 30.5 + 4 * perPass, 30.5 + 5 * perPass);
    }

    /** V1 goes through these currents every seven minutes. */
    static Bench curve(double... milliamperes) {
        Bench bench = soak(good(), 0, 0, b -> {});
        for (double milli : milliamperes) {
            pass(milli, 31.3, 398).accept(bench.minutes(7));
        }
        return bench;
    }

    static Bench afterwards(Event event) {
        Bench bench = soak(good(), 5, 9, pass(31.6, 31.3, 398));
        bench.did(new Declared(Power.OFF)).minutes(5).drained().ticks(BeforePower.TUBES_COOL);
        return bench.did(event);
    }

    static Bench skipped(Stop stop) {
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
    static Bench coarse() {
        Meter meter = new Meter("coarse", new Accuracy(4, 1), new Accuracy(4, 1), new Accuracy(4, 1));
        return new Bench(Plan.usual(
                        Bench.amp(BiasScheme.FIXED_TRACKING, ControlLayout.PER_TUBE, 2, false),
                        Purpose.YEARLY_CHECK,
                        meter))
                .poweredUp();
    }

    static Bench shared() {
        return with(Bench.amp(BiasScheme.FIXED_TRACKING, ControlLayout.LEVEL, 4, true));
    }

    /** A tube with a design-maximum rating where the mains goes up to 253 V. */
    static Bench maximum(BiasScheme bias) {
        var a = Bench.amp(bias, ControlLayout.PER_TUBE, 2, false);
        Bench bench = with(a.fed(a.supply().at(new yellowrail.core.amp.Mains(Optional.empty(), 230, 220, 253))));
        bench.standards = new JudgingBasis(
                Map.of("X19", Bench.x19(RatingSystem.DESIGN_MAXIMUM, Optional.of(4.0))),
                List.of(Bench.STORY),
                Optional.empty());
        return bench;
    }

    static yellowrail.core.amp.AmpDescription connected(Connection connection) {
        var a = Bench.amp(BiasScheme.FIXED_TRACKING, ControlLayout.PER_TUBE, 2, false);
        StageLayout stage = a.stage();
        return a.wired(new StageLayout(
                stage.topology(),
                connection,
                connection == Connection.TRIODE ? 1 : 0,
                stage.sockets(),
                stage.screenOhms()));
    }
}
