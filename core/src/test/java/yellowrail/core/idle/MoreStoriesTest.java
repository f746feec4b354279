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
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.sensing.CathodeResistor;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.amp.sensing.SharedResistor;
import yellowrail.core.target.Profiles;
import yellowrail.core.target.Target;
import yellowrail.core.tube.Connection;

/** Further situations from the bench, each with the figure a builder would check by hand. */
class MoreStoriesTest {
    private static final OwnResistor SENSE =
            new OwnResistor(new SenseResistor(10, 1, Optional.of(ohms(9.94, 0.01)), false));

    private static IdleAnswer answer(IdleQuestion question) {
        return IdleCheck.answer(question, Profiles.SHIPPED);
    }

    /** Before and after a bias set-up: 11.86/9.44 W to 13.01/12.67 W without screen correction. */
    @ParameterizedTest
    @CsvSource({"27.4, 433, 11.86", "21.8, 433, 9.44", "30.9, 421, 13.01", "30.1, 421, 12.67"})
    void wattsWithoutScreenCorrection(double milliamperes, double plateVolts, double watts) {
        IdleQuestion question = IdleQuestion.of(
                        fixedPair(x19()),
                        SENSE,
                        StoryTube.amperes(milliamperes / 1000, 1e-4),
                        PlateVolts.of(PlateVolts.Reference.CATHODE, Optional.of(volts(plateVolts, 1))))
                .with(new ScreenCurrent.NotCounted());
        assertThat(answer(question).plateWatts().orElseThrow().value()).isCloseTo(watts, within(0.02));
    }

    /** Two tubes share 226 Ω at 15.4 V, Vpk 288 V, 11 W, screen share 7 %: 34.07 mA each, 9.13 W, 83.0 %. */
    @Test
    void aSharedCathodeResistorTellsTheMean() {
        StageFacts stage = StageFacts.of(
                StoryTube.type("T11", 11, 7, 1), Topology.PUSH_PULL, Connection.PENTODE, BiasScheme.CATHODE);
        IdleAnswer answer = answer(IdleQuestion.of(
                stage, new CathodeResistor(SenseResistor.marked(226, 1), 2), volts(15.4, 0.1), toChassis(303.4)));
        assertThat(1000 * answer.cathodeAmperes().orElseThrow().value()).isCloseTo(34.07, within(0.05));
        assertThat(answer.plateToCathodeVolts().orElseThrow().value()).isCloseTo(288, within(1e-9));
        assertThat(answer.plateWatts().orElseThrow().value()).isCloseTo(9.13, within(0.02));
        assertThat(100 * answer.share().orElseThrow().value()).isCloseTo(83.0, within(0.2));
        assertThat(answer.verdict().qualifiers()).contains(Verdict.Qualifier.MEAN_ONLY);
    }

    /** 12.25 W at 238 V with tracking bias is about 11.25 W at 230 V and 13.44 W at 247 V. */
    @Test
    void wattsAreCarriedToAnotherMainsByTheSchemesExponent() {
        assertThat(12.25 * BiasScheme.FIXED_TRACKING.dissipationFactor(230.0 / 238))
                .isCloseTo(11.25, within(0.02));
        assertThat(12.25 * BiasScheme.FIXED_TRACKING.dissipationFactor(247.0 / 238))
                .isCloseTo(13.44, within(0.02));
        IdleAnswer answer = answer(IdleQuestion.of(fixedPair(x19()), SENSE, volts(0.3271, 1e-4), toChassis(396.5))
                .readBy(EXACT)
                .in(Circumstances.atMains(Mains.around(230, Optional.of(238.0)))));
        assertThat(19 * answer.atHighest().orElseThrow().mid())
                .isCloseTo(12.25 * Math.pow(253.0 / 238, 2.5), within(0.02));
        assertThat(answer.judgedAt()).isEqualTo("at highest mains, 253 V");
    }

    /** At the supply node the winding's drop is taken off: 420 V − 2 tubes · 30.9 mA · 113 Ω. */
    @Test
    void aReadingAtTheSupplyNodeLosesTheWindingsDrop() {
        PlateVolts node = PlateVolts.of(PlateVolts.Reference.SUPPLY_NODE, Optional.of(volts(420, 1)));
        IdleAnswer bare = answer(IdleQuestion.of(fixedPair(x19()), SENSE, volts(0.3271, 1e-4), node));
        assertThat(bare.verdict().qualifiers()).contains(Verdict.Qualifier.UPPER_BOUND);
        assertThat(bare.missing()).anyMatch(m -> m.what().equals("half-primary ohms") && m.blocks());
        IdleAnswer known = answer(
                IdleQuestion.of(fixedPair(x19()), SENSE, volts(0.3271, 1e-4), node.withHalfPrimary(ohms(113, 1), 2)));
        double drop = 2 * known.plateAmperes().orElseThrow().value() * 113;
        assertThat(known.plateToCathodeVolts().orElseThrow().value()).isCloseTo(420 - 0.3271 - drop, within(1e-9));
    }

