package yellowrail.core.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class UnknownTransformerTest {
    /** A push-pull transformer of 8 kΩ with taps for 4, 8 and 16 Ω; its leads in no order. */
    private static final String OHMS = """
            blue red 148
            red brown 167
            blue brown 314
            black yellow 0.4
            black green 0.6
            black orange 0.9
            yellow green 0.2
            yellow orange 0.5
            green orange 0.3
            blue black open
            """;

    private static final String VOLTS = """
            blue brown 20V blue red 10.01V
            blue brown 20V black yellow 0.447V
            blue brown 20V black green 0.632V
            blue brown 20V black orange 0.894V
            """;

    private static UnknownTransformer of(String text) {
        LeadNotes.Read notes = LeadNotes.read(text);
        assertThat(notes.complaint()).isEmpty();
        return UnknownTransformer.of(notes);
    }

    /** Ohms alone: what is connected and in which order, no ratio, and why. */
    @Test
    void ohmsAloneGiveNoRatio() {
        UnknownTransformer found = of(OHMS);
        UnknownTransformer.Winding primary = found.primary().orElseThrow();
        assertThat(primary.leads()).containsExactly("blue", "red", "brown");
        assertThat(primary.centre()).contains("red");
        assertThat(primary.centreByVolts()).isFalse();
        assertThat(found.windings().get(1).leads()).containsExactly("black", "yellow", "green", "orange");
        assertThat(found.uses()).isEmpty();
        assertThat(found.open())
                .anySatisfy(o -> assertThat(o).contains("half of it shows that red is the centre"))
                .anySatisfy(o -> assertThat(o).contains("Ohms never tell one"));
    }

    /** With AC volts: the centre is shown, the taps are told by their roots, and whose transformer it is. */
    @Test
    void voltsTellWhatItSuits() {
        UnknownTransformer found = of(OHMS + VOLTS);
        assertThat(found.contradictions()).isEmpty();
        assertThat(found.primary().orElseThrow().centreByVolts()).isTrue();
        assertThat(found.open()).isEmpty();
        assertThat(found.uses()).singleElement().satisfies(use -> {
            assertThat(use.taps())
                    .containsEntry("black–yellow", 4.0)
                    .containsEntry("black–green", 8.0)
                    .containsEntry("black–orange", 16.0);
            assertThat(use.primaryOhms()).isCloseTo(8000, within(60.0));
            assertThat(use.near().stream().map(l -> l.operation().type()).toList())
                    .contains("6V6GT", "EL84");
        });
    }

    /** One secondary could be for 4, 8 or 16 Ω: all three are told. */
    @Test
    void oneSecondaryLeavesThreeWays() {
        UnknownTransformer found = of("1 2 310\n3 4 0.5\n1 2 10 V 3 4 0.4 V");
        assertThat(found.uses().stream()
                        .map(UnknownTransformer.Use::primaryOhms)
                        .toList())
                .satisfiesExactly(
                        z -> assertThat(z).isCloseTo(2500, within(1e-6)),
                        z -> assertThat(z).isCloseTo(5000, within(1e-6)),
                        z -> assertThat(z).isCloseTo(10_000, within(1e-6)));
        assertThat(found.uses().get(1).near().get(0).words()).contains("single-ended");
        // Driven from the low side the ratio is the same.
        assertThat(of("1 2 310\n3 4 0.5\n3 4 0.2V 1 2 5V").uses()).isEqualTo(found.uses());
    }

    /** An ultralinear primary has three leads between its ends. */
    @Test
    void screenTapsLieBesideTheCentre() {
        UnknownTransformer found = of("""
                1 5 300
                1 2 85
                2 5 215
                1 3 145
                3 5 156
                1 4 222
                4 5 78
                8 9 0.5
                """);
        UnknownTransformer.Winding primary = found.primary().orElseThrow();
        assertThat(primary.leads()).containsExactly("1", "2", "3", "4", "5");
        assertThat(primary.centre()).contains("3");
        assertThat(primary.taps()).containsExactly("2", "4");
        // Volts say otherwise: then the ohms suggest nothing.
        assertThat(of("1 5 300\n1 3 145\n3 5 156\n8 9 0.5\n1 5 20V 1 3 6V")
                        .primary()
                        .orElseThrow()
                        .centre())
                .isEmpty();
    }

    /** Where the centre lies, by ohms as far as they were read, and whether volts show it. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '!',
            value = {
                "1 2 148;2 3 167;1 3 314;8 9 0.6;1 3 20V 1 2 10V! 2! true",
                "1 2 148;2 3 167;1 3 314;8 9 0.6;1 3 20V 2 3 10V! 2! true",
                "1 2 148;2 3 167;1 3 314;8 9 0.6;3 1 20V 3 2 10V! 2! true",
                "1 2 148;2 3 167;1 3 314;8 9 0.6;1 2 10V 2 3 10V! 2! true",
                "1 2 148;2 3 167;1 3 314;8 9 0.6;2 1 10V 3 2 10.2V! 2! true",
                "1 2 148;2 3 167;1 3 314;8 9 0.6! 2! false",
                // One end alone was read.
                "1 3 314;2 3 167;8 9 0.6! 2! false",
                "1 3 314;1 2 148;8 9 0.6! 2! false",
                "1 3 314;2 3 60;8 9 0.6! ! false",
                // 40 and 60 % of the ohms still suggest it, less does not.
                "1 2 40;2 3 60;1 3 100;8 9 0.5! 2! false",
                "1 2 60;2 3 40;1 3 100;8 9 0.5! 2! false",
                "1 2 36;2 3 64;1 3 100;8 9 0.5! ! false",
                // Of two the one nearer to the middle.
                "1 4 300;1 2 135;2 4 165;1 3 156;3 4 144;2 3 21;8 9 0.5! 3! false",
                "1 4 300;1 2 144;2 4 156;1 3 165;3 4 135;2 3 21;8 9 0.5! 2! false",
            })
    void theCentre(String lines, String centre, boolean byVolts) {
        UnknownTransformer.Winding primary =
                of(lines.replace(";", "\n")).primary().orElseThrow();
        assertThat(primary.centre().orElse(null)).isEqualTo(centre == null ? null : centre.strip());
        assertThat(primary.centreByVolts()).isEqualTo(byVolts);
    }

    /** Between the centre and a screen tap lies no half: the whole has more than twice of it. */
    @Test
    void aPartBesideTheCentreIsNoHalf() {
        String ultralinear = "1 5 300;1 2 85;2 5 215;1 3 145;3 5 156;1 4 222;4 5 78;2 3 60;8 9 0.5;";
        assertThat(of((ultralinear + "2 3 6V 8 9 0.5V").replace(";", "\n")).contradictions())
                .singleElement()
                .satisfies(c -> assertThat(c).contains("about 35 V on the whole of it"));
        assertThat(of((ultralinear + "2 3 5V 8 9 0.5V").replace(";", "\n")).contradictions())
                .isEmpty();
    }

    /** Five times the ohms of any other are a primary's; ohms read twice may differ by 4 % and 1 Ω. */
    @Test
    void whatIsJustEnough() {
        assertThat(of("1 2 50\n8 9 10").primary()).isPresent();
        assertThat(of("1 2 49\n8 9 10").primary()).isEmpty();
        assertThat(of("1 2 310\n8 9 0.5").open()).noneMatch(o -> o.contains("No lead lies at the middle"));
        assertThat(of("1 2 100\n2 1 95\n8 9 0.6").contradictions()).isEmpty();
        assertThat(of("1 2 100\n2 1 94\n8 9 0.6").contradictions()).hasSize(1);
    }

    /** What cannot all be so is said, and nothing is built on it. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '!',
            value = {
                "1 2 100;2 3 110;1 3 150;8 9 0.5! ohms add up",
                "1 2 100;2 3 110;1 3 open;8 9 0.5! No connection was read between 1 and 3",
                "1 2 300;8 9 0.5;1 2 20V 8 9 0.5V;1 2 20V 9 8 0.5V! ",
                "1 2 300;8 9 0.5;1 2 20V 8 9 0.5V;1 2 20V 8 9 0.7V! Read twice",
                "1 2 300;8 9 0.5;8 9 1.2V 1 2 30V! At most 0.2 V goes on the low side",
                "1 2 300;8 9 0.5;8 9 0.2V 1 2 5V! ",
            })
    void contradictions(String lines, String said) {
        UnknownTransformer found = of(lines.replace(";", "\n"));
        if (said == null) {
            assertThat(found.contradictions()).isEmpty();
        } else {
            assertThat(found.contradictions()).anySatisfy(c -> assertThat(c).contains(said.strip()));
            assertThat(found.uses()).isEmpty();
        }
    }

    /** What is not told is asked for. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '!',
            value = {
                "1 2 300! a primary alone tells no ratio",
                "1 2 300;3 4 250! ohms of one order",
                "1 2 100;2 3 110;8 9 0.5! Ohms 1 to 3: they show whether 1 lies between 2 and 3",
                "1 3 300;1 2 20;2 3 281;8 9 0.5! No lead lies at the middle",
            })
    void whatIsStillOpen(String lines, String asked) {
        assertThat(of(lines.replace(";", "\n")).open())
                .as(lines)
                .anySatisfy(o -> assertThat(o).contains(asked.strip()));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '!',
            value = {
                "1 1 100! two different leads",
                "1 2 abc! write two leads and the ohms",
                "1 2 230V 5 6 9V! At most 30 V AC",
                "1 2 0V 5 6 9V! volts above zero",
                "1 2! write two leads",
            })
    void notUnderstood(String line, String said) {
        LeadNotes.Read read = LeadNotes.read(line);
        assertThat(read.complaint()).contains("Line 1").contains(said.strip());
        assertThat(read.ohms()).isEmpty();
    }

    @Test
    void writtenAsOneWrites() {
        LeadNotes.Read read = LeadNotes.read("red-blue 1,5k\n\nred blue OL\n1-3 20V 5-6 630mV\nred blue 33 ohms");
        assertThat(read.complaint()).isEmpty();
        assertThat(read.ohms().get(0).ohms()).contains(1500.0);
        assertThat(read.ohms().get(1).ohms()).isEmpty();
        assertThat(read.ohms().get(2).ohms()).contains(33.0);
        assertThat(read.volts().get(0).volts()).isCloseTo(0.63, within(1e-12));
        assertThat(LeadNotes.read("1 2 3\n".repeat(61)).complaint()).contains("At most 60 readings");
        assertThat(UnknownTransformer.of(LeadNotes.read("")).open())
                .isEqualTo(
                        List.of("Ohms between each pair of leads, amp off and drained, or the transformer out of it."));
    }
}
