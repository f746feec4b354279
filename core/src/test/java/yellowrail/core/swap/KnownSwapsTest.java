package yellowrail.core.swap;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;
import yellowrail.core.swap.Chassis.BiasControl;
import yellowrail.core.swap.Chassis.GridCircuit;
import yellowrail.core.swap.Chassis.HeaterWinding;
import yellowrail.core.swap.Chassis.SocketWiring;
import yellowrail.core.tube.Connection;

/** Swaps whose answer an expert would know, each with its verdict, the criterion that decides it, and a word of why. */
class KnownSwapsTest {
    private static final Map<String, Present> STAGES = Map.of(
            "pair of 6L6GC", Swaps.fixed("6L6GC", 2, 380, 4200, 0.6),
            "four 6L6GC", Swaps.fixed("6L6GC", 4, 380, 2100, 0.6),
            "pair of EL34", Swaps.fixed("EL34", 2, 400, 3400, 0.6),
            "pair of 6V6GT", Swaps.fixed("6V6GT", 2, 280, 8000, 0.6),
            "single 6V6GT", Swaps.single("6V6GT", 250, 5000, 430),
            "pair of EL84", Swaps.cathode("EL84", 2, 250, 8000, 160),
            "pair of KT88", Swaps.fixed("KT88", 2, 440, 4300, 0.5),
            "single EL34", Swaps.single("EL34", 260, 2500, 190));

    private static final Map<String, Chassis> CHASSIS = Map.of(
            "generous", Around.generous(),
            "winding of 4.4 A", Around.with(new HeaterWinding(Optional.of(4.4), Optional.of(0.6), 0)),
            "winding not answered", Around.with(new HeaterWinding(Optional.empty(), Optional.of(0.6), 0)),
            "pin 1 open",
                    Around.with(new SocketWiring(
                            Optional.of(Set.of()),
                            Optional.of(false),
                            Optional.of(false),
                            false,
                            Optional.of(1.0),
                            Optional.empty())),
            "pin 1 not answered",
                    Around.with(new SocketWiring(
                            Optional.of(Set.of()),
                            Optional.empty(),
                            Optional.empty(),
                            false,
                            Optional.of(1.0),
                            Optional.empty())),
            "pin 1 a tie point",
                    Around.with(new SocketWiring(
                            Optional.of(Set.of(1)),
                            Optional.of(false),
                            Optional.empty(),
                            false,
                            Optional.of(1.0),
                            Optional.empty())),
            "220 k at the grids", Around.with(new GridCircuit(Optional.of(220e3), Optional.of(1))),
            "low bias", Around.with(new BiasControl(Optional.of(-25.0), Optional.of(-10.0))),
            "nothing answered", Chassis.unanswered(1));

    @ParameterizedTest(name = "{0}, {3}: {2} × {1} {4} is {5} by {6}")
    @CsvFileSource(resources = "/swaps.csv", delimiter = '|')
    void isJudgedAsAnExpertWould(
            String stage,
            String type,
            int tubes,
            String chassis,
            Connection connection,
            SwapVerdict verdict,
            Criterion deciding,
            String said) {
        Present present = STAGES.get(stage);
        SwapCandidate one = Swaps.candidate(present, type);
        SwapCandidate candidate = new SwapCandidate(
                one.type(),
                one.editions(),
                one.curves(),
                tubes,
                connection,
                0.43,
                Math.min(0.7, one.idleShare()),
                Optional.empty());
        SwapSheet sheet = SwapSheet.of(new SwapQuestion(present, CHASSIS.get(chassis), candidate));
        String rows = sheet.rows().toString();
        assertThat(sheet.overall()).as(rows).isEqualTo(verdict);
        assertThat(sheet.deciding().criterion()).as(rows).isEqualTo(deciding);
        assertThat(sheet.deciding().reason()).contains(said);
    }
}
