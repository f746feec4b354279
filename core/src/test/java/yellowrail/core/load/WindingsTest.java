package yellowrail.core.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class WindingsTest {
    private static Windings halves(double a, double b) {
        return new Windings(true, Optional.of(a), b > 0 ? Optional.of(b) : Optional.empty(), Optional.empty());
    }

    /** Copper against what is usual for the ohms, and halves against one another. */
    @ParameterizedTest
    @CsvSource({
        // usual: 0.8 to 2.5 % of the load in each half, the outer one longer
        "4200, 70, 80, ''",
        "4200, 34, 34, ''",
        "4200, 105, 104, ''",
        "8000, 160, 0, ''",
        // a small or a large transformer
        "4200, 120, 125, UNUSUAL_COPPER",
        "4200, 30, 31, UNUSUAL_COPPER",
        // further apart than the outer half explains
        "4200, 60, 79, UNUSUAL_COPPER",
        // shorted turns, an open half, other leads
        "4200, 20, 70, BAD_WINDING",
        "4200, 70, 2000, BAD_WINDING",
        "4200, 70, 0.3, BAD_WINDING",
        "4200, 900, 900, BAD_WINDING",
    })
    void againstExpectation(double primary, double a, double b, String code) {
        assertThat(halves(a, b).remarks(primary).stream()
                        .map(r -> r.code().name())
                        .toList())
                .isEqualTo(code.isEmpty() ? java.util.List.of() : java.util.List.of(code));
    }

    @Test
    void namesTheHalfAtFault() {
        assertThat(halves(20, 70).remarks(4200).get(0).sentence())
                .contains("Half A reads 20 Ω, half B 70 Ω")
                .contains("Half A has shorted turns, or half B is open");
        assertThat(halves(70, 20).remarks(4200).get(0).sentence())
                .contains("Half B has shorted turns, or half A is open");
    }

    /** A single-ended primary is one winding of twice a half's share. */
    @Test
    void singleEnded() {
        Windings one = new Windings(false, Optional.of(150.0), Optional.empty(), Optional.empty());
        assertThat(one.remarks(5000)).isEmpty();
        assertThat(one.half()).contains(150.0);
        assertThat(one.remarks(2500).get(0).sentence())
                .contains("6.0 % of 2.5 kΩ")
                .contains("1.6 to 5 %");
        assertThatThrownBy(() -> new Windings(false, Optional.of(1.0), Optional.of(1.0), Optional.empty()))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Windings(true, Optional.of(-1.0), Optional.empty(), Optional.empty()))
                .hasMessageContaining("-1.0 Ω");
    }

    /** 4.2 kΩ with 5 % copper on each side shows 10 % more, of which as much is lost. */
    @Test
    void realLoad() {
        double turns = Math.sqrt(4200 / 8.0);
        Windings windings = new Windings(true, Optional.of(100.0), Optional.of(110.0), Optional.of(0.4));
        RealLoad real = RealLoad.of(windings, turns, 8).orElseThrow();
        assertThat(real.idealOhms()).isCloseTo(4200, within(1e-9));
        assertThat(real.secondaryCopper()).isCloseTo(210, within(1e-9));
        assertThat(real.seenOhms()).isCloseTo(4620, within(1e-9));
        assertThat(real.efficiency()).isCloseTo(1 / 1.1, within(1e-12));
        assertThat(real.lossDecibels()).isCloseTo(0.414, within(0.001));
        assertThat(RealLoad.of(Windings.NONE, turns, 8)).isEmpty();
        // A half that was not read counts as the other.
        assertThat(halves(100, 0).primary()).contains(200.0);
        assertThat(new Windings(true, Optional.empty(), Optional.of(90.0), Optional.empty()).primary())
                .contains(180.0);
    }

    @Test
    void lowNotes() {
        // 4.2 kΩ beside 38 kΩ over 40 H: 3782 Ω, 15 Hz.
        assertThat(LowNotes.corner(4200, 38e3, 40)).isCloseTo(15.05, within(0.01));
        // 200 Ω and 2 H at 50 Hz: a tenth of the reactance in copper is half a hundredth of the volts.
        assertThat(LowNotes.magnetising(200, 2, 50)).isCloseTo(0.0507, within(0.0001));
        assertThat(LowNotes.carried(50, 40, 20)).isCloseTo(12.5, within(1e-12));
        assertThat(LowNotes.lowestFor(12.5, 50, 40)).isCloseTo(20, within(1e-12));
        assertThatThrownBy(() -> LowNotes.corner(4200, 38e3, 0)).isInstanceOf(IllegalArgumentException.class);
    }
}
