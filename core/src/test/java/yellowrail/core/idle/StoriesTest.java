package yellowrail.core.idle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yellowrail.core.idle.StoryTube.EXACT;
import static yellowrail.core.idle.StoryTube.fixedPair;
import static yellowrail.core.idle.StoryTube.ohms;
import static yellowrail.core.idle.StoryTube.toChassis;
import static yellowrail.core.idle.StoryTube.volts;
import static yellowrail.core.idle.StoryTube.x19;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.sensing.CathodeMilliamps;
import yellowrail.core.amp.sensing.CathodeResistor;
import yellowrail.core.amp.sensing.HalfPrimary;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.amp.sensing.SharedResistor;
import yellowrail.core.amp.sensing.SocketAdaptor;
import yellowrail.core.reading.Accuracy;
import yellowrail.core.reading.Meter;
import yellowrail.core.target.Profiles;
import yellowrail.core.target.Target;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.RatingSystem;
import yellowrail.core.tube.TubeType;

/** Worked bench stories with their figures: currents ±0.05 mA, watts ±0.02 W, per cent ±0.2. */
class StoriesTest {
    private static final SenseResistor TEN_OHM = new SenseResistor(10, 1, Optional.of(ohms(9.94, 0.01)), false);
    private static final OwnResistor SENSE = new OwnResistor(TEN_OHM);

    private static IdleQuestion bench() {
        return IdleQuestion.of(fixedPair(x19()), SENSE, volts(0.3271, 1e-4), toChassis(396.5))
                .readBy(EXACT);
    }

    private static IdleAnswer answer(IdleQuestion question) {
        return IdleCheck.answer(question, Profiles.SHIPPED);
    }

    @Test
    void aDropOverTheMeasuredResistorGivesTheCathodeCurrent() {
        assertThat(answer(bench()).cathodeAmperes().orElseThrow().value()).isCloseTo(0.03291, within(5e-6));
        IdleQuestion marked = IdleQuestion.of(
                fixedPair(x19()), new OwnResistor(SenseResistor.marked(10, 1)), volts(0.3271, 1e-4), toChassis(396.5));
        assertThat(answer(marked).cathodeAmperes().orElseThrow().value()).isCloseTo(0.03271, within(5e-6));
        assertThat(answer(bench()).notes()).anyMatch(n -> n.contains("0.60 %") && n.contains("measured value is used"));
    }

    @Test
    void tenTimesTheUsualIsAskedAboutWithBothResults() {
        IdleAnswer answer = answer(IdleQuestion.of(fixedPair(x19()), SENSE, volts(3.271, 1e-3), toChassis(396.5)));
        assertThat(answer.slips()).isNotEmpty();
        assertThat(answer.slips().get(0).question())
                .contains("ten times the usual")
                .contains("329 mA")
                .contains("327.1 mV")
                .contains("32.9 mA");
        assertThat(answer.verdict().place()).isEqualTo(Verdict.Place.ABOVE_RATING);
    }

    @Test
    void aMeasuredOhmThatLeadsWouldExplainIsHeldBack() {
        SenseResistor one = new SenseResistor(1, 1, Optional.of(ohms(1.28, 0.01)), false);
        assertThat(one.ohms()).isEqualTo(1);
        assertThat(one.words()).contains("Null the leads");
        IdleAnswer held =
                answer(IdleQuestion.of(fixedPair(x19()), new OwnResistor(one), volts(0.0310, 1e-4), toChassis(396.5)));
        assertThat(held.notes())
                .anyMatch(n -> n.contains("31.0 mA with the marked value")
                        && n.contains("24.2 mA with the measured one")
                        && n.contains("Null the leads"));
        SenseResistor insisted = new SenseResistor(1, 1, Optional.of(ohms(1.28, 0.01)), true);
        assertThat(0.0310 / one.ohms()).isCloseTo(0.0310, within(5e-5));
        assertThat(0.0310 / insisted.ohms()).isCloseTo(0.0242, within(5e-5));
    }

    @Test
    void groundReadingsHaveTheCathodeTakenOff() {
        assertThat(answer(bench()).plateToCathodeVolts().orElseThrow().value()).isCloseTo(396.17, within(0.05));
        StageFacts cathodeBiased = StageFacts.of(x19(), Topology.PUSH_PULL, Connection.PENTODE, BiasScheme.CATHODE);
        IdleAnswer answer = answer(IdleQuestion.of(
                cathodeBiased,
                new CathodeResistor(SenseResistor.marked(270, 1), 2),
                volts(17.9, 0.1),
                toChassis(318.6)));
        assertThat(answer.plateToCathodeVolts().orElseThrow().value()).isCloseTo(300.7, within(1e-9));
        assertThat(answer.notes()).anyMatch(n -> n.contains("overstate the watts by 6.0 %"));
    }

