package yellowrail.core.judging;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static yellowrail.core.tube.Publications.with;
import static yellowrail.core.tube.Publications.without;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.PublishedLimit;
import yellowrail.core.tube.RatingSystem;
import yellowrail.core.tube.Ratings;

/** Which limit holds at which mains, of every system, at its edges. */
class JudgeTest {
    private static final double BAND = 0.05;

    private static Ratings ratings(RatingSystem system, double watts, Double screenWatts, Double amperes) {
        return with(
                with(
                        new Ratings(
                                system,
                                system.words(),
                                Map.of(
                                        Limit.PLATE_WATTS,
                                        new Figure(watts, false),
                                        Limit.PLATE_VOLTS,
                                        new Figure(400, true)),
                                Set.of()),
                        Limit.SCREEN_WATTS,
                        screenWatts),
                Limit.CATHODE_AMPERES,
                amperes);
    }

    /** Figures at the mains there are: one value for each. */
    private static Figures figures(PublishedLimit limit, Value.From from, Map<At, Double> values) {
        return new Figures() {
            @Override
            public Set<At> at() {
                return values.keySet();
            }

            @Override
            public double mains(At at) {
                return 230;
            }

            @Override
            public Optional<Value> of(PublishedLimit asked, At at) {
                return asked == limit ? Optional.ofNullable(values.get(at)).map(v -> value(v, from)) : Optional.empty();
            }
        };
    }

    private static Value value(double value, Value.From from) {
        ErrorBudget errors = from == Value.From.NOT_FITTED
                ? ErrorBudget.exact()
                : ErrorBudget.exact().and("band", BAND);
        return new Value(new Estimate(value, errors), value, value, from);
    }

    private static Standing standing(RatingSystem system, Value.From from, At at, double watts) {
        Map<At, Double> values = new EnumMap<>(At.class);
        values.put(at, watts);
        List<Judgement> all = Judge.by(List.of(ratings(system, 10, 2.0, null)), true)
                .all(List.of(Limit.PLATE_WATTS), figures(Limit.PLATE_WATTS, from, values));
        return all.isEmpty() ? Standing.NOT_APPLICABLE : all.get(0).standing();
    }

    /** 10 W: at highest mains a design-centre publication allows 12.2 W, the others nothing more. */
    @ParameterizedTest
    @CsvSource({
        "DESIGN_CENTRE,  READ,     NOW,     9.4,  INSIDE",
        "DESIGN_CENTRE,  READ,     NOW,     9.6,  TOO_CLOSE",
        "DESIGN_CENTRE,  READ,     NOW,     10,   TOO_CLOSE",
        "DESIGN_CENTRE,  READ,     NOW,     10.1, OVER",
        "DESIGN_CENTRE,  CARRIED,  NOMINAL, 9.4,  INSIDE",
        "DESIGN_CENTRE,  CARRIED,  NOMINAL, 10.4, TOO_CLOSE",
        "DESIGN_CENTRE,  CARRIED,  NOMINAL, 10.7, OVER",
        "DESIGN_CENTRE,  CARRIED,  HIGHEST, 11.5, INSIDE",
        "DESIGN_CENTRE,  CARRIED,  HIGHEST, 12.1, TOO_CLOSE",
        "DESIGN_CENTRE,  CARRIED,  HIGHEST, 13.0, OVER",
        "DESIGN_CENTRE,  COMPUTED, HIGHEST, 12.3, OVER",
        "DESIGN_CENTRE,  COMPUTED, LOWEST,  10.3, OVER",
        "DESIGN_MAXIMUM, CARRIED,  NOMINAL, 20,   NOT_APPLICABLE",
        "DESIGN_MAXIMUM, CARRIED,  HIGHEST, 9.4,  INSIDE",
        "DESIGN_MAXIMUM, CARRIED,  HIGHEST, 10.4, TOO_CLOSE",
        "DESIGN_MAXIMUM, CARRIED,  HIGHEST, 10.7, OVER",
        "ABSOLUTE,       COMPUTED, HIGHEST, 10.1, OVER",
        "ABSOLUTE,       COMPUTED, HIGHEST, 9.9,  TOO_CLOSE",
        "UNSTATED,       COMPUTED, HIGHEST, 9.4,  INSIDE",
        "UNSTATED,       COMPUTED, NOMINAL, 9.4,  NOT_APPLICABLE",
        "UNSTATED,       NOT_FITTED, NOW,   5,    UNKNOWN",
        "UNSTATED,       NOT_FITTED, NOW,   10.1, OVER",
    })
    void eachSystemAtItsOwnMains(RatingSystem system, Value.From from, At at, double watts, Standing expected) {
        assertThat(standing(system, from, at, watts)).isEqualTo(expected);
    }

