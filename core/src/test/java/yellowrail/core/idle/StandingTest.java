package yellowrail.core.idle;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.sensing.CathodeMilliamps;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Connection;

/** What lies exactly at an edge. */
class StandingTest {
    /** 20 W, 400 V, no screen share: 25 mA is half the rating, to the last bit. */
    private static IdleAnswer answer(double amperes, double low, double high, double digit, Meter meter) {
        StageFacts stage = new StageFacts(
                Optional.of(StoryTube.type("X20", 20, 6, 2)),
                Optional.empty(),
                Topology.PUSH_PULL,
                Connection.PENTODE,
                BiasScheme.FIXED_TRACKING);
        PlateVolts volts = PlateVolts.of(PlateVolts.Reference.CATHODE, Optional.of(StoryTube.volts(400, 1e-9)));
        Typed reading = StoryTube.amperes(amperes, digit);
        return IdleCheck.answer(
                IdleQuestion.of(stage, new CathodeMilliamps(), reading, volts)
                        .readBy(meter)
                        .with(new ScreenCurrent.NotCounted())
                        .in(Circumstances.atMains(new Mains(Optional.of(230.0), 230, 230, 230)))
                        .aimingAt(new Window("w", low, high, "")),
                List.of());
    }

    private static Verdict.Place place(double amperes, double low, double high) {
        return answer(amperes, low, high, 1e-9, StoryTube.EXACT).verdict().now().place();
    }

    @Test
    void theEndsOfAWindowBelongToIt() {
        assertThat(place(0.025, 0.5, 0.6)).isEqualTo(Verdict.Place.IN_WINDOW);
        assertThat(place(0.025, 0.4, 0.5)).isEqualTo(Verdict.Place.IN_WINDOW);
        assertThat(place(0.0249, 0.5, 0.6)).isEqualTo(Verdict.Place.BELOW_WINDOW);
        assertThat(place(0.0251, 0.4, 0.5)).isEqualTo(Verdict.Place.ABOVE_WINDOW);
        assertThat(answer(0.025, 0.5, 0.6, 1e-9, StoryTube.EXACT)
                        .verdict()
                        .now()
                        .sentence())
                .contains("in your window");
    }

    @Test
    void aBandWiderThanTheWindowIsTooWideAndFewDigitsAreNamed() {
        IdleAnswer coarse = answer(0.025, 0.49, 0.51, 2e-3, Meter.FINE);
        assertThat(coarse.verdict().now().place()).isEqualTo(Verdict.Place.TOO_WIDE);
        assertThat(coarse.notes()).anyMatch(n -> n.contains("type every digit"));
        IdleAnswer fine = answer(0.025, 0.49, 0.51, 1e-5, Meter.FINE);
        assertThat(fine.verdict().now().place()).isEqualTo(Verdict.Place.IN_WINDOW);
        assertThat(fine.notes()).noneMatch(n -> n.contains("type every digit"));
        assertThat(answer(0, 0.49, 0.51, 2e-3, Meter.FINE).notes()).noneMatch(n -> n.contains("type every digit"));
    }
}
