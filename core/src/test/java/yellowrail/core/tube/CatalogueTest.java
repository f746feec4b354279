package yellowrail.core.tube;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CatalogueTest {
    private final Catalogue catalogue = Catalogue.shipped();

    private TubeType found(String name) {
        Lookup lookup = catalogue.find(name);
        assertThat(lookup).as(name).isInstanceOf(Lookup.Found.class);
        return ((Lookup.Found) lookup).type();
    }

    @ParameterizedTest
    @CsvSource({
        "EL84, EL84",
        "6BQ5, EL84",
        "6bq5, EL84",
        "el 34, EL34",
        "6CA7, EL34",
        "6L6-GC, 6L6GC",
        "6V6GTA, 6V6GT",
        "7591A, 7591",
        "6L6G, 6L6GB",
        "kt88, KT88",
        "6550, 6550",
        "6550A, 6550A"
    })
    void findsByDesignationOrAlias(String typed, String designation) {
        assertThat(found(typed).designation()).isEqualTo(designation);
    }

    @Test
    void asksWhichVariantOfAFamilyIsFitted() {
        Lookup lookup = catalogue.find("6L6");
        assertThat(lookup).isInstanceOf(Lookup.WhichVariant.class);
        assertThat(((Lookup.WhichVariant) lookup).variants())
                .extracting(TubeType::designation)
                .containsExactly("6L6 metal", "6L6GB", "6L6GC", "6L6WGC", "5881");
        assertThat(catalogue.find("88")).isInstanceOf(Lookup.WhichVariant.class);
        assertThat(((Lookup.WhichVariant) catalogue.find("kt")).variants()).hasSize(6);
    }

    @Test
    void showsARelativeWithItsDifferenceInsteadOfTakingItForTheSame() {
        Lookup lookup = catalogue.find("6AQ5A");
        assertThat(lookup).isInstanceOf(Lookup.Relative.class);
        assertThat(((Lookup.Relative) lookup).difference()).contains("ratings of its own");
    }

    @Test
    void suggestsWhatBeginsAlike() {
        Lookup lookup = catalogue.find("KT1");
        assertThat(((Lookup.Unknown) lookup).near())
                .extracting(TubeType::designation)
                .containsExactly("KT120", "KT150");
        assertThat(((Lookup.Unknown) catalogue.find("X19")).near()).isEmpty();
    }

    @Test
    void keepsBothPublicationsAndJudgesByTheLowerRating() {
        TubeType type = found("6V6GT");
        assertThat(type.ratings()).hasSize(2);
        assertThat(type.strictest().orElseThrow().plateWatts().orElseThrow().value())
                .isEqualTo(12);
        assertThat(type.strictest().orElseThrow().system()).isEqualTo(RatingSystem.DESIGN_CENTRE);
        Figure kt88 = found("KT88").strictest().orElseThrow().plateWatts().orElseThrow();
        assertThat(kt88.value()).isEqualTo(35);
        assertThat(kt88.toBeVerified()).isTrue();
    }

    @Test
    void leavesBlankWhatIsNotKnown() {
        assertThat(found("6L6GC").ratings().get(0).figure(Limit.CATHODE_AMPERES))
                .isEmpty();
        assertThat(found("KT90").screenShare()).isEmpty();
        assertThat(found("KT90").ratings().get(0).figure(Limit.SCREEN_WATTS)).isEmpty();
        assertThat(found("6973").pinout().orElseThrow().pins()).isEmpty();
        assertThat(found("KT120").ratings().get(0).figure(OtherLimit.GRID_OHMS_FIXED_BIAS))
                .isEmpty();
    }

    @Test
    void knowsWhereToProbe() {
        Pinout el34 = found("EL34").pinout().orElseThrow();
        assertThat(el34.of(PinFunction.PLATE)).containsExactly(3);
        assertThat(el34.of(PinFunction.SUPPRESSOR)).containsExactly(1);
        assertThat(el34.note()).contains("pin 8");
        assertThat(found("7591").pinout().orElseThrow().of(PinFunction.CATHODE)).containsExactly(5);
        assertThat(found("7591").pinout().orElseThrow().toBeVerified()).isTrue();
        assertThat(found("EL84").pinout().orElseThrow().of(PinFunction.PLATE)).containsExactly(7);
        assertThat(found("7027A").pinout().orElseThrow().of(PinFunction.GRID)).containsExactly(5, 6);
    }

    @Test
    void shipsEveryTypeThatWasPromised() {
        assertThat(catalogue.types())
                .extracting(TubeType::designation)
                .contains(
                        "6V6GT",
                        "EL84",
                        "6L6GC",
                        "6L6GB",
                        "5881",
                        "EL34",
                        "6550",
                        "6550A",
                        "KT66",
                        "KT88",
                        "7591",
                        "6973",
                        "7027A",
                        "KT90",
                        "KT120",
                        "KT150",
                        "7189",
                        "7189A",
                        "6L6WGC",
                        "6L6 metal",
                        "807",
                        "6AQ5",
                        "KT77",
                        "ECL82 pentode",
                        "EL36",
                        "EL86",
                        "2A3",
                        "45",
                        "300B",
                        "6AS7G");
        for (TubeType type : catalogue.types()) {
            assertThat(type.heaterVolts()).as(type.designation()).isPresent();
            // Not known for sure: blank, so that nothing is judged by a guess.
            assertThat(type.strictest().isEmpty())
                    .as(type.designation())
                    .isEqualTo(List.of("6L6WGC", "KT77").contains(type.designation()));
        }
    }

    @Test
    void putsABuildersOwnEntryFirst() {
        TubeType own = new TubeType(
                "EL34",
                List.of(),
                "pentode",
                Optional.empty(),
                Optional.of(new Figure(6.3, false)),
                Optional.empty(),
                List.of(Publications.of(RatingSystem.UNSTATED, "own", 24)),
                Optional.empty(),
                Envelope.unknown(),
                Map.of(),
                "entered",
                true);
        Lookup.Found lookup = (Lookup.Found) Catalogue.with(List.of(own)).find("EL34");
        assertThat(lookup.type().own()).isTrue();
        assertThat(found("EL34").own()).isFalse();
    }

    @Test
    void refusesImpossibleFigures() {
        assertThatThrownBy(() -> new Figure(0, false)).hasMessageContaining("above zero");
        assertThatThrownBy(() -> new ScreenShare(0.6, 0.1)).hasMessageContaining("0.6");
        assertThatThrownBy(() -> new Pinout(Base.OCTAL, "", Map.of(9, PinFunction.PLATE), Optional.empty(), false, ""))
                .hasMessageContaining("pin 9");
    }
}
