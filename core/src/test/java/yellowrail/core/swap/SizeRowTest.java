package yellowrail.core.swap;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.core.swap.Chassis.Room;
import yellowrail.core.swap.Chassis.SocketWiring;

/** Bulbs against the room there is. */
class SizeRowTest {
    private static final Present CATHODE = Swaps.cathode("EL84", 2, 300, 8000, 142);

    private static SwapRow row(Present present, String candidate, Chassis chassis, Criterion criterion) {
        return Swaps.row(Swaps.sheet(present, candidate, chassis), criterion);
    }

    private static Optional<Double> figure(Double value) {
        return Optional.ofNullable(value);
    }

    @ParameterizedTest(name = "{0} in {1} by {2} mm: {3}")
    @CsvSource(
            nullValues = "?",
            delimiter = '|',
            value = {
                "EL84 | 30 | 80 | PASS    | diameter 22.2 mm of 30 mm",
                "EL84 | 26 | 80 | NOTE    | diameter 22.2 mm of 26 mm, only 3.8 mm of air",
                "EL84 | 20 | 80 | FAIL    | 2.2 mm too much",
                "EL84 | 30 | 70 | FAIL    | 1.5 mm too much",
                "EL84 | 30 | 76.5 | PASS  | height above the socket 71.5 mm of 76.5 mm",
                "EL84 | 30 | 76.4 | NOTE  | only 4.9 mm of air",
                "EL84 | 30 | 71.5 | NOTE  | only 0 mm of air",
                "EL84 | 30 | ?  | UNKNOWN | the room for its height above the socket is not answered, it has 71.5 mm",
                "EL84 | ?  | 80 | UNKNOWN | is not answered",
                "6973 | 30 | 80 | UNKNOWN | is not in the catalogue",
            })
    void size(String type, Double diameter, Double height, SwapVerdict verdict, String said) {
        Chassis chassis = Around.with(new Room(figure(diameter), figure(height), Optional.empty()));
        SwapRow row = row(CATHODE, type, chassis, Criterion.SIZE);
        assertThat(row.reason()).containsIgnoringCase(said);
        assertThat(row.verdict()).isEqualTo(verdict);
        assertThat(row.mend())
                .startsWith(
                        switch (verdict) {
                            case FAIL -> "Other clamps";
                            case UNKNOWN -> "Measure tube and room";
                            default -> "";
                        });
        assertThat(row.mend().isEmpty()).isEqualTo(verdict == SwapVerdict.PASS || verdict == SwapVerdict.NOTE);
    }

    /** Only where neither was told the room is not answered as a whole. */
    @Test
    void whatItIsHeldAgainst() {
        Chassis none = Around.with(new Room(Optional.empty(), Optional.empty(), Optional.empty()));
        assertThat(row(CATHODE, "EL84", none, Criterion.SIZE).limit()).isEqualTo("not answered");
        Chassis one = Around.with(new Room(Optional.of(30.0), Optional.empty(), Optional.empty()));
        assertThat(row(CATHODE, "EL84", one, Criterion.SIZE).limit()).isEqualTo("30 mm by ?");
        Chassis other = Around.with(new Room(Optional.empty(), Optional.of(80.0), Optional.empty()));
        assertThat(row(CATHODE, "EL84", other, Criterion.SIZE).limit()).isEqualTo("? by 80 mm");
        assertThat(row(CATHODE, "EL84", other, Criterion.SIZE).value()).isEqualTo("22.2 mm by 71.5 mm");
    }

    /** What the catalogue does not know is held in place; what does not fit there fails whatever it says. */
    @ParameterizedTest(name = "{0}, held in place {1}, adaptor {2}: {3}")
    @CsvSource({
        "6973, true, false, NOTE",
        "6973, false, false, FAIL",
        "EL84, true, false, PASS",
        "EL84, false, false, FAIL",
        "EL84, true, true, NOTE"
    })
    void heldInPlace(String type, boolean fits, boolean adaptor, SwapVerdict verdict) {
        Chassis around = Around.with(new Room(Optional.of(30.0), Optional.of(80.0), Optional.of(fits)));
        Chassis chassis = around.with(new SocketWiring(
                Optional.of(Set.of()),
                Optional.empty(),
                Optional.empty(),
                adaptor,
                Optional.of(1.0),
                Optional.empty()));
        assertThat(row(CATHODE, type, chassis, Criterion.SIZE).verdict()).isEqualTo(verdict);
    }
}
