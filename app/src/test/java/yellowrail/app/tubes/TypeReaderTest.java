package yellowrail.app.tubes;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import yellowrail.app.forms.Answers;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Correction;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeKind;
import yellowrail.core.tube.TubeType;

class TypeReaderTest {
    private static final Catalogue SHIPPED = Catalogue.shipped();

    private static Answers form(
            String designation, String aliases, String kind, String plateVolts, String screenWatts, List<String> none) {
        return Answers.usual(TypeFields.ALL)
                .said(Map.of(
                        "designation",
                        designation,
                        "aliases",
                        aliases,
                        "kind",
                        kind,
                        "source",
                        "own sheet",
                        "system",
                        "DESIGN_MAXIMUM",
                        "plateWatts",
                        "19",
                        "screenWatts",
                        screenWatts,
                        "plateVolts",
                        plateVolts,
                        "screenVolts",
                        kind.equals("TRIODE") ? "" : "400",
                        "none",
                        String.join(" ", none))::get);
    }

    private static TypeReader.Read read(Answers form, Optional<TubeType> before) {
        return TypeReader.read(form, SHIPPED, before);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "X19  |      | PENTODE | 450 | 3 |               | ",
                "X19  |      | PENTODE | 450 |   | screenWatts   | ",
                "X19  |      | TRIODE  | 450 |   |               | ",
                "X19  |      | TRIODE  | 450 | 3 |               | screenWatts",
                "X19  |      | PENTODE | 450 |   |               | screenWatts",
                "X19  |      | PENTODE |     | 3 |               | plateVolts",
                "X19  |      | TRIODE  |     |   |               | plateVolts",
                "X19  |      | PENTODE | 450 | 3 | screenWatts   | none",
                "X19  |      | PENTODE | 450 | 3 | plateWatts    | none",
                "6CA7/X19 (1) |  | PENTODE | 450 | 3 |         | ",
                "../../x |   | PENTODE | 450 | 3 |               | designation",
                "x;y  |      | PENTODE | 450 | 3 |               | designation",
                "New  |      | PENTODE | 450 | 3 |               | designation",
                "X19  | a%b  | PENTODE | 450 | 3 |               | aliases",
                "X19  |      | heptode | 450 | 3 |               | kind",
                "6L6  |      | PENTODE | 450 | 3 |               | designation",
                "EL34 |      | PENTODE | 450 | 3 |               | designation",
                "6ca7 |      | PENTODE | 450 | 3 |               | designation",
                "X19  | 6L6  | PENTODE | 450 | 3 |               | aliases",
                "X19  | EL34 | PENTODE | 450 | 3 |               | aliases",
                "X19  | X-20 | PENTODE | 450 | 3 |               | ",
            })
    void everyLimitIsAFigureOrDeclaredAndNoNameMeansTwoTypes(
            String designation,
            String aliases,
            String kind,
            String plateVolts,
            String screenWatts,
            String none,
            String refusedAt) {
        TypeReader.Read read = read(
                form(
                        designation,
                        aliases == null ? "" : aliases,
                        kind,
                        plateVolts == null ? "" : plateVolts,
                        screenWatts == null ? "" : screenWatts,
                        none == null ? List.of() : List.of(none)),
                Optional.empty());
        if (refusedAt == null) {
            assertThat(read.complaints().byField()).isEmpty();
            assertThat(read.type()).isPresent();
        } else {
            assertThat(read.complaints().byField()).containsKey(refusedAt);
            assertThat(read.type()).isEmpty();
        }
    }

    @Test
    void whatIsDeclaredIsKept() {
        TubeType type = read(form("X19", "", "PENTODE", "450", "", List.of("screenWatts")), Optional.empty())
                .type()
                .orElseThrow();
        assertThat(type.kind()).isEqualTo(TubeKind.PENTODE);
        assertThat(type.ratings().get(0).unknown(Limit.SCREEN_WATTS)).isFalse();
        assertThat(type.ratings().get(0).unknown(Limit.COMBINED_WATTS)).isTrue();
        assertThat(Correction.differences(type)).isEmpty();
    }

    @Test
    void aCorrectionStartsFromTheFiguresThereAreAndSaysWhatDiffers() {
        for (TubeType shipped : SHIPPED.types()) {
            if (shipped.strictest().isEmpty()) {
                continue; // A plate rating is owed, and nothing is there that it could differ from.
            }
            Answers f = TypeFields.of(shipped);
            Answers sourced = with(f, f.text(TypeFields.DESIGNATION), f.text("plateWatts"));
            TypeReader.Read same = read(sourced, Optional.of(shipped));
            assertThat(same.complaints().byField()).as(shipped.designation()).isEmpty();
            assertThat(Correction.differences(same.type().orElseThrow()))
                    .as(shipped.designation())
                    .isEmpty();
            assertThat(same.type().orElseThrow().kind()).isEqualTo(shipped.kind());
            assertThat(same.type().orElseThrow().pinout()).isEqualTo(shipped.pinout());
            TubeType other = read(with(f, f.text(TypeFields.DESIGNATION), "11"), Optional.of(shipped))
                    .type()
                    .orElseThrow();
            assertThat(Correction.differences(other))
                    .as(shipped.designation())
                    .singleElement()
                    .asString()
                    .startsWith("plate dissipation 11");
            assertThat(read(with(f, "X19", f.text("plateWatts")), Optional.of(shipped))
                            .complaints()
                            .byField())
                    .containsKey("designation");
        }
    }

    private static Answers with(Answers f, String designation, String plateWatts) {
        return f.said(TypeFields.SOURCE, "own sheet")
                .said(TypeFields.DESIGNATION, designation)
                .said(TypeFields.LIMITS.get(Limit.PLATE_WATTS), plateWatts);
    }

    /** What a maker permits with signal is kept, and is no less than what he permits without. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "     |     | ",
                "1200 | 6   | ",
                " 450 | 3   | ",
                " 449 |     | peakPlateVolts",
                "     | 2.9 | signalScreenWatts",
                "20000|     | peakPlateVolts",
                " 900 | -4  | signalScreenWatts",
                " 900 | 400 | signalScreenWatts",
            })
    void withSignal(String peak, String screen, String field) {
        Answers typed = form("X19", "", "PENTODE", "450", "3", List.of())
                .said(TypeFields.LIMITS.get(DriveLimit.PEAK_PLATE_VOLTS), peak == null ? "" : peak)
                .said(TypeFields.LIMITS.get(DriveLimit.SCREEN_WATTS), screen == null ? "" : screen);
        TypeReader.Read read = read(typed, Optional.empty());
        if (field != null) {
            assertThat(read.complaints().byField()).containsOnlyKeys(field);
            return;
        }
        Ratings kept = read.type().orElseThrow().ratings().get(0);
        assertThat(kept.figure(DriveLimit.PEAK_PLATE_VOLTS).map(Figure::value))
                .isEqualTo(Optional.ofNullable(peak).map(Double::valueOf));
        assertThat(kept.figure(DriveLimit.SCREEN_WATTS).map(Figure::value))
                .isEqualTo(Optional.ofNullable(screen).map(Double::valueOf));
    }
}
