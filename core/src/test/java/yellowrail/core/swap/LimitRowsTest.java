package yellowrail.core.swap;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.tube.Envelope;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.TubeType;

/** Every limit of a candidate kept, kept by a figure to be verified, passed, and too close to call or not known. */
class LimitRowsTest {
    private static Present stage(String name) {
        return switch (name) {
            case "380 V" -> Swaps.fixed("6L6GC", 2, 380, 4200, 0.6);
            case "460 V" -> Swaps.fixed("6L6GC", 2, 460, 4200, 0.6);
            case "EL84" -> Swaps.cathode("EL84", 2, 250, 8000, 160);
            default -> throw new IllegalArgumentException(name);
        };
    }

    @ParameterizedTest(name = "{0} of {1} in the stage of {2}: {3}")
    @CsvSource(
            delimiter = '|',
            value = {
                "PLATE_VOLTS     | 6L6GC | 380 V | PASS    | 81 % of 500 V (design maximum)",
                "PLATE_VOLTS     | 7189  | EL84  | NOTE    | to be verified",
                "PLATE_VOLTS     | 6V6GT | 380 V | FAIL    | of 315 V (design centre): over it by",
                "PLATE_VOLTS     | 6L6GC | 460 V | UNKNOWN | too close to call",
                "SCREEN_VOLTS    | 6L6GC | 380 V | PASS    | of 450 V (design maximum)",
                "SCREEN_VOLTS    | EL34  | 380 V | NOTE    | to be verified",
                "SCREEN_VOLTS    | 6V6GT | 380 V | FAIL    | over it by",
                "SCREEN_VOLTS    | 7027A | 460 V | UNKNOWN | too close to call",
                "CATHODE_CURRENT | KT88  | 380 V | PASS    | of 230 mA (absolute)",
                "CATHODE_CURRENT | 6L6GC | 380 V | NOTE    | with the present tubes",
                "CATHODE_CURRENT | 7591  | 380 V | FAIL    | over it by",
                "CATHODE_CURRENT | 7027A | 460 V | UNKNOWN | too close to call",
                "PLATE_HEAT      | 6L6GC | 380 V | PASS    | of 30.0 W (design maximum)",
                "PLATE_HEAT      | KT88  | 380 V | NOTE    | to be verified",
                "PLATE_HEAT      | 6V6GT | 380 V | FAIL    | over it by",
                "PLATE_HEAT      | KT88  | 460 V | UNKNOWN | too close to call",
                "SCREEN_HEAT     | 6L6GC | 380 V | PASS    | of 5.00 W (design maximum)",
                "SCREEN_HEAT     | 7189  | EL84  | NOTE    | to be verified",
                "SCREEN_HEAT     | KT88  | 380 V | FAIL    | over it by",
                "SCREEN_HEAT     | EL34  | 380 V | UNKNOWN | too close to call",
                "PLATE_HEAT      | KT120 | 380 V | UNKNOWN | No curves of the KT120 are known here",
                "PEAK_VOLTS      | KT88  | 380 V | NOTE    | highest over the drive at 110 %",
            })
    void limits(Criterion criterion, String type, String stage, SwapVerdict verdict, String said) {
        SwapRow row = Swaps.row(Swaps.sheet(stage(stage), type, Around.generous()), criterion);
        assertThat(row.reason()).contains(said);
        assertThat(row.verdict()).isEqualTo(verdict);
    }

    /** Four tubes of 0.82 A by four of 1.35 A on a winding of 4.4 A that also feeds 0.6 A. */
    @Test
    void theHeatersOfTheSubstitutionSheet() {
        Present four = Swaps.fixed("6L6GC", 4, 380, 2100, 0.6);
        Present small = new Present(
                heated(four.type(), 0.82),
                four.ratings(),
                four.trust(),
                four.setting(),
                four.scheme(),
                0.9,
                1.1,
                1,
                List.of());
        SwapCandidate c = Swaps.candidate(four, "6L6GC");
        SwapCandidate large = new SwapCandidate(
                heated(four.type(), 1.35), c.editions(), c.curves(), 4, c.connection(), 0.5, 0.6, Optional.empty());
        Chassis chassis = Around.with(new Chassis.HeaterWinding(Optional.of(4.4), Optional.of(0.6), 0));
        SwapRow row = HeaterRow.of(new SwapQuestion(small, chassis, large));
        assertThat(row.verdict()).isEqualTo(SwapVerdict.FAIL);
        assertThat(row.reason())
                .contains("6.00 A of 4.40 A: 1.60 A over")
                .contains("with the present tubes it is 3.88 A, 88 %");
    }

    private static TubeType heated(TubeType t, double amperes) {
        return new TubeType(
                t.designation(),
                List.of(),
                t.construction(),
                t.pinout(),
                t.heaterVolts(),
                Optional.of(new Figure(amperes, false)),
                t.ratings(),
                t.screenShare(),
                Envelope.unknown(),
                Map.of(),
                t.origin(),
                true);
    }
}
