package yellowrail.core.idle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yellowrail.core.idle.StoryTube.ohms;
import static yellowrail.core.idle.StoryTube.toChassis;
import static yellowrail.core.idle.StoryTube.volts;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.sensing.CathodeMilliamps;
import yellowrail.core.amp.sensing.CathodeResistor;
import yellowrail.core.amp.sensing.CombinedPoint;
import yellowrail.core.amp.sensing.GridVoltsOnly;
import yellowrail.core.amp.sensing.HalfPrimary;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.PanelMeter;
import yellowrail.core.amp.sensing.PlateMilliamps;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.amp.sensing.SharedResistor;
import yellowrail.core.amp.sensing.SocketAdaptor;
import yellowrail.core.amp.sensing.SupplyResistor;
import yellowrail.core.amp.sensing.TubeCurrents;
import yellowrail.core.reading.Accuracy;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Pairing;
import yellowrail.core.reading.Typed;
import yellowrail.core.target.Profiles;
import yellowrail.core.target.Target;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.RatingSystem;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;

/** Nothing is green with an input missing, stale, provisional, or with a limit inside the error band. */
class NeverFalseAllClearTest {
    private static final TubeType TWENTY =
            StoryTube.type("T20", RatingSystem.DESIGN_CENTRE, 20, Optional.of(3.0), 6, 1);
    private static final OwnResistor OWN = new OwnResistor(SenseResistor.marked(10, 1));
    private static final Target.Window MIDDLE = Profiles.named("middle").orElseThrow();
    private static final Mains AT_NOMINAL = Mains.around(230, Optional.of(230.0));

    /** 60 % of 20 W with everything known: the one all-clear the others are measured against. */
    private static IdleQuestion good() {
        return good(TWENTY);
    }

    private static IdleQuestion good(TubeType type) {
        return IdleQuestion.of(StoryTube.fixedPair(type), OWN, volts(0.3191, 1e-4), toChassis(400.3))
                .in(Circumstances.atMains(AT_NOMINAL))
                .aimingAt(MIDDLE);
    }

    private static Verdict verdict(IdleQuestion question) {
        return IdleCheck.answer(question, Profiles.SHIPPED).verdict();
    }

    @Test
    void everythingKnownAndInTheWindowIsAnAllClear() {
        assertThat(verdict(good()).allClear()).isTrue();
        assertThat(verdict(good()).words()).isEqualTo("in the window");
    }

    @Test
    void missingMainsIsUnknown() {
        Verdict verdict = verdict(good().in(Circumstances.unknown()));
        assertThat(verdict.place()).isEqualTo(Verdict.Place.UNKNOWN);
        assertThat(verdict.reasons()).anyMatch(r -> r.contains("mains voltage is not given"));
    }

    @Test
    void mainsFurtherThanAnEstimateReachesIsUnknown() {
        assertThat(verdict(good().in(Circumstances.atMains(Mains.around(230, Optional.of(190.0)))))
                        .place())
                .isEqualTo(Verdict.Place.UNKNOWN);
    }

    @Test
    void staleVoltsAreUnknown() {
        for (Pairing stale : List.of(
                Pairing.apart(),
                new Pairing(Optional.of(10.5), Optional.empty(), false),
                new Pairing(Optional.empty(), Optional.of(-0.051), false),
                new Pairing(Optional.of(Double.NaN), Optional.empty(), false))) {
            Verdict verdict =
                    verdict(good().in(Circumstances.atMains(AT_NOMINAL).paired(stale)));
            assertThat(verdict.place()).isEqualTo(Verdict.Place.UNKNOWN);
            assertThat(verdict.qualifiers()).contains(Verdict.Qualifier.STALE);
        }
        Pairing fresh = new Pairing(Optional.of(9.0), Optional.of(0.049), false);
        assertThat(verdict(good().in(Circumstances.atMains(AT_NOMINAL).paired(fresh)))
                        .allClear())
                .isTrue();
    }

    @Test
    void aLimiterOrReducedMainsIsProvisional() {
        Verdict verdict = verdict(good().in(Circumstances.atMains(AT_NOMINAL).withLimiter()));
        assertThat(verdict.qualifiers()).contains(Verdict.Qualifier.PROVISIONAL);
        assertThat(verdict.allClear()).isFalse();
        Circumstances reduced = new Circumstances(
                Optional.of(AT_NOMINAL), false, true, Pairing.together(), Optional.empty(), Optional.empty());
        assertThat(verdict(good().in(reduced)).allClear()).isFalse();
    }

