package yellowrail.core.load;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.Locale;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Evenings with an unmarked transformer: what must not be built on, and what must not be doubted. */
class PlantedLeadsTest {
    /** What a primary of 8 kΩ with its centre and a secondary of 8 Ω read. */
    private static final String SOUND = "1 2 148;2 3 167;1 3 314;8 9 0.6;";

    private static UnknownTransformer of(String lines) {
        LeadNotes.Read read =
                LeadNotes.read((lines.startsWith("+") ? SOUND + lines.substring(1) : lines).replace(";", "\n"));
        assertThat(read.complaint()).as(lines).isEmpty();
        return UnknownTransformer.of(read);
    }

    /** Readings ("+" after those of a sound one's ohms), what is said, and why it matters. */
    @ParameterizedTest(name = "{2}")
    @CsvSource(
            delimiter = '!',
            value = {
                "+1 2 20V 8 9 1.26V! about 40 V on the whole! half of a primary driven: the whole of it has 40 V",
                "+2 3 18V 1 2 18V! about 36 V on the whole! the other half, too high as well",
                "+1 2 15.6V 8 9 0.98V! about 31 V on the whole! a half driven a little too high",
                "1 5 300;1 2 45;2 5 256;8 9 0.5;1 2 6V 8 9 0.4V! about 47 V! a screen tap is a small part of its winding",
                "+8 9 1V 1 3 25V! At most 0.2 V goes on the low side! a low winding driven before its ratio is known",
                "+8 9 0.25V 1 3 7.9V! At most 0.2 V! even a quarter of a volt: 120 to 1 makes 30 V of it",
                "+1 3 20V 8 9 0.632V;8 9 1.2V 1 3 30V! puts 38 V on 1–3! the ratio is known by then and says too much",
                "+8 9 1.2V 1 3 30V;1 3 20V 8 9 0.632V! At most 0.2 V! the ratio came only afterwards",
                "1 2 60;3 4 55;3 4 20V 1 2 21V! At most 0.2 V! two windings alike: only the one with the most ohms",
                "+1 3 20V 8 9 14V! which no output transformer has! less than 1.5 to 1: a mains or isolating transformer",
                "+1 3 20V 8 9 18V! which no output transformer has! nearly one to one",
                "+1 3 30V 8 9 60mV! which no output transformer has! 500 to 1: millivolts of a clip that is off",
                "+1 3 30V 8 9 190mV! which no output transformer has! 158 to 1",
                "1 2 230;1 2 40;8 9 0.6;1 2 20V 8 9 0.6V! give 230 Ω and 40.0 Ω! one pair read twice, the first silently taken",
                "8 9 0.6;1 2 40;2 1 230;1 2 20V 8 9 0.6V! give 40.0 Ω and 230 Ω! the same the other way round",
                "1 2 148;2 3 167;1 3 314;1 3 160;8 9 0.6! Read twice! the whole read as a half",
                "+1 3 20V 1 2 14V;1 3 20V 2 3 12V! volts add up! 14 and 12 V along a winding of 20 V",
                "+1 3 20V 1 2 7V;1 3 20V 2 3 9V! volts add up! 7 and 9 V along a winding of 20 V: a half is shorted or misread",
                "+1 3 20V 1 2 24V! more than the 20.0 V! a part with more volts than its whole",
                "+8 9 0.2V 1 3 3V;8 9 0.2V 1 2 6V! more than the 3.00 V! the same read from the other side",
                "1 2 310;8 9 0.9;8 7 0.5;7 9 0.4;1 2 20V 8 9 0.6V;1 2 20V 8 7 0.9V! has 0.900 V! a tap with more than its winding",
                "+1 3 20V 8 9 0.632V;1 3 20V 9 8 0.9V! Read twice with 20.0 V! two volts of one pair",
                "+1 3 20V 8 9 0.632V;1 3 10V 8 9 0.5V! Read twice! the same at another drive",
                "1 2 100;2 3 110;1 3 150;8 9 0.5! ohms add up! ohms along a winding",
                "1 2 100;2 3 110;1 3 open;8 9 0.5! No connection was read! a clip was off",
            })
    void isNotBuiltOn(String lines, String said, String why) {
        UnknownTransformer found = of(lines);
        assertThat(found.contradictions()).as(why).anySatisfy(c -> assertThat(c).contains(said.strip()));
        assertThat(found.uses()).as(why).isEmpty();
        assertThat(found.windings()).as(why).noneMatch(UnknownTransformer.Winding::centreByVolts);
    }

