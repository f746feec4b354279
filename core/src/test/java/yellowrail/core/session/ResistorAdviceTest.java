package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.adjust.Advice;
import yellowrail.core.adjust.Preferred;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Bias;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.Judging;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.OutputTransformer;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.StageLayout;
import yellowrail.core.amp.Supply;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.Windings;
import yellowrail.core.amp.sensing.CathodeResistor;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.idle.SupplySoftness;
import yellowrail.core.idle.Verdict;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Pairing;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.round.RoundCheck;
import yellowrail.core.round.RoundReadings;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.standin.SimulatedStage;
import yellowrail.core.target.Profiles;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeModels;
import yellowrail.core.tube.TubeType;

/** The cathode resistor that is proposed, fitted and read again, is accepted; whichever way the currents were taken. */
class ResistorAdviceTest {
    private static final int STAGES = Integer.getInteger("stages", 300);
    private static final Window WINDOW = Profiles.named("cathode-bias usual").orElseThrow();

    /** How the currents of a stage are taken. */
    private enum Taken {
        SHARED_ALONE,
        SHARED_AND_EACH,
        EACH_AND_CATHODE
    }

    private static TubeType type(String name) {
        return ((Lookup.Found) Catalogue.shipped().find(name)).type();
    }

    private static AmpDescription amp(String type, int tubes, double ohms, Taken taken) {
        List<Socket> sockets = IntStream.rangeClosed(1, tubes)
                .mapToObj(i -> new Socket("V" + i, 1, i % 2 == 1 ? Socket.Side.A : Socket.Side.B, type))
                .toList();
        List<SenseGroup> groups = taken == Taken.EACH_AND_CATHODE
                ? sockets.stream()
                        .map(s -> new SenseGroup(
                                s.name(), List.of(s.name()), new OwnResistor(SenseResistor.marked(10, 1))))
                        .toList()
                : List.of(new SenseGroup(
                        "all",
                        sockets.stream().map(Socket::name).toList(),
                        new CathodeResistor(SenseResistor.marked(ohms, 1), tubes)));
        return new AmpDescription(
                "Dunlin",
                new StageLayout(
                        tubes == 1 ? Topology.SINGLE_ENDED : Topology.PUSH_PULL,
                        Connection.PENTODE,
                        0,
                        sockets,
                        Optional.empty()),
                new Bias(BiasScheme.CATHODE, tubes == 1 ? ControlLayout.CATHODE_OWN : ControlLayout.CATHODE_SHARED),
                groups,
                new Supply(new Mains(Optional.empty(), 230, 218, 240), List.of(), Optional.empty(), Windings.UNKNOWN),
                OutputTransformer.UNKNOWN,
                new Judging(WINDOW.name(), Optional.empty(), "", ""),
                "");
    }

    private static Typed shown(double value, double digit, Unit unit) {
        return new Typed("", Math.round(value / digit) * digit, unit, digit);
    }

    private static RoundReadings readings(
            Map<String, Typed> points,
            Map<String, Typed> each,
            Map<String, Typed> plate,
            Map<String, Typed> cathode,
            double screen) {
        Map<String, Typed> screens = new HashMap<>();
        plate.keySet().forEach(s -> screens.put(s, shown(screen, 0.1, Unit.VOLT)));
        return new RoundReadings(
                Meter.FINE,
                PlateVolts.Reference.CHASSIS,
                Optional.of(230.0),
                false,
                false,
                Pairing.together(),
                Optional.empty(),
                points,
                each,
                plate,
                cathode,
                screens,
                Map.of(),
                Optional.empty(),
                Map.of());
    }

    private static Advice advice(AmpDescription amp, RoundAnswer answer) {
        return new ResistorAdvice(amp, answer, WINDOW, group -> Optional.empty()).advice();
    }