    @Test
    void tubesOutVoltsGiveNoWattsAndAreKeptAsUnloaded() {
        IdleAnswer answer = IdleCheck.answer(
                IdleQuestion.of(
                                StoryTube.fixedPair(TWENTY),
                                OWN,
                                volts(0.3191, 1e-4),
                                PlateVolts.of(PlateVolts.Reference.TUBES_OUT, Optional.of(volts(460, 1))))
                        .aimingAt(MIDDLE),
                Profiles.SHIPPED);
        assertThat(answer.plateWatts()).isEmpty();
        assertThat(answer.unloadedSupplyVolts()).contains(460.0);
        assertThat(answer.verdict().place()).isEqualTo(Verdict.Place.UNKNOWN);
        assertThat(answer.verdict().reasons()).anyMatch(r -> r.contains("unloaded B+"));
    }

    @Test
    void theCeilingInsideTheErrorBandIsNotInTheWindow() {
        Target.Window wide = new Target.Window("wide", 0.5, 0.9, "");
        IdleQuestion near = IdleQuestion.of(StoryTube.fixedPair(TWENTY), OWN, volts(0.4170, 1e-4), toChassis(400.4))
                .in(Circumstances.atMains(AT_NOMINAL))
                .aimingAt(wide);
        IdleAnswer answer = IdleCheck.answer(near, Profiles.SHIPPED);
        assertThat(100 * answer.share().orElseThrow().value()).isCloseTo(78.4, within(0.3));
        assertThat(answer.verdict().place()).isEqualTo(Verdict.Place.TOO_CLOSE);
        assertThat(answer.verdict().words()).isEqualTo("too close to call now");
        assertThat(answer.verdict().now().sentence()).contains("ceiling of 80 %", "inside the error band");
        assertThat(verdict(near.under(1.2)).place()).isEqualTo(Verdict.Place.IN_WINDOW);
    }

    @Test
    void aDesignMaximumRatingIsJudgedAtTheHighestMainsToo() {
        TubeType maximum = StoryTube.type("M20", RatingSystem.DESIGN_MAXIMUM, 20, Optional.of(3.0), 6, 1);
        IdleAnswer answer = IdleCheck.answer(good(maximum), Profiles.SHIPPED);
        double factor = answer.atHighest().orElseThrow().mid()
                / answer.share().orElseThrow().value();
        assertThat(factor).isCloseTo(Math.pow(1.1, 2.5), within(1e-9));
        assertThat(answer.verdict().allClear()).isTrue();
        assertThat(answer.verdict().raised().sentence()).contains("76 % at 253 V mains");
        assertThat(answer.judgedAt()).isEqualTo("at highest mains, 253 V");
        IdleQuestion unknown = IdleQuestion.of(
                        StageFacts.of(maximum, Topology.PUSH_PULL, Connection.PENTODE, BiasScheme.FIXED_UNKNOWN),
                        OWN,
                        volts(0.3191, 1e-4),
                        toChassis(400.3))
                .in(Circumstances.atMains(AT_NOMINAL))
                .aimingAt(MIDDLE);
        Verdict open = verdict(unknown);
        assertThat(open.place()).isEqualTo(Verdict.Place.OPEN_QUESTION);
        assertThat(open.question().orElseThrow().sentence())
                .contains("76 % at 253 V mains if the bias follows the mains")
                .contains("93 to 117 % if it is held constant");
    }

    @Test
    void cathodeBiasToChassisWithoutCathodeVoltsIsUnknown() {
        StageFacts stage = StageFacts.of(TWENTY, Topology.PUSH_PULL, Connection.PENTODE, BiasScheme.CATHODE);
        Verdict verdict = verdict(IdleQuestion.of(stage, OWN, volts(0.3191, 1e-4), toChassis(400.3))
                .in(Circumstances.atMains(AT_NOMINAL))
                .aimingAt(MIDDLE));
        assertThat(verdict.place()).isEqualTo(Verdict.Place.UNKNOWN);
        assertThat(verdict.qualifiers()).contains(Verdict.Qualifier.UPPER_BOUND);
        assertThat(verdict.reasons()).anyMatch(r -> r.contains("Cathode volts are missing"));
    }

    @Test
    void aScreenOverItsLimitOutranksTheWindow() {
        TubeType weak = StoryTube.type("S20", RatingSystem.DESIGN_CENTRE, 20, Optional.of(0.5), 6, 1);
        IdleQuestion question = good(weak).withScreenVolts(volts(390, 1));
        assertThat(verdict(question).place()).isEqualTo(Verdict.Place.LIMIT_PASSED);
        // Without screen volts the limit cannot be decided: unknown, not green.
        assertThat(verdict(good(weak)).place()).isEqualTo(Verdict.Place.UNKNOWN);
    }