    /** A 470 Ω screen resistor with 0.93 V across it carries 1.98 mA, better than any table. */
    @Test
    void aMeasuredScreenCurrentReplacesTheShare() {
        IdleAnswer answer = answer(IdleQuestion.of(fixedPair(x19()), SENSE, volts(0.3271, 1e-4), toChassis(396.5))
                .with(new ScreenCurrent.Measured(volts(0.93, 0.01), SenseResistor.marked(470, 5), 1)));
        assertThat(1000 * answer.screenAmperes().orElseThrow().value()).isCloseTo(1.979, within(0.002));
        assertThat(1000 * answer.plateAmperes().orElseThrow().value()).isCloseTo(32.907 - 1.979, within(0.005));
        assertThat(answer.formulas()).anyMatch(f -> f.symbols().startsWith("Ig2 = V(Rg2)"));
        IdleAnswer impossible = answer(IdleQuestion.of(fixedPair(x19()), SENSE, volts(0.3271, 1e-4), toChassis(396.5))
                .with(new ScreenCurrent.Measured(volts(20, 0.1), SenseResistor.marked(470, 5), 1)));
        assertThat(impossible.plateWatts()).isEmpty();
        assertThat(impossible.verdict().reasons()).anyMatch(r -> r.contains("one of the two readings is wrong"));
    }

    @Test
    void aSwappedPairOfVoltagesIsNotTurnedIntoWatts() {
        StageFacts stage = StageFacts.of(x19(), Topology.PUSH_PULL, Connection.PENTODE, BiasScheme.CATHODE);
        IdleAnswer answer = answer(IdleQuestion.of(
                stage, SENSE, volts(0.3271, 1e-4), toChassis(17.9).withCathode(volts(318.6, 0.1))));
        assertThat(answer.plateWatts()).isEmpty();
        assertThat(answer.verdict().place()).isEqualTo(Verdict.Place.UNKNOWN);
    }

    @Test
    void aMeanSaysHowUnequalTheTubesMayBe() {
        IdleAnswer answer = answer(IdleQuestion.of(
                        fixedPair(StoryTube.type("T12", 12, 8, 0)),
                        new SharedResistor(SenseResistor.marked(0.5, 0), 4),
                        volts(0.0480, 1e-4),
                        PlateVolts.of(PlateVolts.Reference.CATHODE, Optional.of(volts(318, 1))))
                .in(Circumstances.atMains(Mains.around(230, Optional.of(230.0)))));
        // Mean 24 mA is 58.5 %; the ceiling of 80 % is reached at 37 % more.
        assertThat(answer.notes()).anyMatch(n -> n.contains("37 % more than the mean"));
        assertThat(answer.missing()).anyMatch(m -> m.what().equals("spread between the tubes"));
    }

    @Test
    void aDecimalSlipInThePlateVoltsIsAskedAbout() {
        yellowrail.core.tube.TubeType type = ((yellowrail.core.tube.Lookup.Found)
                        yellowrail.core.tube.Catalogue.shipped().find("6L6GC"))
                .type();
        IdleAnswer answer = answer(IdleQuestion.of(fixedPair(type), SENSE, volts(0.3271, 1e-4), toChassis(43.1)));
        assertThat(answer.slips()).anyMatch(s -> s.instead().equals("431 V"));
    }

    @Test
    void fourTubesBehindAPointTakenForOneAreAskedAbout() {
        IdleAnswer answer = answer(IdleQuestion.of(
                fixedPair(x19()), new OwnResistor(SenseResistor.marked(1, 1)), volts(0.120, 1e-3), toChassis(396.5)));
        assertThat(answer.slips()).anyMatch(s -> s.question().contains("4 tubes"));
    }

    @Test
    void above100PerCentIsAskedAboutAsReal() {
        IdleAnswer answer = answer(IdleQuestion.of(fixedPair(x19()), SENSE, volts(0.53, 1e-3), toChassis(396.5)));
        assertThat(answer.slips()).anyMatch(s -> s.question().startsWith("This would be 104 %"));
        assertThat(answer.verdict().place()).isEqualTo(Verdict.Place.ABOVE_RATING);
    }

    @Test
    void everyWindowThatBelongsGetsAReadingAndOnlyTheChosenOneIsMarked() {
        IdleAnswer answer = answer(IdleQuestion.of(fixedPair(x19()), SENSE, volts(0.3271, 1e-4), toChassis(396.5))
                .aimingAt(Profiles.named("warm").orElseThrow()));
        List<TargetReading> targets = answer.targets();
        assertThat(targets).hasSize(4).allMatch(t -> t.reading().isPresent());
        assertThat(targets.stream().filter(TargetReading::chosen).map(TargetReading::name))
                .containsExactly("warm");
        for (TargetReading target : targets) {
            assertThat(target.plateAmperes()
                            * answer.plateToCathodeVolts().orElseThrow().value())
                    .isCloseTo(target.watts(), within(1e-9));
        }
    }

    @Test
    void theUsualCeilingsAre80PerCentForFixedBiasAnd100ForCathodeBiasAndClassA() {
        assertThat(BiasScheme.FIXED_TRACKING.usualCeiling(Topology.PUSH_PULL)).isEqualTo(0.8);
        assertThat(BiasScheme.MIXED.usualCeiling(Topology.PUSH_PULL)).isEqualTo(0.8);
        assertThat(BiasScheme.CATHODE.usualCeiling(Topology.PUSH_PULL)).isEqualTo(1.0);
        assertThat(BiasScheme.FIXED_TRACKING.usualCeiling(Topology.SINGLE_ENDED))
                .isEqualTo(1.0);
    }

    @Test
    void anImpossibleWindowIsRefused() {
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> new Target.Window("x", 0.7, 0.6, ""))
                .hasMessageContaining("rises");
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> new Target.Window("", 0.5, 0.6, ""))
                .hasMessageContaining("name");
    }
}