    /** Four 6V6GT on 110 Ω, the hottest first: the lead tube's own reading is a current, not the cathode's volts. */
    @ParameterizedTest
    @CsvSource({"17.52, 53.0, 40.4, 34.0, 31.7", "15.02, 36.0, 34.0, 33.5, 33.0"})
    void anOwnCurrentIsNotTakenForCathodeVolts(double volts, double a, double b, double c, double d) {
        AmpDescription amp = amp("6V6GT", 4, 110, Taken.SHARED_AND_EACH);
        double[] amperes = {a / 1000, b / 1000, c / 1000, d / 1000};
        Map<String, Typed> each = new HashMap<>();
        Map<String, Typed> plate = new HashMap<>();
        for (int i = 0; i < 4; i++) {
            each.put("V" + (i + 1), shown(amperes[i], 1e-4, Unit.AMPERE));
            plate.put("V" + (i + 1), shown(294.7, 0.1, Unit.VOLT));
        }
        RoundAnswer answer = RoundCheck.check(
                amp,
                Map.of("6V6GT", type("6V6GT")),
                readings(Map.of("all", shown(volts, 0.01, Unit.VOLT)), each, plate, Map.of(), 280),
                Optional.of(WINDOW),
                Profiles.SHIPPED);
        if (advice(amp, answer) instanceof Advice.Fit fit && fit.fit().chosen().isPresent()) {
            double hottest =
                    answer.sockets().get(0).answer().share().orElseThrow().value();
            double chosen = fit.fit().chosen().get();
            assertThat(hottest * fit.fit().shareThere()).isBetween(0.5, 1.0);
            assertThat(chosen > 110)
                    .as("%s Ω at %s", chosen, hottest)
                    .isEqualTo(fit.fit().shareThere() < 1);
            assertThat(chosen).isBetween(80.0, 250.0);
        } else {
            assertThat(advice(amp, answer)).isInstanceOf(Advice.Rest.class);
        }
    }

    /** A stage with one resistor for all its tubes. */
    private record Simulated(
            String type, List<Double> strengths, double volts, double supply, double ohms, Taken taken) {
        SimulatedStage.Idle at(double resistor) {
            return new SimulatedStage(
                            TubeModels.of(type).orElseThrow(), strengths, volts, supply, Double.NaN, 0, resistor)
                    .idle(1);
        }

        AmpDescription amp() {
            return ResistorAdviceTest.amp(type, strengths.size(), ohms, taken);
        }

        RoundAnswer read(double resistor) {
            SimulatedStage.Idle idle = at(resistor);
            Map<String, Typed> each = new HashMap<>();
            Map<String, Typed> plate = new HashMap<>();
            Map<String, Typed> cathode = new HashMap<>();
            for (int i = 0; i < strengths.size(); i++) {
                String socket = "V" + (i + 1);
                double amperes = idle.cathodeAmperes(i);
                each.put(
                        socket,
                        taken == Taken.EACH_AND_CATHODE
                                ? shown(10 * amperes, 1e-4, Unit.VOLT)
                                : shown(amperes, 1e-5, Unit.AMPERE));
                plate.put(socket, shown(idle.plateVolts(), 0.1, Unit.VOLT));
                cathode.put(socket, shown(idle.cathodeVolts(), 0.01, Unit.VOLT));
            }
            boolean own = taken == Taken.EACH_AND_CATHODE;
            AmpDescription amp = ResistorAdviceTest.amp(type, strengths.size(), resistor, taken);
            return RoundCheck.check(
                    amp,
                    Map.of(type, ResistorAdviceTest.type(type)),
                    readings(
                            own ? each : Map.of("all", shown(idle.cathodeVolts(), 0.01, Unit.VOLT)),
                            taken == Taken.SHARED_AND_EACH ? each : Map.of(),
                            plate,
                            own ? cathode : Map.of(),
                            idle.screenVolts()),
                    Optional.of(WINDOW),
                    Profiles.SHIPPED);
        }
    }

