package yellowrail.core.idle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yellowrail.core.idle.StoryTube.volts;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.PlateMilliamps;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.judging.Standing;
import yellowrail.core.reading.Accuracy;
import yellowrail.core.reading.Meter;
import yellowrail.core.target.Profiles;

/** Random checks */
class RandomChecksTest extends AllClearBench {
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
                        .noneMatch(l -> l.standing() == Standing.OVER || l.standing() == Standing.TOO_CLOSE);
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
