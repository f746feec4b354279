package yellowrail.core.round;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Pairing;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** Readings of one round that do not go together. */
class RoundContradictionsTest extends RoundBench {
    @ParameterizedTest(name = "{0}")
    @MethodSource("planted")
    void whatContradictsIsNeverGreenAndWhatIsFineIs(
            String why,
            Map<String, Typed> points,
            Map<String, Typed> plate,
            double choke,
            double mains,
            double moved,
            boolean fine) {
        RoundAnswer answer = check(OWN, moved(points, plate, choke, mains, moved));
        assertThat(answer.verdict().allClear())
                .as(answer.verdict().sentences().toString())
                .isEqualTo(fine);
        if (!fine) {
            assertThat(answer.verdict().sentences()).isNotEmpty();
        }
    }

    @Test
    void theTubeThatLeadsIsCalledTheHottestOnlyWhereItIs() {
        RoundAnswer cold =
                check(OWN, readings(four(0.5, 0.5, 0.5, 0.4), Map.of(), four(421, 421, 421, 421), Optional.empty()));
        assertThat(cold.worst()).isEqualTo("V4");
        assertThat(cold.verdict().now().sentence()).startsWith("V4: ");
        RoundAnswer hot =
                check(OWN, readings(four(0.5, 0.5, 0.5, 0.7), Map.of(), four(421, 421, 421, 421), Optional.empty()));
        assertThat(hot.verdict().now().sentence()).startsWith("V4, the hottest: ");
    }

    @Test
    void aZeroOnASharedPointBesideSingleReadingsContradicts() {
        Map<String, Typed> alone = Map.of(
                "V1", Typed.of(0.05, Unit.AMPERE),
                "V2", Typed.of(0.05, Unit.AMPERE),
                "V3", Typed.of(0.05, Unit.AMPERE),
                "V4", Typed.of(0.05, Unit.AMPERE));
        Map<String, Typed> plates = four(421, 421, 421, 421);
        assertThat(check(SHARED, readings(Map.of("all", volts(0.1)), alone, plates, Optional.empty()))
                        .verdict()
                        .allClear())
                .isTrue();
        RoundAnswer zero = check(SHARED, readings(Map.of("all", volts(0)), alone, plates, Optional.empty()));
        assertThat(zero.verdict().allClear()).isFalse();
        assertThat(zero.contradictions()).anyMatch(w -> w.sentence().contains("one of them is wrong"));
    }

    /** Whatever earlier versions stored is answered, and an extreme is never an all-clear. */
    @Test
    void judgingAnswersWhateverIsStored() {
        java.util.Random random = new java.util.Random(20261126);
        double[] extremes = {-1e6, -470, -1, -1e-9, 0, 1e-12, 1e-3, 0.5, 10, 421, 470, 1e4, 1e9};
        for (int i = 0; i < 4000; i++) {
            Map<String, Typed> points = some(random, extremes, Unit.VOLT, "V1", "V2", "V3", "V4", "all");
            Map<String, Typed> individual = some(random, extremes, Unit.AMPERE, "V1", "V2", "V3", "V4");
            AmpDescription amp = random.nextBoolean() ? OWN : SHARED;
            RoundReadings stored = new RoundReadings(
                    Meter.FINE,
                    PlateVolts.Reference.values()[random.nextInt(PlateVolts.Reference.values().length)],
                    random.nextInt(4) == 0 ? Optional.empty() : Optional.of(extremes[random.nextInt(extremes.length)]),
                    random.nextBoolean(),
                    random.nextBoolean(),
                    Pairing.together(),
                    random.nextBoolean() ? Optional.empty() : Optional.of(0.05),
                    points,
                    individual,
                    some(random, extremes, Unit.VOLT, "V1", "V2", "V3", "V4"),
                    some(random, extremes, Unit.VOLT, "V1", "V2"),
                    some(random, extremes, Unit.VOLT, "V1", "V3"),
                    some(random, extremes, Unit.VOLT, "V1", "V3"),
                    random.nextBoolean()
                            ? Optional.empty()
                            : Optional.of(volts(extremes[random.nextInt(extremes.length)])),
                    Map.of(),
                    random.nextBoolean() ? Optional.empty() : Optional.of(extremes[random.nextInt(extremes.length)]),
                    Optional.empty(),
                    some(random, extremes, Unit.VOLT, "V1", "V2"),
                    random.nextBoolean()
                            ? Optional.empty()
                            : Optional.of(volts(extremes[random.nextInt(extremes.length)])),
                    random.nextBoolean()
                            ? Optional.empty()
                            : Optional.of(new RoundReadings.Turns(
                                    Map.of("V1", extremes[random.nextInt(extremes.length)]),
                                    random.nextBoolean() ? Optional.empty() : Optional.of(random.nextDouble()))));
            RoundAnswer answer = check(amp, stored);
            assertThat(answer.verdict().sentences()).as(stored.toString()).isNotEmpty();
            if (!answer.unmeasured().isEmpty() || !answer.contradictions().isEmpty()) {
                assertThat(answer.verdict().allClear()).as(stored.toString()).isFalse();
            }
        }
    }
}
