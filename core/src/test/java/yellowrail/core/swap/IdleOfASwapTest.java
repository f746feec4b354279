package yellowrail.core.swap;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Known;
import yellowrail.core.judging.Value;
import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.PublishedLimit;

/** The idle that a sheet aims at, and what it says of tubes that would idle near their rating. */
class IdleOfASwapTest {
    /** An amp that idles above its rating is no reason to ask for that again; what was typed is, and is told apart. */
    @Test
    void anIdleThatNobodyAskedForComesDownToWhatIsAccepted() {
        Present hot = Swaps.fixed("6L6GC", 2, 400, 4200, 1.1);
        SwapCandidate c = Swaps.candidate(hot, "6L6GC");
        SwapCandidate unasked = new SwapCandidate(
                c.type(),
                c.editions(),
                c.curves(),
                2,
                Connection.PENTODE,
                0.5,
                1.1,
                Optional.empty(),
                BiasChange.AS_NOW,
                Optional.empty(),
                false);
        SwapSheet lowered = SwapSheet.of(new SwapQuestion(hot, Around.generous(), unasked));
        assertThat(lowered.question().candidate().idleShare()).isBetween(0.5, 0.85);
        assertThat(Swaps.row(lowered, Criterion.BIAS_RANGE).reason())
                .contains("The present share of the rating, 110 %, would pass a limit at idle")
                // With the bias as it is they would idle as hot as the present ones.
                .contains("turn to the coldest end before the tubes go in");
        SwapCandidate typed = new SwapCandidate(
                c.type(), c.editions(), c.curves(), 2, Connection.PENTODE, 0.5, 1.1, Optional.empty());
        SwapSheet asked = SwapSheet.of(new SwapQuestion(hot, Around.generous(), typed));
        assertThat(asked.question().candidate().idleShare()).isEqualTo(1.1);
        assertThat(Swaps.row(asked, Criterion.PLATE_HEAT).verdict()).isEqualTo(SwapVerdict.FAIL);
    }

    /** At 96 % with the bias as it is a strong tube passes the rating: that is said before the tubes go in. */
    @Test
    void nearItsRatingAtUnchangedBiasWarns() {
        Present hot = Swaps.fixed("6L6GC", 2, 400, 4200, 0.96);
        assertThat(Swaps.row(Swaps.sheet(hot, "6L6GC", Around.generous()), Criterion.BIAS_RANGE)
                        .reason())
                .contains("a strong tube at")
                .contains("turn to the coldest end before the tubes go in");
        Present cool = Swaps.fixed("6L6GC", 2, 400, 4200, 0.5);
        assertThat(Swaps.row(Swaps.sheet(cool, "6L6GC", Around.generous()), Criterion.BIAS_RANGE)
                        .reason())
                .doesNotContain("coldest end");
    }

    /** 110 % wanted on a cathode resistor: the work names what passes, and never the resistor that the sheet fails. */
    @Test
    void theResistorNamedIsOneThatThisSheetPasses() {
        Present hot = Swaps.cathode("EL84", 2, 290, 8000, 70);
        SwapCandidate c = Swaps.candidate(hot, "EL84");
        SwapCandidate asked = new SwapCandidate(
                c.type(), c.editions(), c.curves(), 2, Connection.PENTODE, 0.5, 1.1, Optional.empty());
        SwapRow row =
                Swaps.row(SwapSheet.of(new SwapQuestion(hot, Around.generous(), asked)), Criterion.CATHODE_RESISTOR);
        assertThat(row.reason()).contains("110 % would pass a limit; the hottest that passes none is");
        Matcher fit = Pattern.compile("on ([0-9.]+) Ω").matcher(row.reason().replaceFirst("^On [0-9.]+ Ω", ""));
        assertThat(fit.find()).isTrue();
        SwapCandidate fitted = new SwapCandidate(
                c.type(),
                c.editions(),
                c.curves(),
                2,
                Connection.PENTODE,
                0.5,
                1.1,
                Optional.of(Double.parseDouble(fit.group(1))));
        assertThat(Swaps.row(SwapSheet.of(new SwapQuestion(hot, Around.generous(), fitted)), Criterion.PLATE_HEAT)
                        .verdict())
                .isIn(SwapVerdict.PASS, SwapVerdict.NOTE);
    }

    /** Fresh tubes of the type set to the idle that was read stand as that was read; anything else is the model's. */
    @Test
    void whatWasReadHoldsForTheSameTypeAtTheSameIdleAlone() {
        Present computed = Swaps.fixed("6L6GC", 2, 400, 4200, 0.78);
        Present read = new Present(
                computed.type(),
                computed.ratings(),
                computed.trust(),
                computed.setting(),
                computed.scheme(),
                0.95,
                1.05,
                1,
                List.of(new Known(Map.of(At.NOW, plate(23.4, false), At.HIGHEST, plate(26.2, true)))));
        SwapCandidate same = Swaps.candidate(read, "6L6GC").idling(0.78);
        SwapQuestion question = new SwapQuestion(read, Around.generous(), same);
        assertThat(question.read()).hasSize(1);
        // The model's band alone would bring that idle down; read, nothing is passed.
        assertThat(SwapSheet.of(question).question().candidate().idleShare()).isEqualTo(0.78);
        assertThat(new SwapQuestion(computed, Around.generous(), same).read()).isEmpty();
        assertThat(new SwapQuestion(read, Around.generous(), same.idling(0.7)).read())
                .isEmpty();
        assertThat(new SwapQuestion(read, Around.generous(), same.biased(BiasChange.CATHODE)).read())
                .isEmpty();
        assertThat(new SwapQuestion(read, Around.generous(), Swaps.candidate(read, "EL34")).read())
                .isEmpty();
        SwapSheet hot = SwapSheet.of(new SwapQuestion(
                new Present(
                        read.type(),
                        read.ratings(),
                        read.trust(),
                        read.setting(),
                        read.scheme(),
                        0.95,
                        1.05,
                        1,
                        List.of(new Known(Map.of(At.NOW, plate(23.4, false), At.HIGHEST, plate(31.2, true))))),
                Around.generous(),
                new SwapCandidate(
                        same.type(),
                        same.editions(),
                        same.curves(),
                        2,
                        Connection.PENTODE,
                        0.5,
                        0.78,
                        Optional.empty())));
        assertThat(Swaps.row(hot, Criterion.PLATE_HEAT).verdict()).isEqualTo(SwapVerdict.FAIL);
        assertThat(Swaps.row(hot, Criterion.PLATE_HEAT).reason()).contains("31.2 W idle at 105 % mains");
    }

    private static Map<PublishedLimit, Value> plate(double watts, boolean carried) {
        Value value = Value.read(new Estimate(watts, ErrorBudget.exact().and("meter", 0.01)));
        return Map.of(
                Limit.PLATE_WATTS,
                (carried ? new Value(value.figure(), watts, watts, Value.From.CARRIED) : value).inStage());
    }
}
