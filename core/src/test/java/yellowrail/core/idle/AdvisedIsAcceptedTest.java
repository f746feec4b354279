package yellowrail.core.idle;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.target.Profiles;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;

/**
 * What the tool tells a builder to turn to, the tool accepts: over random types, bias schemes, meters, mains, idles and
 * supplies with sag, read again at the plate volts after the turn, with the digits the meter has.
 */
class AdvisedIsAcceptedTest {
    private static final int STAGES = 4000;

    /** A stage whose tube is turned: plate volts fall with its current. */
    private record Stage(
            TubeType type,
            BiasScheme bias,
            Meter meter,
            double ohms,
            double digit,
            double voltDigit,
            double start,
            double volts,
            double sag,
            double cathodeVolts,
            Mains mains,
            Window window,
            double ceiling) {
        /** The supply behind it is the same whatever the tube draws. */
        double voltsAt(double cathodeAmperes) {
            return volts * (1 + sag * (1 - cathodeAmperes / start));
        }

        IdleQuestion read(double cathodeAmperes) {
            double drop = cathodeAmperes * ohms;
            double plate = voltsAt(cathodeAmperes) + (bias == BiasScheme.CATHODE ? cathodeVolts : drop);
            PlateVolts volts = PlateVolts.of(PlateVolts.Reference.CHASSIS, Optional.of(shown(plate, voltDigit)));
            if (bias == BiasScheme.CATHODE) {
                volts = volts.withCathode(shown(cathodeVolts, 0.1));
            }
            return IdleQuestion.of(
                            new StageFacts(
                                    Optional.of(type), Optional.empty(), Topology.PUSH_PULL, Connection.PENTODE, bias),
                            new OwnResistor(SenseResistor.marked(ohms, 1)),
                            shown(drop, digit),
                            volts)
                    .readBy(meter)
                    .withScreenVolts(shown(0.8 * voltsAt(cathodeAmperes), 1))
                    .in(Circumstances.atMains(mains))
                    .aimingAt(window)
                    .under(ceiling);
        }
    }

    private static Typed shown(double value, double digit) {
        return new Typed("", Math.max(digit, Math.round(value / digit) * digit), Unit.VOLT, digit);
    }

    private static Stage any(Random random) {
        List<TubeType> types = Catalogue.shipped().types().stream()
                // Without plate volts or watts there is nothing to advise; KT90 lacks its screen limits.
                .filter(t -> !t.designation().equals("KT90")
                        && t.strictest()
                                .flatMap(r -> r.figure(Limit.PLATE_VOLTS))
                                .isPresent())
                .toList();
        TubeType type = types.get(random.nextInt(types.size()));
        Ratings strict = type.strictest().orElseThrow();
        BiasScheme bias = List.of(
                        BiasScheme.FIXED_TRACKING,
                        BiasScheme.FIXED_CONSTANT,
                        BiasScheme.FIXED_UNKNOWN,
                        BiasScheme.CATHODE)
                .get(random.nextInt(4));
        double volts =
                strict.figure(Limit.PLATE_VOLTS).map(Figure::value).orElseThrow() * (0.55 + 0.3 * random.nextDouble());
        double share = 0.2 + random.nextDouble();
        double start = share * strict.plateWatts().orElseThrow().value() / volts;
        double ohms = List.of(1.0, 10.0, 4.7).get(random.nextInt(3));
        double nominal = random.nextBoolean() ? 230 : 120;
        Window window = bias == BiasScheme.CATHODE
                ? Profiles.named("cathode-bias usual").orElseThrow()
                : Profiles.SHIPPED.get(random.nextInt(4));
        return new Stage(
                type,
                bias,
                Meter.CLASSES.get(random.nextInt(4)),
                ohms,
                ohms == 1 ? 1e-4 : random.nextBoolean() ? 1e-3 : 1e-4,
                random.nextBoolean() ? 1 : 0.1,
                start,
                volts,
                0.15 * random.nextDouble(),
                18,
                new Mains(
                        Optional.of(nominal * (0.97 + 0.05 * random.nextDouble())),
                        nominal,
                        0.9 * nominal,
                        nominal * (1.03 + 0.07 * random.nextDouble())),
                window,
                bias == BiasScheme.CATHODE ? 1.0 : 0.8);
    }