    private static Simulated any(Random random) {
        String[] types = {"6V6GT", "EL84", "EL34", "6L6GC", "5881", "KT66", "KT88", "6550"};
        String type = types[random.nextInt(types.length)];
        Ratings strict = type(type).strictest().orElseThrow();
        double volts = strict.figure(Limit.PLATE_VOLTS).orElseThrow().value() * (0.6 + 0.35 * random.nextDouble());
        double screens = strict.figure(Limit.SCREEN_VOLTS).map(Figure::value).orElse(volts);
        volts = Math.min(volts, 0.9 * screens);
        Taken taken = Taken.values()[random.nextInt(3)];
        int tubes = List.of(2, 4).get(random.nextInt(2));
        double spread = taken == Taken.SHARED_ALONE ? 0 : 0.2 * random.nextDouble();
        List<Double> strengths =
                random.doubles(tubes).mapToObj(at -> 1 + spread * (2 * at - 1)).toList();
        double rated = strict.plateWatts().orElseThrow().value();
        // As soft as supplies are met with.
        double supply = SupplySoftness.MOST_SAG * random.nextDouble() * volts * volts / (1.15 * rated) / tubes;
        double watts = rated * (0.5 + 0.8 * random.nextDouble());
        double low = 5;
        double high = 5000;
        Simulated stage = new Simulated(type, strengths, volts + supply * tubes * watts / volts, supply, 0, taken);
        for (int i = 0; i < 40; i++) {
            double middle = Math.sqrt(low * high);
            SimulatedStage.Idle idle = stage.at(middle);
            if ((idle.plateVolts() - idle.cathodeVolts()) * idle.plate().get(0) > watts) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return new Simulated(type, strengths, stage.volts(), supply, Preferred.nearestE96(low), taken);
    }

    /** No limit passed or too close, as read and at highest mains. */
    private static boolean accepted(RoundAnswer answer) {
        return answer.sockets().stream().map(SocketAnswer::answer).allMatch(a -> fine(a.verdict()));
    }

    private static boolean fine(Verdict verdict) {
        return verdict.place().compareTo(Verdict.Place.ABOVE_WINDOW) <= 0
                || verdict.place() == Verdict.Place.TOO_WIDE
                || verdict.place() == Verdict.Place.UNKNOWN && verdict.now().place() == Verdict.Place.IN_WINDOW;
    }

    @Test
    void whatIsProposedIsAcceptedWhenItIsFitted() {
        Random random = new Random(25);
        int wanting = 0;
        int found = 0;
        for (int i = 0; i < STAGES; i++) {
            Simulated stage = any(random);
            RoundAnswer now = stage.read(stage.ohms());
            Advice advice = advice(stage.amp(), now);
            if (advice instanceof Advice.Rest) {
                continue;
            }
            if (advice instanceof Advice.Fit fit && fit.fit().chosen().isPresent()) {
                double there = stage.ohms() * fit.fit().times().orElseThrow();
                if (fit.counted()) {
                    there = fit.fit().chosen().get();
                }
                for (double off : new double[] {-1, 0, 1}) {
                    RoundAnswer then = stage.read(there * (1 + off * fit.fit().tolerance()));
                    assertThat(accepted(then))
                            .as("%s%n%s%n%s", stage, fit, then.verdict().sentences())
                            .isTrue();
                }
                wanting++;
                found++;
            } else if (acceptable(stage)) {
                wanting++;
            }
        }
        assertThat(wanting).isGreaterThan(STAGES / 3);
        assertThat((double) found / wanting).isGreaterThanOrEqualTo(0.98);
    }

    /** Whether a wide search finds a preferred value that is accepted and brings the hottest tube into its window. */
    private static boolean acceptable(Simulated stage) {
        for (double times = 0.3; times < 4; times *= 1.03) {
            RoundAnswer then = stage.read(Preferred.nearestE24(times * stage.ohms()));
            boolean reached = then.sockets().stream()
                    .anyMatch(s -> s.answer().verdict().now().place() == Verdict.Place.IN_WINDOW);
            if (reached && accepted(then)) {
                return true;
            }
        }
        return false;
    }
}