    @Test
    void screenVoltsThatAreNotAboveTheCathodesAreNoGroundForAnAllClear() {
        StageFacts stage = StageFacts.of(TWENTY, Topology.PUSH_PULL, Connection.PENTODE, BiasScheme.CATHODE);
        IdleQuestion question = IdleQuestion.of(
                        stage, OWN, volts(0.3191, 1e-4), toChassis(420.0).withCathode(volts(20, 0.1)))
                .in(Circumstances.atMains(AT_NOMINAL))
                .aimingAt(MIDDLE);
        assertThat(verdict(question).allClear()).isTrue();
        Verdict swapped = verdict(question.withScreenVolts(volts(15, 0.1)));
        assertThat(swapped.place()).isEqualTo(Verdict.Place.UNKNOWN);
        assertThat(swapped.reasons()).anyMatch(r -> r.contains("the screen is not judged"));
    }

    @Test
    void aPlateVoltLimitThatIsPassedQualifiesTheVerdict() {
        TubeType small =
                ((yellowrail.core.tube.Lookup.Found) Catalogue.shipped().find("6V6GT")).type();
        IdleQuestion question = IdleQuestion.of(StoryTube.fixedPair(small), OWN, volts(0.183, 1e-3), toChassis(420))
                .in(Circumstances.atMains(AT_NOMINAL))
                .aimingAt(MIDDLE);
        Verdict verdict = verdict(question);
        assertThat(verdict.place()).isEqualTo(Verdict.Place.LIMIT_PASSED);
        assertThat(verdict.now().sentence()).startsWith("Plate volts");
    }

    @Test
    void aCombinedLimitIsJudgedWhereOneIsPublished() {
        TubeType kt88 = ((yellowrail.core.tube.Lookup.Found) Catalogue.shipped().find("KT88")).type();
        Ratings absolute = kt88.edition("absolute").orElseThrow();
        StageFacts triode = new StageFacts(
                Optional.of(kt88), Optional.of(absolute), Topology.PUSH_PULL, Connection.TRIODE, BiasScheme.CATHODE);
        IdleAnswer answer = IdleCheck.answer(
                IdleQuestion.of(
                                triode,
                                new CathodeMilliamps(),
                                StoryTube.amperes(0.0700, 1e-4),
                                PlateVolts.of(PlateVolts.Reference.CATHODE, Optional.of(volts(540, 1))))
                        .in(Circumstances.atMains(AT_NOMINAL)),
                List.of());
        assertThat(answer.limits())
                .anyMatch(l ->
                        l.name().startsWith("plate plus screen") && l.limit().startsWith("46.0 W"));
    }

    @Test
    void aMakersFigureIsATargetWithItsMeaningInPerCent() {
        IdleAnswer answer = IdleCheck.answer(good().aimingAt(new Target.MakersFigure(volts(0.320, 1e-3))), List.of());
        assertThat(answer.verdict().place()).isEqualTo(Verdict.Place.IN_WINDOW);
        assertThat(answer.notes()).anyMatch(n -> n.contains("maker's figure means 60.2 %"));
    }

    @Test
    void whatIsMissingIsRankedByWhatItCouldMove() {
        IdleAnswer answer = IdleCheck.answer(
                IdleQuestion.of(
                        StageFacts.of(
                                ((yellowrail.core.tube.Lookup.Found)
                                                Catalogue.shipped().find("KT90"))
                                        .type(),
                                Topology.PUSH_PULL,
                                Connection.PENTODE,
                                BiasScheme.FIXED_UNKNOWN),
                        OWN,
                        volts(0.4, 1e-3),
                        toChassis(450)),
                List.of());
        assertThat(answer.missing())
                .extracting(Missing::what)
                .containsExactly("mains voltage", "screen dissipation limit", "screen volts limit");
        assertThat(answer.missing()).extracting(Missing::effect).isSortedAccordingTo((a, b) -> Double.compare(b, a));
    }