    @ParameterizedTest
    @EnumSource(Value.From.class)
    void whatIsPrintedAsTheLimitIsInsideIt(Value.From from) {
        Value exact = new Value(new Estimate(25, ErrorBudget.exact()), 25, 25, from);
        Standing at = from == Value.From.NOT_FITTED ? Standing.UNKNOWN : Standing.INSIDE;
        assertThat(Judge.part(exact, Optional.of(25.0))).isEqualTo(at);
        assertThat(Judge.part(exact, Optional.of(25 / (1 + 1e-9)))).isEqualTo(at);
        assertThat(Judge.part(exact, Optional.of(24.999))).isEqualTo(Standing.OVER);
        assertThat(Judge.part(exact, Optional.empty())).isEqualTo(Standing.UNKNOWN);
    }

    @Test
    void everyPublicationHasToHoldAtItsOwnMains() {
        Judge judge = Judge.by(
                List.of(
                        ratings(RatingSystem.DESIGN_CENTRE, 10, 2.0, null),
                        ratings(RatingSystem.ABSOLUTE, 12, 3.0, 0.1)),
                true);
        Figures watts =
                figures(Limit.PLATE_WATTS, Value.From.COMPUTED, Map.of(At.NOW, 9.0, At.NOMINAL, 9.2, At.HIGHEST, 11.5));
        List<Judgement> all = judge.all(List.of(Limit.PLATE_WATTS), watts);
        assertThat(all).extracting(Judgement::allowed).containsExactly(10.0, 10.0, 12.2, 12.0, 12.0);
        assertThat(all)
                .extracting(Judgement::standing)
                .containsExactly(
                        Standing.INSIDE, Standing.INSIDE, Standing.INSIDE, Standing.INSIDE, Standing.TOO_CLOSE);
        assertThat(judge.holds(List.of(Limit.PLATE_WATTS), l -> true, watts)).isFalse();
        assertThat(judge.holds(List.of(Limit.PLATE_WATTS), l -> false, watts)).isTrue();
        assertThat(judge.allowed(Limit.PLATE_WATTS, At.HIGHEST)).isEqualTo(OptionalDouble.of(12));
        assertThat(judge.allowed(Limit.PLATE_WATTS, At.NOMINAL)).isEqualTo(OptionalDouble.of(10));
        assertThat(judge.allowed(Limit.COMBINED_WATTS, At.NOW)).isEmpty();
        // The absolute publication alone gives a cathode current, and it counts.
        Figures amperes = figures(Limit.CATHODE_AMPERES, Value.From.READ, Map.of(At.NOW, 0.11));
        assertThat(judge.all(List.of(Limit.CATHODE_AMPERES), amperes))
                .extracting(Judgement::standing)
                .containsExactly(Standing.OVER);
        assertThat(all.stream().max(Judgement.GRAVITY).orElseThrow().standing()).isEqualTo(Standing.TOO_CLOSE);
    }

    @Test
    void aMarginMovesEveryLimitAndTheCeilingIsJudgedAtIdleAlone() {
        Ratings edition = ratings(RatingSystem.DESIGN_MAXIMUM, 10, 2.0, null);
        Figures watts =
                figures(Limit.PLATE_WATTS, Value.From.READ, Map.of(At.NOW, 7.9, At.NOMINAL, 8.5, At.HIGHEST, 9.0));
        Judge under = Judge.by(List.of(edition), true).under(0.8, edition);
        List<Judgement> all = under.all(List.of(Limit.PLATE_WATTS), watts);
        assertThat(all).extracting(Judgement::ceiling).containsExactly(true, true, false, false);
        assertThat(all)
                .extracting(Judgement::standing)
                .containsExactly(Standing.TOO_CLOSE, Standing.OVER, Standing.INSIDE, Standing.INSIDE);
        assertThat(all.get(0).allowed()).isCloseTo(8, within(1e-12));
        assertThat(under.holds(List.of(Limit.PLATE_WATTS), l -> true, watts)).isFalse();
        Judge room = Judge.by(List.of(edition), true).within(0.9);
        assertThat(room.all(List.of(Limit.PLATE_WATTS), watts))
                .extracting(Judgement::standing)
                .containsExactly(Standing.INSIDE, Standing.TOO_CLOSE);
        assertThat(room.editions()).containsExactly(edition);
    }