    /** Readings, what is asked, and why: nothing is concluded until then. */
    @ParameterizedTest(name = "{2}")
    @CsvSource(
            delimiter = '!',
            value = {
                "+1 3 20V 8 9 8V! a line or 600 Ω winding?! 2.5 to 1 is no speaker's, and was listed with uses",
                "+1 3 20V 8 9 4.2V! a line or 600 Ω winding?! 4.8 to 1",
                "+1 3 20V 4 5 0.6V! A ratio! the secondary's ohms are not read",
                "8 9 0.6;8 9 6V 1 3 29V! which winding has the most ohms is not known! a low winding alone, driven with 6 V",
                "8 9 0.6;1 3 20V 8 9 0.63V! Ohms 1 to 3 come before volts on them! volts before ohms",
                "1 2 310;5 6 0.2;6 7 0.2;5 7 0.4;1 2 30V 5 6 0.15V! Volts on the whole of it! only a part of a secondary read",
            })
    void isAsked(String lines, String asked, String why) {
        UnknownTransformer found = of(lines);
        assertThat(found.open()).as(why).anySatisfy(o -> assertThat(o).contains(asked.strip()));
        assertThat(found.contradictions()).as(why).isEmpty();
        assertThat(found.uses()).as(why).isEmpty();
    }

    /** Readings that are all right, and why they could be taken for wrong. */
    @ParameterizedTest(name = "{1}")
    @CsvSource(
            delimiter = '!',
            value = {
                "+1 3 30V 8 9 0.949V! as much as is allowed",
                "+1 2 15V 8 9 0.949V! a half with half of it, as advised: its ohms are 47 %",
                "+2 3 15V 8 9 0.949V! the longer half",
                "+8 9 0.2V 1 3 6.32V! a low winding with as much as is allowed",
                "+1 3 20V 8 9 0.632V;8 9 0.9V 1 3 28.5V! a low winding once its ratio is known",
                "+1 3 20V 1 2 10.01V;1 3 20V 2 3 9.98V;1 3 20V 8 9 0.632V! halves that a meter reads a little apart",
                "+1 3 20.0V 8 9 0.63V;1 3 20V 9 8 0.64V! read twice with two digits",
                "+1 3 20V 8 9 0.6V;1 3 10V 8 9 0.3V! one digit at two drives",
                "1 2 148;2 1 149;2 3 167;1 3 314;8 9 0.6;1 3 20V 8 9 0.63V! ohms read twice, a digit apart",
                "1 2 310;8 9 0.5;9 8 0.8;1 2 20V 8 9 0.63V! low ohms read twice with other leads of the meter",
                "1 2 314;5 6 0.3;5 7 0.3;5 8 0.4;1 2 20V 5 6 0.447V;1 2 20V 5 7 0.632V;1 2 20V 5 8 0.894V! ohms too low to tell order",
                "1 2 314;5 6 0.3;5 8 0.4;1 2 20V 5 6 0.894V;1 2 20V 5 8 0.632V! the same, ends taken for a tap",
                "1 2 310;8 9 0.6;1 2 30V 8 9 0.21V! 143 to 1 is wound for a tube of high resistance",
                "1 2 90;8 9 0.6;1 2 20V 8 9 3.5V! 5.7 to 1 is wound for many tubes side by side",
                "1 5 300;1 2 85;2 5 215;1 3 145;3 5 156;1 4 222;4 5 78;8 9 0.5;1 5 20V 1 2 5.7V;1 5 20V 1 3 10V;1 5 20V 8 9 0.6V"
                        + "! an ultralinear primary",
            })
    void isNotDoubted(String lines, String why) {
        UnknownTransformer found = of(lines);
        assertThat(found.contradictions()).as(why).isEmpty();
        assertThat(found.open()).as(why).noneMatch(o -> o.contains("600 Ω") || o.contains("before volts"));
    }

    /** Any transformer honestly read is understood; with a volt that is a fifth off it tells nothing. */
    @Test
    void honestReadingsAreUnderstoodAndASlipIsNot() {
        Random random = new Random(2812);
        for (int i = 0; i < 400; i++) {
            double turns = 12 + 60 * random.nextDouble();
            double half = 20 + 300 * random.nextDouble();
            double outer = half * (1.02 + 0.3 * random.nextDouble());
            double drive = 4 + 26 * random.nextDouble();
            double middle = drive * (0.495 + 0.01 * random.nextDouble());
            String ohms = String.format(Locale.ROOT, "1 2 %.0f;2 3 %.0f;1 3 %.0f;8 9 0.6;", half, outer, half + outer);
            String volts = "1 3 %.2fV 1 2 %.2fV;1 3 %.2fV 2 3 %.2fV;1 3 %.2fV 8 9 %.3fV";
            String honest = ohms
                    + String.format(Locale.ROOT, volts, drive, middle, drive, drive - middle, drive, drive / turns);
            UnknownTransformer found = of(honest);
            assertThat(found.contradictions()).as(honest).isEmpty();
            assertThat(found.uses())
                    .as(honest)
                    .anySatisfy(u -> assertThat(u.primaryOhms()).isCloseTo(8 * turns * turns, withinPercentage(2)));
            double wrong = middle * (random.nextBoolean() ? 1.25 : 0.75);
            String slip =
                    ohms + String.format(Locale.ROOT, volts, drive, wrong, drive, drive - middle, drive, drive / turns);
            assertThat(of(slip).contradictions()).as(slip).isNotEmpty();
            assertThat(of(slip).uses()).as(slip).isEmpty();
        }
    }
}