    private static SensingMethod anyMethod(Random random, Connection connection) {
        SenseResistor resistor = new SenseResistor(
                0.5 + 300 * random.nextDouble(),
                10 * random.nextDouble(),
                random.nextInt(8) > 0 ? Optional.empty() : Optional.of(ohms(1 + 200 * random.nextDouble(), 0.1)),
                random.nextBoolean());
        int tubes = 1 + random.nextInt(8);
        return switch (random.nextInt(10)) {
            case 0 -> new OwnResistor(resistor);
            case 1 ->
                new SocketAdaptor(0.1 + 10 * random.nextDouble(), random.nextDouble(), 0.01 * random.nextGaussian());
            case 2 -> new SharedResistor(resistor, tubes);
            case 3 -> new CombinedPoint(resistor, tubes, 0.05 * random.nextDouble());
            case 4 -> new CathodeResistor(resistor, tubes);
            case 5 ->
                new HalfPrimary(
                        ohms(20 + 200 * random.nextDouble(), 1),
                        random.nextBoolean() ? Optional.empty() : Optional.of(40 * random.nextDouble()),
                        1 + random.nextInt(4),
                        connection,
                        random.nextDouble());
            case 6 ->
                random.nextBoolean()
                        ? new CathodeMilliamps()
                        : new PlateMilliamps(Optional.empty(), random.nextBoolean());
            case 7 ->
                new PanelMeter(
                        tubes,
                        random.nextBoolean()
                                ? Optional.empty()
                                : Optional.of(new PanelMeter.Calibration(5, 0.03, 0.05)));
            case 8 -> new SupplyResistor(resistor);
            default -> new GridVoltsOnly();
        };
    }

    private static IdleQuestion any(Random random) {
        List<TubeType> types = Catalogue.shipped().types();
        Connection connection = Connection.values()[random.nextInt(3)];
        BiasScheme bias = BiasScheme.values()[random.nextInt(BiasScheme.values().length)];
        StageFacts stage = new StageFacts(
                random.nextInt(10) == 0 ? Optional.empty() : Optional.of(types.get(random.nextInt(types.size()))),
                Optional.empty(),
                Topology.values()[random.nextInt(2)],
                connection,
                bias);
        SensingMethod method = anyMethod(random, connection);
        double usual =
                Math.max(1e-6, method.readingAt(new TubeCurrents(0.03, 0.002)).orElse(0.1));
        double scale =
                usual * Math.pow(10, random.nextInt(4) == 0 ? -3 + 6 * random.nextDouble() : random.nextDouble() - 0.5);
        Typed reading = new Typed("r", scale, method.field().unit(), scale / 1000);
        PlateVolts plate = PlateVolts.of(
                PlateVolts.Reference.values()[random.nextInt(4)],
                random.nextInt(8) == 0 ? Optional.empty() : Optional.of(volts(600 * random.nextDouble() + 1e-3, 0.1)));
        if (random.nextInt(bias.fixed() ? 8 : 2) == 0) {
            plate = plate.withCathode(volts(40 * random.nextDouble(), 0.1));
        }
        Optional<Mains> mains = random.nextInt(8) == 0
                ? Optional.empty()
                : Optional.of(Mains.around(
                        230, random.nextInt(8) == 0 ? Optional.empty() : Optional.of(200 + 60 * random.nextDouble())));
        Circumstances circumstances = new Circumstances(
                mains,
                random.nextInt(4) == 0,
                random.nextInt(4) == 0,
                random.nextInt(4) == 0 ? Pairing.apart() : Pairing.together(),
                random.nextBoolean() ? Optional.empty() : Optional.of(random.nextDouble()),
                Optional.empty());
        ScreenCurrent screen = switch (random.nextInt(8)) {
            case 0, 1, 2, 3, 4 -> new ScreenCurrent.TypeShare();
            case 5 -> new ScreenCurrent.NotCounted();
            default ->
                new ScreenCurrent.Measured(volts(5 * random.nextDouble(), 0.01), SenseResistor.marked(470, 5), 1);
        };
        Meter meter = Meter.CLASSES.get(random.nextInt(4));
        return new IdleQuestion(
                stage,
                method,
                random.nextInt(8) == 0 ? Optional.empty() : Optional.of(reading),
                meter,
                plate,
                random.nextBoolean() ? meter : Meter.BASIC,
                screen,
                random.nextInt(4) > 0 ? Optional.empty() : Optional.of(volts(450 * random.nextDouble() + 1, 0.1)),
                circumstances,
                random.nextInt(4) == 0 ? Optional.empty() : Optional.of(new Target.Window("wide", 0.01, 1.5, "")),
                0.3 + random.nextDouble());
    }