    @Test
    void aLimitThatNobodyGivesIsUnknownUnlessOneSaysThatThereIsNone() {
        Ratings edition = ratings(RatingSystem.DESIGN_CENTRE, 10, 2.0, null);
        Judge judge = Judge.by(List.of(edition), true);
        assertThat(judge.without(Limit.SCREEN_VOLTS)).isEqualTo(Standing.UNKNOWN);
        assertThat(judge.without(Limit.CATHODE_AMPERES)).isEqualTo(Standing.NONE_PUBLISHED);
        assertThat(judge.without(Limit.COMBINED_WATTS)).isEqualTo(Standing.NONE_PUBLISHED);
        assertThat(judge.without(DriveLimit.PEAK_PLATE_VOLTS)).isEqualTo(Standing.NONE_PUBLISHED);
        assertThat(Judge.by(List.of(without(edition, Limit.SCREEN_VOLTS)), true).without(Limit.SCREEN_VOLTS))
                .isEqualTo(Standing.NONE_PUBLISHED);
        assertThat(Judge.by(List.of(edition, without(edition, Limit.SCREEN_VOLTS)), true)
                        .without(Limit.SCREEN_VOLTS))
                .isEqualTo(Standing.NONE_PUBLISHED);
        assertThat(judge.gives(Limit.SCREEN_WATTS)).isTrue();
        assertThat(judge.gives(Limit.SCREEN_VOLTS)).isFalse();
        Judge triode = Judge.by(List.of(edition), false);
        for (PublishedLimit screens :
                List.of(Limit.SCREEN_WATTS, Limit.SCREEN_VOLTS, Limit.COMBINED_WATTS, DriveLimit.SCREEN_WATTS)) {
            assertThat(triode.without(screens)).isEqualTo(Standing.NOT_APPLICABLE);
            assertThat(triode.gives(screens)).isFalse();
            assertThat(triode.all(List.of(screens), figures(screens, Value.From.READ, Map.of(At.NOW, 50.0))))
                    .isEmpty();
        }
        assertThat(triode.gives(Limit.PLATE_WATTS)).isTrue();
    }

    @Test
    void withSignalTheSecondScreenFigureCountsWhereThereIsOne() {
        Ratings one = ratings(RatingSystem.ABSOLUTE, 12, 2.0, null);
        Ratings two = with(one, DriveLimit.SCREEN_WATTS, 4.0);
        Figures drive = figures(DriveLimit.SCREEN_WATTS, Value.From.COMPUTED, Map.of(At.NOW, 3.0));
        assertThat(Judge.by(List.of(one), true).all(List.of(DriveLimit.SCREEN_WATTS), drive))
                .extracting(Judgement::standing)
                .containsExactly(Standing.OVER);
        assertThat(Judge.by(List.of(two), true).all(List.of(DriveLimit.SCREEN_WATTS), drive))
                .extracting(Judgement::standing)
                .containsExactly(Standing.INSIDE);
    }

    @Test
    void theGravestFirst() {
        assertThat(Standing.values())
                .containsExactly(
                        Standing.OVER,
                        Standing.UNKNOWN,
                        Standing.OPEN_QUESTION,
                        Standing.TOO_CLOSE,
                        Standing.NONE_PUBLISHED,
                        Standing.INSIDE,
                        Standing.NOT_APPLICABLE);
        assertThat(Standing.GRAVITY.compare(Standing.OVER, Standing.INSIDE)).isPositive();
        for (Standing standing : Standing.values()) {
            assertThat(standing.passes())
                    .isEqualTo(List.of(Standing.NONE_PUBLISHED, Standing.INSIDE, Standing.NOT_APPLICABLE)
                            .contains(standing));
            assertThat(Standing.ofOutcomes(List.of(standing, standing))).isEqualTo(standing);
        }
        assertThat(Standing.ofOutcomes(List.of(Standing.INSIDE, Standing.OVER))).isEqualTo(Standing.OPEN_QUESTION);
    }

    @Test
    void aJudgementSaysHowFarItLiesAndWhatIsToBeVerified() {
        Judge judge = Judge.by(List.of(ratings(RatingSystem.ABSOLUTE, 12, 2.0, null)), true);
        Judgement volts = judge.all(
                        List.of(Limit.PLATE_VOLTS), figures(Limit.PLATE_VOLTS, Value.From.READ, Map.of(At.NOW, 200.0)))
                .get(0);
        assertThat(volts.share()).isCloseTo(0.5, within(1e-12));
        assertThat(volts.reach()).isCloseTo(0.5 * (1 + volts.value().band()), within(1e-12));
        assertThat(volts.toBeVerified()).isTrue();
        Judgement watts = judge.all(
                        List.of(Limit.PLATE_WATTS), figures(Limit.PLATE_WATTS, Value.From.READ, Map.of(At.NOW, 6.0)))
                .get(0);
        assertThat(watts.toBeVerified()).isFalse();
        assertThat(Judgement.GRAVITY.compare(volts, watts)).isZero();
    }

    @Test
    void computedFiguresWithoutABandAreNotFitted() {
        assertThat(Value.computed(3, Double.POSITIVE_INFINITY).from()).isEqualTo(Value.From.NOT_FITTED);
        assertThat(Value.computed(3, 0.1).from()).isEqualTo(Value.From.COMPUTED);
        assertThat(Value.computed(3, 0.1).figure().high()).isGreaterThan(3.1);
    }
}