    @Test
    void aCathodeReferenceIsTakenButTwoGroundReadingsAreAdvised() {
        IdleAnswer answer = answer(IdleQuestion.of(
                fixedPair(x19()),
                SENSE,
                volts(0.3271, 1e-4),
                PlateVolts.of(PlateVolts.Reference.CATHODE, Optional.of(volts(396.2, 0.1)))));
        assertThat(answer.plateToCathodeVolts().orElseThrow().value()).isEqualTo(396.2);
        assertThat(answer.notes()).anyMatch(n -> n.contains("Two readings to chassis are safer"));
    }

    @Test
    void bothWattsAreReported() {
        IdleAnswer answer = answer(bench());
        assertThat(answer.plateAmperes().orElseThrow().value()).isCloseTo(0.03093, within(5e-6));
        assertThat(answer.plateWatts().orElseThrow().value()).isCloseTo(12.25, within(0.02));
        assertThat(100 * answer.share().orElseThrow().value()).isCloseTo(64.5, within(0.2));
        assertThat(answer.upperBoundWatts().orElseThrow()).isCloseTo(13.04, within(0.02));
        IdleAnswer notCounted = answer(bench().with(new ScreenCurrent.NotCounted()));
        assertThat(100 * notCounted.share().orElseThrow().value()).isCloseTo(68.6, within(0.2));
        assertThat(notCounted.verdict().qualifiers()).contains(Verdict.Qualifier.UPPER_BOUND);
    }

    @Test
    void screenDissipationUsesTheScreensVolts() {
        IdleAnswer answer = answer(bench().withScreenVolts(volts(391.2, 0.1)));
        assertThat(answer.screenWatts().orElseThrow().value()).isCloseTo(0.77, within(0.02));
        assertThat(answer.limits())
                .anyMatch(
                        l -> l.name().equals("screen dissipation") && l.limit().equals("none published"));
    }

    /** V ±0.8 %, drop ±0.5 %, R ±1 %, share ±2 points: about ±3.1 %, printed 12.3 ± 0.4 W. */
    @Test
    void theUncertaintyIsCarriedToTheWatts() {
        Meter volt = new Meter("m", new Accuracy(0.8, 0), new Accuracy(0, 0), new Accuracy(1, 0));
        IdleQuestion base = bench();
        // One meter with two ranges: 0.8 % on the plate, 0.5 % on the drop. Same key, so they are added.
        Meter drop = new Meter("m", new Accuracy(0.5, 0), new Accuracy(0, 0), new Accuracy(1, 0));
        double worst =
                answer(base.readBy(volt)).plateWatts().orElseThrow().errors().worst();
        assertThat(worst).isCloseTo(0.008 + 0.008 + 0.01 + 0.02 / 0.94, within(3e-5));
        double likely =
                answer(base.readBy(drop)).plateWatts().orElseThrow().errors().likely();
        assertThat(likely)
                .isCloseTo(2 / Math.sqrt(3) * Math.sqrt(0.01 * 0.01 + 0.01 * 0.01 + 0.021277 * 0.021277), within(3e-5));
        assertThat(yellowrail.core.reading.Show.plusMinus(12.25, 12.25 * 0.031)).isEqualTo("12.3 ± 0.4");
    }

    @Test
    void aTargetBecomesTheReadingToTurnTo() {
        Target.Window own = new Target.Window("own", 0.60, 0.64, "");
        IdleAnswer answer = answer(bench().aimingAt(own));
        TargetReading line = answer.targets().stream()
                .filter(TargetReading::chosen)
                .findFirst()
                .orElseThrow();
        assertThat(line.watts()).isCloseTo(11.78, within(0.005));
        assertThat(line.plateAmperes()).isCloseTo(0.02973, within(5e-5));
        assertThat(line.reading().orElseThrow().value()).isCloseTo(0.3144, within(3e-4));
        // Neither the profile for cathode bias nor the one for single-ended stages belongs to a push-pull pair.
        assertThat(answer.targets()).hasSize(Profiles.SHIPPED.size() + 1 - 2);
        assertThat(answer(bench()).targets()).noneMatch(TargetReading::chosen);
        assertThat(answer(bench()).verdict().place()).isEqualTo(Verdict.Place.NO_TARGET);
    }

