package yellowrail.core.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowrail.core.judging.Value;
import yellowrail.core.load.PrimaryInductance;
import yellowrail.core.load.Speaker;
import yellowrail.core.load.SpeakerNetwork;
import yellowrail.core.load.SpeakerOnTap;
import yellowrail.core.load.Wiring;
import yellowrail.core.reading.Estimate;

/** A stage into a speaker heats in a general circuit simulator as was computed. */
class HeatInSimulatorTest {
    @TempDir
    private Path folder;

    /** A stage, its speaker on 8 Ω, and a frequency. */
    record Reactive(StageCases.Case stage, Wiring speakers, double hertz) {
        @Override
        public String toString() {
            return stage.id() + ", " + speakers.drivers().size() + " speakers at " + hertz + " Hz";
        }

        SpeakerOnTap with(double henries) {
            return new SpeakerOnTap(speakers, Math.sqrt(stage.stage().loadOhms() / 8), Optional.of(henries));
        }

        PrimaryInductance usual() {
            return PrimaryInductance.usual(
                    stage.stage().loadOhms(), stage.stage().topology());
        }
    }

    private static final Wiring ONE = new Wiring.Driver("A", new Speaker.Modelled(6.4, 0.6e-3, 30, 80, 46.4, 5));

    private static final Wiring SOFT = new Wiring.Driver("B", new Speaker.Modelled(5.6, 0, 30, 110, 28, 2));

    static Stream<Reactive> reactive() {
        Wiring two = new Wiring.Parallel(
                List.of(new Wiring.Series(List.of(ONE, SOFT)), new Wiring.Driver("16", new Speaker.Nominal(16))));
        double[] hertz = {80, 400, 5000, 110};
        List<StageCases.Case> stages = NetlistTest.cases();
        return IntStream.range(0, 12)
                .mapToObj(i -> new Reactive(
                        stages.get(i % stages.size()),
                        i % 4 == 3 ? two : i % 2 == 0 ? ONE : SOFT,
                        hertz[(i + i / 9) % hertz.length]));
    }

    /** Heat of a tube, screens beside plates, and the peak of a plate, W and V. */
    private record Run(List<Double> plates, List<Double> screens, double watts, double most) {}

    private Run run(Reactive r, double henries, ReactiveCycle cycle) throws IOException, InterruptedException {
        String printed = Ngspice.run(
                folder,
                Netlist.of(
                        r.stage().stage(),
                        cycle,
                        SpeakerNetwork.of(r.with(henries)).orElseThrow()));
        String wave = printed.substring(printed.indexOf("driven"));
        double most = 0;
        for (int side = 0; side < (r.stage().stage().pushPull() ? 2 : 1); side++) {
            most = Math.max(most, Ngspice.figure(wave, "plate_most_volts_" + side));
        }
        return new Run(
                ofTubes(wave, "plate_watts_", cycle.tubes().size()),
                ofTubes(wave, "screen_watts_", cycle.tubes().size()),
                Ngspice.figure(wave, "load_watts"),
                most);
    }

    private static List<Double> ofTubes(String wave, String name, int tubes) {
        return IntStream.range(0, tubes)
                .mapToObj(t -> Ngspice.figure(wave, name + t))
                .toList();
    }

    /** The simulator's sine begins at its zero crossing, which for a while gives one side more: all tubes together count. */
    private static double sum(List<Double> watts) {
        return watts.stream().mapToDouble(w -> w).sum();
    }

    /** With the inductance typed, heat and power are within 1 % of the simulator's, over connections, bias and frequencies. */
    @ParameterizedTest
    @MethodSource("reactive")
    void aSpeakerHeatsAsInTheSimulator(Reactive r) throws Exception {
        Stage stage = r.stage().stage();
        double henries = r.usual().henries();
        ReactiveCycle cycle = new ReactiveSolver(stage, r.with(henries))
                .at(r.hertz(), new StageSolver(stage).full().drive());
        Run run = run(r, henries, cycle);
        assertThat(run.most()).as("peak volts").isCloseTo(cycle.plateMost(), within(0.03 * cycle.plateMost()));
        near(
                "plates",
                sum(run.plates()),
                sum(cycle.tubes().stream().map(Cycle.TubeCycle::plateWatts).toList()));
        near(
                "screens",
                sum(run.screens()),
                sum(cycle.tubes().stream().map(Cycle.TubeCycle::screenWatts).toList()));
        near("speaker", run.watts(), cycle.watts());
    }

    static Stream<Reactive> low() {
        return IntStream.range(0, NetlistTest.cases().size())
                .mapToObj(
                        i -> new Reactive(NetlistTest.cases().get(i), i % 2 == 0 ? ONE : SOFT, i % 2 == 0 ? 60 : 110));
    }

    /** Left blank, the usual inductance is taken: whichever a transformer really has, the simulator's heat lies in the band. */
    @ParameterizedTest
    @MethodSource("low")
    void aBlankInductanceIsInsideItsBandInTheSimulator(Reactive r) throws Exception {
        Stage stage = r.stage().stage();
        double drive = new StageSolver(stage).full().drive();
        PrimaryInductance usual = r.usual();
        ReactiveCycle taken = new ReactiveSolver(stage, r.with(usual.henries())).at(r.hertz(), drive);
        List<ReactiveCycle> ends = Stream.of(usual.least(), usual.most())
                .map(h -> new ReactiveSolver(stage, r.with(h)).at(r.hertz(), drive))
                .toList();
        double real = usual.least()
                * Math.pow(
                        usual.most() / usual.least(), new Random(r.stage().id().hashCode()).nextDouble());
        Run run = run(r, real, new ReactiveSolver(stage, r.with(real)).at(r.hertz(), drive));
        inside("plates", run.plates(), taken, ends, Cycle.TubeCycle::plateWatts);
        inside("screens", run.screens(), taken, ends, Cycle.TubeCycle::screenWatts);
    }

    private static void inside(
            String what,
            List<Double> printed,
            ReactiveCycle taken,
            List<ReactiveCycle> ends,
            ToDoubleFunction<Cycle.TubeCycle> watts) {
        double usual = taken.tubes().stream().mapToDouble(watts).sum();
        double spread = ends.stream()
                .mapToDouble(
                        end -> Math.abs(end.tubes().stream().mapToDouble(watts).sum() / usual - 1))
                .max()
                .orElseThrow();
        Estimate band = Value.computed(usual, 0.01).and("inductance", spread).figure();
        assertThat(sum(printed)).as(what).isBetween(band.low(), band.high());
    }

    private static void near(String what, double printed, double computed) {
        assertThat(printed).as(what).isCloseTo(computed, within(0.01 * Math.abs(computed)));
    }
}