    /** Seeded random questions: no NaN, no exception, no green above the rating or with a gap. */
    @Test
    void noQuestionMakesAFalseAllClear() {
        Random random = new Random(42);
        int clear = 0;
        for (int i = 0; i < 60_000; i++) {
            IdleQuestion question = any(random);
            IdleAnswer answer = IdleCheck.answer(question, Profiles.SHIPPED);
            answer.plateWatts().ifPresent(w -> {
                assertThat(w.value()).isFinite().isGreaterThanOrEqualTo(0);
                assertThat(w.likely()).isFinite().isLessThanOrEqualTo(w.worst() + 1e-12);
            });
            answer.formulas().forEach(f -> assertThat(f.numbers() + f.result()).doesNotContain("NaN"));
            assertThat(answer.verdict().words()).doesNotContain("NaN");
            if (answer.verdict().allClear()) {
                clear++;
                assertThat(answer.missing()).noneMatch(Missing::blocks);
                assertThat(answer.share().orElseThrow().high()).isLessThan(Math.min(1, question.ceiling()));
                assertThat(answer.judgedShare().orElseThrow().high()).isLessThan(1.22);
                assertThat(answer.verdict().question()).isEmpty();
                assertThat(question.circumstances().mains().orElseThrow().now()).isPresent();
                assertThat(question.circumstances().limiter()).isFalse();
                assertThat(answer.limits())
                        .noneMatch(l -> l.state() == LimitCheck.State.OVER || l.state() == LimitCheck.State.AT);
            }
        }
        // The trial means something only if green is reached at all.
        assertThat(clear).isGreaterThan(20);
    }

    /** With the screen current measured or by share, Ip + Ig2 = Ik and both ways to the same watts agree. */
    @Test
    void theTwoWaysToTheSameWattsAgree() {
        Random random = new Random(43);
        for (int i = 0; i < 2_000; i++) {
            double ik = 0.01 + 0.08 * random.nextDouble();
            double vpk = 250 + 300 * random.nextDouble();
            PlateVolts plate = PlateVolts.of(PlateVolts.Reference.CATHODE, Optional.of(volts(vpk, 0.1)));
            IdleQuestion byDrop = IdleQuestion.of(
                    StoryTube.fixedPair(TWENTY),
                    new OwnResistor(SenseResistor.marked(10, 1)),
                    volts(10 * ik, 1e-4),
                    plate);
            IdleQuestion byPlate = IdleQuestion.of(
                    StoryTube.fixedPair(TWENTY),
                    new PlateMilliamps(Optional.empty(), true),
                    StoryTube.amperes(ik * 0.94, 1e-5),
                    plate);
            double one = IdleCheck.answer(byDrop, List.of())
                    .plateWatts()
                    .orElseThrow()
                    .value();
            double two = IdleCheck.answer(byPlate, List.of())
                    .plateWatts()
                    .orElseThrow()
                    .value();
            assertThat(one).isCloseTo(two, within(1e-9));
            IdleAnswer answer = IdleCheck.answer(byDrop, List.of());
            assertThat(answer.plateAmperes().orElseThrow().value()
                            + answer.screenAmperes().orElseThrow().value())
                    .isCloseTo(ik, within(1e-12));
        }
    }

    /** Turning to the reading a target names brings the watts it names. */
    @Test
    void aTargetReadingLeadsToItsTarget() {
        Random random = new Random(44);
        for (int i = 0; i < 3_000; i++) {
            IdleQuestion question = any(random);
            for (TargetReading target :
                    IdleCheck.answer(question, Profiles.SHIPPED).targets()) {
                boolean plateFollows = question.plate().reference() == PlateVolts.Reference.CATHODE;
                if (target.reading().isPresent()
                        && plateFollows
                        && question.screen() instanceof ScreenCurrent.TypeShare
                        && target.reading().get().value() > 0) {
                    IdleQuestion there = new IdleQuestion(
                            question.stage(),
                            question.method(),
                            target.reading(),
                            question.meter(),
                            question.plate(),
                            question.voltMeter(),
                            question.screen(),
                            question.screenVolts(),
                            question.circumstances(),
                            question.target(),
                            question.ceiling());
                    assertThat(IdleCheck.answer(there, List.of())
                                    .plateWatts()
                                    .orElseThrow()
                                    .value())
                            .isCloseTo(target.watts(), within(1e-6 * target.watts() + 1e-9));
                }
            }
        }
    }

    @Test
    void aWorseMeterNeverNarrowsTheBand() {
        Random random = new Random(45);
        for (int i = 0; i < 4_000; i++) {
            IdleQuestion question = any(random);
            List<Double> bands = new ArrayList<>();
            for (double percent : new double[] {0.1, 0.5, 2}) {
                Accuracy accuracy = new Accuracy(percent, 2);
                Meter meter = new Meter("m", accuracy, accuracy, accuracy);
                IdleCheck.answer(question.readBy(meter), List.of()).plateWatts().ifPresent(w -> bands.add(w.likely()));
            }
            assertThat(bands).isSorted();
        }
    }
}
