package yellowrail.core.idle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yellowrail.core.idle.StoryTube.toChassis;
import static yellowrail.core.idle.StoryTube.volts;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.sensing.CathodeMilliamps;
import yellowrail.core.reading.Pairing;
import yellowrail.core.target.Profiles;
import yellowrail.core.target.Target;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.RatingSystem;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;

/** Nothing is green with an input missing, stale, provisional, or with a limit inside the error band. */
class NeverFalseAllClearTest extends AllClearBench {
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
}
