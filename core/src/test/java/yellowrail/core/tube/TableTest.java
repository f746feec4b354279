package yellowrail.core.tube;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.sensing.CathodeResistor;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.idle.IdleCheck;
import yellowrail.core.idle.IdleQuestion;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.idle.StageFacts;
import yellowrail.core.idle.Verdict;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.table.Row;
import yellowrail.core.table.Table;
import yellowrail.core.target.Profiles;

/** The catalogue's tables: what is wrong in one is told with its place, and triodes are idle checks like any other. */
class TableTest {
    private static TubeType type(String name) {
        return Catalogue.shippedType(name).orElseThrow();
    }

    @Test
    void aTableWithOtherColumnsOrNoTableIsRefused() {
        assertThatThrownBy(() -> Table.beside(PublishedTypes.class, "families.csv", List.of("name")))
                .hasMessageContaining("families.csv has the columns [name, variants]");
        assertThatThrownBy(() -> Table.beside(PublishedTypes.class, "nothing.csv", List.of()))
                .hasMessageContaining("nothing.csv");
    }

    @Test
    void aRowSaysWhereItIsWrong() {
        Row row = Table.beside(PublishedTypes.class, "families.csv", List.of("name", "variants"))
                .get(0);
        assertThatThrownBy(() -> row.neededNumber("variants"))
                .hasMessageContaining("families.csv", "(6L6)", "no number");
        assertThatThrownBy(() -> row.word("name", java.util.Map.of("x", 1))).hasMessageContaining("none of [x]");
        assertThatThrownBy(() -> row.made(() -> new Figure(0, false))).hasMessageContaining("(6L6)", "above zero");
    }

    @ParameterizedTest
    @ValueSource(strings = {"2A3", "45", "300B", "6AS7G"})
    void aTriodeHasNoScreen(String name) {
        TubeType type = type(name);
        assertThat(type.hasScreen()).isFalse();
        assertThat(type.screenShare()).isEmpty();
        Ratings ratings = type.strictest().orElseThrow();
        for (Limit limit : Limit.values()) {
            assertThat(ratings.figure(limit).isPresent() && limit.ofScreen())
                    .as(limit.words())
                    .isFalse();
        }
        assertThat(ratings.nonePublished()).isEqualTo(Set.of());
        assertThat(TubeModels.of(name)).isEmpty();
    }

    /** 2A3: 250 V to the cathode and 50 mA are 12.5 W of 15 W, without a screen's share and without a word of screens. */
    @ParameterizedTest
    @CsvSource({"39.0, IN_WINDOW, 79", "46.9, IN_WINDOW, 94", "52.0, ABOVE_RATING, 104"})
    void aTriodeIsAnIdleCheckLikeAnyOther(double cathodeVolts, Verdict.Place place, double percent) {
        double ohms = 780;
        IdleQuestion question = IdleQuestion.of(
                        StageFacts.of(type("2A3"), Topology.SINGLE_ENDED, Connection.PENTODE, BiasScheme.CATHODE),
                        new CathodeResistor(SenseResistor.marked(ohms, 1), 1),
                        new Typed("", cathodeVolts, Unit.VOLT, 0.1),
                        PlateVolts.of(PlateVolts.Reference.CATHODE, Optional.of(new Typed("", 236, Unit.VOLT, 0.1))))
                .readBy(Meter.FINE);
        IdleAnswer answer = IdleCheck.answer(question, Profiles.SHIPPED);
        assertThat(answer.share().orElseThrow().value() * 100)
                .isCloseTo(percent, org.assertj.core.data.Offset.offset(1.0));
        assertThat(answer.verdict().now().place() == Verdict.Place.ABOVE_RATING)
                .isEqualTo(place == Verdict.Place.ABOVE_RATING);
        assertThat(answer.verdict().toString() + answer.missing()).doesNotContainIgnoringCase("screen");
    }

    @ParameterizedTest
    @CsvSource({
        "6BQ5, EL84",
        "6L6 metal, 6L6 metal",
        "6l6-metal, 6L6 metal",
        "6L6G, 6L6GB",
        "6CW5, EL86",
        "6CM5, EL36",
        "6BM8 pentode, ECL82 pentode",
        "6AQ5, 6AQ5",
        "807, 807",
        "7189A, 7189A"
    })
    void findsWhatIsPrintedOnTheTube(String printed, String designation) {
        assertThat(type(printed).designation()).isEqualTo(designation);
    }

    @Test
    void whatIsNotKnownForSureStaysBlank() {
        assertThat(type("6L6WGC").strictest()).isEmpty();
        assertThat(type("KT77").strictest()).isEmpty();
        assertThat(type("7189A").pinout().orElseThrow().pins()).isEmpty();
        assertThat(type("EL36").pinout().orElseThrow().cap()).contains(PinFunction.PLATE);
        assertThat(type("7189")
                        .strictest()
                        .orElseThrow()
                        .plateWatts()
                        .orElseThrow()
                        .toBeVerified())
                .isTrue();
    }

    /** A relative that is named later, or a pin, changes no judgement; a figure does. */
    @Test
    void aTypeJudgesAsItDidUntilAFigureChanges() {
        TubeType now = type("EL84");
        TubeType named = new TubeType(
                now.designation(),
                List.of(),
                now.construction(),
                Optional.empty(),
                now.heaterVolts(),
                now.heaterAmperes(),
                now.ratings(),
                now.screenShare(),
                Envelope.unknown(),
                java.util.Map.of(),
                "another sheet",
                false,
                now.kind(),
                now.transconductance());
        assertThat(named).isNotEqualTo(now);
        assertThat(named.judgesAs(now)).isTrue();
        assertThat(type("7189").judgesAs(now)).isFalse();
    }

    @Test
    void everyFigureHasASource() {
        for (TubeType type : Catalogue.shipped().types()) {
            assertThat(type.origin()).as(type.designation()).isNotBlank();
        }
    }

    @Test
    void pinsStandRoundTheBase() {
        assertThat(Base.OCTAL.degrees(1)).isEqualTo(22.5);
        assertThat(Base.NOVAL.degrees(9)).isEqualTo(324);
        assertThat(Base.MINIATURE7.degrees(1)).isEqualTo(45);
        assertThat(Base.FOUR_PIN.degrees(4)).isEqualTo(315);
        assertThat(Base.FIVE_PIN.degrees(3)).isEqualTo(180);
    }
}