    /** The current at which the meter shows this reading, to its last digit. */
    private static double turned(Stage stage, Typed reading) {
        return Math.round(reading.value() / stage.digit()) * stage.digit() / stage.ohms();
    }

    @Test
    void theTargetsThatAreNoStepsAreGreenAfterTheTurn() {
        Random random = new Random(7);
        int tried = 0;
        for (int i = 0; i < STAGES; i++) {
            Stage stage = any(random);
            IdleAnswer answer = IdleCheck.answer(stage.read(stage.start()), Profiles.SHIPPED);
            Optional<TargetReading> row = answer.targets().stream()
                    .filter(t -> t.chosen() && t.above().isEmpty() && !t.step())
                    .findFirst();
            if (row.isEmpty()) {
                continue;
            }
            tried++;
            Verdict then = IdleCheck.answer(
                            stage.read(turned(stage, row.get().reading().orElseThrow())), Profiles.SHIPPED)
                    .verdict();
            assertAccepted(then, stage, row.get().toString());
        }
        assertThat(tried).isGreaterThan(STAGES / 4);
    }

    @Test
    void theHighestPermittedReadingPassesNothingAfterTheTurn() {
        Random random = new Random(8);
        int tried = 0;
        int green = 0;
        for (int i = 0; i < STAGES; i++) {
            Stage stage = any(random);
            Optional<Permitted> permitted = IdleCheck.answer(stage.read(stage.start()), Profiles.SHIPPED)
                    .permitted()
                    .filter(Permitted::exists);
            if (permitted.isEmpty()) {
                continue;
            }
            tried++;
            IdleAnswer then = IdleCheck.answer(
                    stage.read(turned(stage, permitted.get().reading().orElseThrow())), Profiles.SHIPPED);
            assertThat(then.verdict().place())
                    .as("%s: %s after %s", stage, then.verdict(), permitted.get())
                    .isIn(
                            Verdict.Place.IN_WINDOW,
                            Verdict.Place.BELOW_WINDOW,
                            Verdict.Place.ABOVE_WINDOW,
                            Verdict.Place.TOO_WIDE);
            if (permitted.get().share() < stage.window().low()
                    && !permitted.get().step()) {
                // As hot as the limits permit is the window then.
                assertAccepted(then.verdict(), stage, permitted.get().toString());
                green++;
            }
        }
        assertThat(tried).isGreaterThan(STAGES / 2);
        assertThat(green).isGreaterThan(100);
    }

    /** Steps bring one nearer, and a few of them end in the window or at what is permitted. */
    @Test
    void stepAfterStepEndsAccepted() {
        Random random = new Random(9);
        int settled = 0;
        for (int i = 0; i < STAGES / 4; i++) {
            Stage stage = any(random);
            double amperes = stage.start();
            for (int step = 0; step < 4; step++) {
                IdleAnswer answer = IdleCheck.answer(stage.read(amperes), Profiles.SHIPPED);
                if (answer.verdict().allClear()) {
                    settled++;
                    break;
                }
                Optional<Typed> next = advised(answer);
                if (next.isEmpty()) {
                    break;
                }
                amperes = turned(stage, next.get());
            }
        }
        assertThat(settled).isGreaterThan(STAGES / 4 * 6 / 10);
    }

    /** The chosen target, or the highest permitted reading if that is colder. */
    private static Optional<Typed> advised(IdleAnswer answer) {
        Optional<TargetReading> row =
                answer.targets().stream().filter(TargetReading::chosen).findFirst();
        return row.filter(t -> t.above().isEmpty())
                .flatMap(TargetReading::reading)
                .or(() -> answer.permitted().filter(Permitted::exists).flatMap(Permitted::reading));
    }

    private static void assertAccepted(Verdict then, Stage stage, String advice) {
        boolean tooWide = then.place() == Verdict.Place.TOO_WIDE;
        assertThat(Stream.of(then)).as("%s%n%s%nafter %s", stage, then, advice).allMatch(v -> v.allClear() || tooWide);
    }
}