    /** Four tubes on 0.50 Ω at 60.4 mV: 120.8 mA, mean 30.2 mA, 73.6 %; on an adaptor one of them is at 101.4 %. */
    @Test
    void aSharedResistorGivesAMeanAndTheAdaptorTheTruth() {
        TubeType twelve = StoryTube.type("T12", 12, 8, 0);
        StageFacts stage = fixedPair(twelve);
        SharedResistor shared = new SharedResistor(SenseResistor.marked(0.5, 0), 4);
        PlateVolts plate = PlateVolts.of(PlateVolts.Reference.CATHODE, Optional.of(volts(318, 1)));
        IdleQuestion question =
                IdleQuestion.of(stage, shared, volts(0.0604, 1e-4), plate).readBy(EXACT);
        IdleAnswer mean = answer(question);
        assertThat(mean.cathodeAmperes().orElseThrow().value()).isCloseTo(0.0302, within(1e-9));
        assertThat(100 * mean.share().orElseThrow().value()).isCloseTo(73.6, within(0.2));
        assertThat(mean.verdict().qualifiers()).contains(Verdict.Qualifier.MEAN_ONLY);
        assertThat(mean.notes()).anyMatch(n -> n.contains("individual tubes are not seen"));

        double[] percent = {101.4, 90.0, 56.3, 46.8};
        double[] milliamps = {41.6, 36.9, 23.1, 19.2};
        for (int i = 0; i < 4; i++) {
            IdleAnswer each =
                    answer(IdleQuestion.of(stage, new SocketAdaptor(1, 0, 0), volts(milliamps[i] / 1000, 1e-4), plate)
                            .readBy(EXACT));
            assertThat(100 * each.share().orElseThrow().value()).isCloseTo(percent[i], within(0.2));
            if (i == 0) {
                assertThat(each.verdict().place()).isEqualTo(Verdict.Place.ABOVE_RATING);
            }
        }
        // 29 mA each is expected to read 58.0 mV at the shared point.
        assertThat(shared.readingAt(new yellowrail.core.amp.sensing.TubeCurrents(0.029, 0))
                        .orElseThrow())
                .isCloseTo(0.058, within(1e-9));
        // The hottest of a stated ±38 % spread is judged, not the mean.
        IdleAnswer spread = answer(question.in(
                Circumstances.atMains(Mains.around(230, Optional.of(230.0))).withSpread(0.38)));
        assertThat(spread.verdict().place()).isEqualTo(Verdict.Place.ABOVE_RATING);
    }

    /** 3.72 V over 113 Ω cold is 32.9 mA uncorrected, 30.0 mA with the winding 25 °C warmer. */
    @Test
    void aHalfPrimaryIsCorrectedForWarmCopperAndHasNoScreenCurrentInIt() {
        IdleAnswer cold = answer(IdleQuestion.of(
                fixedPair(x19()),
                new HalfPrimary(ohms(113, 1), Optional.empty(), 1, Connection.PENTODE, 0),
                volts(3.72, 0.01),
                toChassis(396.5)));
        assertThat(cold.plateAmperes().orElseThrow().value()).isCloseTo(0.0329, within(5e-5));
        assertThat(cold.verdict().qualifiers()).contains(Verdict.Qualifier.UPPER_BOUND);
        IdleAnswer warm = answer(IdleQuestion.of(
                fixedPair(x19()),
                new HalfPrimary(ohms(113, 1), Optional.of(25.0), 1, Connection.PENTODE, 0),
                volts(3.72, 0.01),
                toChassis(396.5)));
        assertThat(warm.plateAmperes().orElseThrow().value()).isCloseTo(0.0300, within(5e-5));
        assertThat(warm.cathodeAmperes().orElseThrow().value()).isCloseTo(0.0300 / 0.94, within(5e-5));
        IdleAnswer ultralinear = answer(IdleQuestion.of(
                fixedPair(x19()),
                new HalfPrimary(ohms(113, 1), Optional.of(25.0), 1, Connection.ULTRALINEAR, 0.4),
                volts(3.72, 0.01),
                toChassis(396.5)));
        assertThat(ultralinear.plateAmperes().orElseThrow().value())
                .isCloseTo(0.0300 / (1 + 0.4 * 0.06 / 0.94), within(5e-5));
    }

    /** Plate against the plate limit and screen against the screen limit; never the sum of the two limits. */
    @Test
    void triodeConnectionJudgesPlateAndScreenApart() {
        TubeType type = StoryTube.type("T20", RatingSystem.DESIGN_CENTRE, 20, Optional.of(2.0), 12, 0);
        StageFacts triode = StageFacts.of(type, Topology.PUSH_PULL, Connection.TRIODE, BiasScheme.CATHODE);
        PlateVolts plate = PlateVolts.of(PlateVolts.Reference.CATHODE, Optional.of(volts(360, 1)));
        CathodeMilliamps method = new CathodeMilliamps();
        IdleAnswer answer = answer(IdleQuestion.of(triode, method, StoryTube.amperes(0.050, 1e-4), plate)
                .readBy(EXACT)
                .aimingAt(new Target.Window("own", 0.7, 0.9, "")));
        // 18 W in all would pass 22 W added up; the screen alone takes 2.16 W of its 2 W.
        assertThat(answer.plateWatts().orElseThrow().value()).isCloseTo(15.84, within(0.02));
        assertThat(answer.screenWatts().orElseThrow().value()).isCloseTo(2.16, within(0.02));
        assertThat(answer.verdict().place()).isEqualTo(Verdict.Place.LIMIT_PASSED);
        assertThat(answer.verdict().now().sentence()).contains("Screen dissipation 2.16");
    }

    @Test
    void theListOfProfilesIsTheShippedOneAndNoneIsPreselected() {
        assertThat(List.copyOf(Profiles.SHIPPED))
                .extracting(Target.Window::name)
                .containsExactly("cool", "middle", "warm", "hot", "cathode-bias usual", "single-ended");
        assertThat(bench().target()).isEmpty();
    }
}
