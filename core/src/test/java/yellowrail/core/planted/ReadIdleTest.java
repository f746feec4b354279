package yellowrail.core.planted;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.idle.IdleCheck;
import yellowrail.core.idle.IdleQuestion;
import yellowrail.core.idle.LimitCheck;
import yellowrail.core.idle.ReadIdle;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Figures;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Judgement;
import yellowrail.core.judging.Known;
import yellowrail.core.judging.Standing;
import yellowrail.core.judging.Value;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.PublishedLimit;

/** What was read stands on a stage's page as it stands in the check itself. */
class ReadIdleTest {
    private record OfStage(Known known) implements Figures {
        @Override
        public Set<At> at() {
            return Set.of(At.HIGHEST);
        }

        @Override
        public double mains(At at) {
            return at == At.HIGHEST ? 1.1 : 1;
        }

        @Override
        public Optional<Value> of(PublishedLimit limit, At at) {
            return known.of(limit, at);
        }
    }

    private static Standing standing(IdleQuestion question, List<Known> read, Limit limit) {
        Judge judge = Judge.by(
                question.stage().editions(),
                question.stage().type().filter(t -> !t.hasScreen()).isEmpty());
        return Standing.ofOutcomes(read.stream()
                .map(k -> judge.all(List.of(limit), new OfStage(k)).stream()
                        .max(Judgement.GRAVITY)
                        .orElseThrow()
                        .standing())
                .toList());
    }

    /** Every planted check whose readings stand for a stage gives each limit the same word there. */
    @Test
    void everyLimitStandsAsInTheCheck() {
        List<String> apart = new ArrayList<>();
        int compared = 0;
        for (PlantedCases.Case asked : Stream.of("never-green.txt", "plainly-fine.txt")
                .flatMap(f -> PlantedCases.of(f).stream())
                .toList()) {
            IdleQuestion question = PlantedQuestion.of(asked);
            IdleAnswer answer = IdleCheck.answer(question, List.of());
            List<Known> read = ReadIdle.of(List.of(answer));
            if (read.isEmpty()) {
                continue;
            }
            for (LimitCheck check : answer.limits()) {
                Limit limit = Stream.of(Limit.values())
                        .filter(l -> l.words().equals(check.name()))
                        .findFirst()
                        .orElseThrow();
                boolean judged = check.standing() != Standing.NONE_PUBLISHED
                        && check.standing() != Standing.NOT_APPLICABLE
                        && read.get(0).of(limit, At.NOW).isPresent();
                if (judged) {
                    compared++;
                    Standing there = standing(question, read, limit);
                    if (there != check.standing()) {
                        apart.add(asked + " " + limit + ": " + check.standing() + " in the check, " + there
                                + " on the stage");
                    }
                }
            }
        }
        assertThat(apart).isEmpty();
        assertThat(compared).isGreaterThan(100);
    }

    /** What is contradicted, provisional, a mean or without mains stands for nothing. */
    @Test
    void whatIsInDoubtStandsForNothing() {
        int none = 0;
        for (PlantedCases.Case asked : PlantedCases.of("never-green.txt")) {
            IdleAnswer answer = IdleCheck.answer(PlantedQuestion.of(asked), List.of());
            boolean doubt = !answer.contradictions().isEmpty()
                    || !answer.verdict().qualifiers().isEmpty()
                    || answer.plateWatts().isEmpty();
            if (doubt) {
                assertThat(ReadIdle.of(List.of(answer))).as(asked.toString()).isEmpty();
                none++;
            }
        }
        assertThat(none).isGreaterThan(20);
        assertThat(ReadIdle.of(List.of())).isEmpty();
    }

    /** Of two tubes the hotter one counts, and one that was not read takes the other's word away. */
    @Test
    void theTubeFurthestTowardsItsLimitCounts() {
        List<IdleAnswer> answers = PlantedCases.of("plainly-fine.txt").stream()
                .map(c -> IdleCheck.answer(PlantedQuestion.of(c), List.of()))
                .filter(a -> ReadIdle.of(List.of(a)).size() == 1)
                .limit(2)
                .toList();
        double[] watts = answers.stream().mapToDouble(ReadIdleTest::watts).toArray();
        List<Known> both = ReadIdle.of(answers);
        assertThat(both.get(0)
                        .of(Limit.PLATE_WATTS, At.NOW)
                        .orElseThrow()
                        .figure()
                        .value())
                .isEqualTo(Math.max(watts[0], watts[1]));
        IdleAnswer blank = PlantedCases.of("never-green.txt").stream()
                .map(c -> IdleCheck.answer(PlantedQuestion.of(c), List.of()))
                .filter(a -> a.plateWatts().isEmpty())
                .findFirst()
                .orElseThrow();
        assertThat(ReadIdle.of(List.of(answers.get(0), blank))).isEmpty();
    }

    private static double watts(IdleAnswer answer) {
        return ReadIdle.of(List.of(answer))
                .get(0)
                .of(Limit.PLATE_WATTS, At.NOW)
                .orElseThrow()
                .figure()
                .value();
    }
}
