package yellowrail.core.swap;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import yellowrail.core.amp.Duty;
import yellowrail.core.stage.StageSetting;

/** The resistor that a sheet names for its screens is accepted by the same sheet, at both ends of its tolerance. */
class NamedScreenResistorTest {
    private static final Pattern NAMED = Pattern.compile("A resistor of ([0-9.]+) (k?)Ω at each screen");
    private static final List<String> TYPES = List.of("6V6GT", "6L6GC", "EL34", "6550", "KT88", "EL84");
    private static final int STAGES = 60;

    private static Present behind(Present present, double ohms) {
        StageSetting now = present.setting();
        StageSetting then = now.of(now.described()
                .tubed(now.described().tubes().stream().map(t -> t.behind(ohms)).toList()));
        return new Present(
                present.type(),
                present.ratings(),
                present.trust(),
                then,
                present.scheme(),
                present.lowest(),
                present.highest(),
                present.margin(),
                present.read());
    }

    @Test
    void isAcceptedByTheSheet() {
        Random random = new Random(2828);
        int named = 0;
        for (int i = 0; i < STAGES; i++) {
            String type = TYPES.get(random.nextInt(TYPES.size()));
            Duty duty = Duty.values()[random.nextInt(Duty.values().length)];
            Present present = Swaps.fixed(
                            type,
                            2,
                            250 + 180 * random.nextDouble(),
                            2500 + 6000 * random.nextDouble(),
                            0.35 + 0.4 * random.nextDouble())
                    .playing(duty);
            SwapSheet sheet = Swaps.sheet(present, type, Around.generous());
            if (sheet.after().isEmpty()) {
                continue;
            }
            SwapRow row = Swaps.row(sheet, Criterion.SCREEN_HEAT);
            Matcher found = NAMED.matcher(row.mend());
            if (!found.find()) {
                continue;
            }
            named++;
            double ohms = Double.parseDouble(found.group(1)) * (found.group(2).isEmpty() ? 1 : 1000);
            // A caution's resistor is for the loudest.
            Present loudest = row.reason().contains("Caution") ? present.playing(Duty.HARD) : present;
            for (double part : new double[] {0.95, 1, 1.05}) {
                SwapSheet there = Swaps.sheet(behind(loudest, part * ohms), type, Around.generous());
                assertThat(Swaps.row(there, Criterion.SCREEN_HEAT).verdict())
                        .as("%s, %s: %s Ω for %s, then %s", type, duty, ohms, row, there.rows())
                        .isIn(SwapVerdict.PASS, SwapVerdict.NOTE);
            }
        }
        assertThat(named).isGreaterThan(STAGES / 6);
    }
}
