package yellowrail.app.pictures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import yellowrail.app.amps.AmpForms;
import yellowrail.app.amps.AmpReader;
import yellowrail.app.amps.TypedAmp;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.sensing.GridVoltsOnly;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.idle.Statement;
import yellowrail.core.idle.Verdict;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.TubeType;

class PicturesTest {
    private static final OwnResistor OWN = new OwnResistor(SenseResistor.marked(1, 1));

    private static TubeType type(String name) {
        return ((Lookup.Found) Catalogue.shipped().find(name)).type();
    }

    private static PinFinder.Pin pin(PinFinder finder, int number) {
        return finder.pins().get(number - 1);
    }

    @Test
    void octalPinsRunClockwiseFromTheKeySeenFromBelow() {
        PinFinder below = PinFinder.of(type("6L6GC"), OWN, true).orElseThrow();
        assertThat(below.pins()).hasSize(8);
        // Key at the bottom: pin 1 left of it, pin 8 right of it; from above it is the other way round.
        assertThat(Double.parseDouble(pin(below, 1).x())).isLessThan(120);
        assertThat(Double.parseDouble(pin(below, 8).x())).isGreaterThan(120);
        assertThat(Double.parseDouble(pin(below, 1).y())).isGreaterThan(120);
        assertThat(Double.parseDouble(pin(below, 3).x())).isLessThan(80);
        PinFinder above = PinFinder.of(type("6L6GC"), OWN, false).orElseThrow();
        for (int number = 1; number <= 8; number++) {
            double mirrored = 240 - Double.parseDouble(pin(below, number).x());
            assertThat(Double.parseDouble(pin(above, number).x())).isCloseTo(mirrored, within(0.11));
            assertThat(pin(above, number).y()).isEqualTo(pin(below, number).y());
        }
    }

    @Test
    void marksThePinsThatTheMethodProbes() {
        PinFinder own = PinFinder.of(type("6L6GC"), OWN, true).orElseThrow();
        assertThat(pin(own, 3).probe()).isEqualTo("plate");
        assertThat(pin(own, 8).probe()).isEqualTo("cathode");
        assertThat(pin(own, 5).probe()).isEmpty();
        assertThat(own.label()).contains("plate at pin 3").contains("cathode at pin 8");
        PinFinder grid = PinFinder.of(type("7591"), new GridVoltsOnly(), true).orElseThrow();
        assertThat(pin(grid, 6).probe()).isEqualTo("grid");
        assertThat(pin(grid, 5).probe()).isEmpty();
        assertThat(grid.toBeVerified()).isTrue();
        assertThat(PinFinder.of(type("EL84"), OWN, true).orElseThrow().pins()).hasSize(9);
        assertThat(PinFinder.of(type("6973"), OWN, true)).isEmpty();
    }

    @Test
    void novalPinsLeaveAGapAtTheBottom() {
        PinFinder noval = PinFinder.of(type("EL84"), OWN, true).orElseThrow();
        double lowest = noval.pins().stream()
                .mapToDouble(p -> Double.parseDouble(p.y()))
                .max()
                .orElseThrow();
        assertThat(lowest).isLessThan(120 + 56 - 5);
        assertThat(Double.parseDouble(pin(noval, 5).y())).isLessThan(70);
    }

    private static AmpDescription stereo() {
        var e = AmpForms.resized(AmpForms.empty(), 4, 2);
        var form = TypedAmp.with(
                e,
                Map.of(
                        "name",
                        "Avocet",
                        "bias",
                        "tracking",
                        "controls",
                        "level",
                        "socketType",
                        List.of("EL84", "", "", ""),
                        "sensing",
                        Map.of("r", "10", "rtol", "1"),
                        "nodeLabel",
                        List.of()));
        return AmpReader.read(form, Catalogue.shipped(), List.of())
                .description()
                .orElseThrow();
    }

    @Test
    void anUnmeasuredSocketIsHollowAndTheMapFlips() {
        SocketMap below = SocketMap.of(stereo(), Optional.empty(), true);
        SocketMap above = SocketMap.of(stereo(), Optional.empty(), false);
        assertThat(below.places())
                .hasSize(4)
                .allMatch(p -> p.fill().isEmpty() && p.percent().isEmpty());
        assertThat(below.places().get(0).label()).contains("not measured");
        for (int i = 0; i < 4; i++) {
            assertThat(above.places().get(i).x())
                    .isEqualTo(below.width() - below.places().get(i).x());
        }
        // Two channels stand in two rows.
        assertThat(below.places().stream().map(SocketMap.Place::y).distinct()).hasSize(2);
    }

    @ParameterizedTest
    @EnumSource(Verdict.Place.class)
    void onlyAnAllClearIsGreen(Verdict.Place place) {
        Statement said = new Statement(place, "said");
        Verdict plain = new Verdict(place, said, said, Set.of(), List.of(), Optional.empty());
        assertThat(WattStrip.Tone.of(plain) == WattStrip.Tone.GOOD).isEqualTo(place == Verdict.Place.IN_WINDOW);
        for (Verdict.Qualifier qualifier : Verdict.Qualifier.values()) {
            Verdict qualified = new Verdict(place, said, said, Set.of(qualifier), List.of(), Optional.empty());
            assertThat(WattStrip.Tone.of(qualified)).isNotEqualTo(WattStrip.Tone.GOOD);
            assertThat(qualified.words()).endsWith(qualifier.words());
        }
    }
}
