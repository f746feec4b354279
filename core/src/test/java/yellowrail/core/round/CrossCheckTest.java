package yellowrail.core.round;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.idle.Contradiction;

/** How far two sources of one quantity may differ: the last figure that agrees, and the first that does not. */
class CrossCheckTest {
    @ParameterizedTest
    @CsvSource({
        "0.100, true, 0.100, true",
        "0.103, true, 0.100, true",
        "0.1031, true, 0.100, false",
        "0.097, true, 0.100, true",
        "0.0969, true, 0.100, false",
        "0.050, false, 0.100, true",
        "0.1031, false, 0.100, false",
        "0.0, true, 0.0, true",
        "0.01, true, 0.0, false"
    })
    void singlesAndThePointBehindThem(double singles, boolean all, double point, boolean agree) {
        assertThat(CrossCheck.combined("both", singles, all, point).isEmpty()).isEqualTo(agree);
    }

    @ParameterizedTest
    @CsvSource({
        "0.5, true, 0.5, true",
        "0.55, true, 0.5, true",
        "0.5501, true, 0.5, false",
        "0.45, true, 0.5, true",
        "0.4499, true, 0.5, false",
        "0.2, false, 0.5, true"
    })
    void tubesAndTheChoke(double tubes, boolean all, double choke, boolean agree) {
        assertThat(CrossCheck.supply(tubes, all, choke).isEmpty()).isEqualTo(agree);
    }

    @Test
    void oneTypeIsAlikeAndTwoAreNot() {
        assertThat(CrossCheck.unlikeTypes(List.of("EL34"))).isEmpty();
        assertThat(CrossCheck.unlikeTypes(List.of("EL34", "6L6GC"))
                        .orElseThrow()
                        .sentence())
                .contains("EL34, 6L6GC");
    }

    @Test
    void whatContradictsSaysWhichItIs() {
        assertThat(CrossCheck.combined("all", 0.2, true, 0.1).orElseThrow())
                .extracting(Contradiction::code, Contradiction::about)
                .containsExactly(Contradiction.Code.COMBINED_CURRENT, "all");
        assertThat(CrossCheck.supply(0.5, true, 0.2).orElseThrow().code()).isEqualTo(Contradiction.Code.SUPPLY_CURRENT);
        assertThat(CrossCheck.unlikeTypes(List.of("EL34", "6L6GC"))
                        .orElseThrow()
                        .code())
                .isEqualTo(Contradiction.Code.UNLIKE_TYPES);
    }
}
