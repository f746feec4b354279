package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Hum;
import yellowrail.core.session.events.Looked;
import yellowrail.core.session.events.Microphony;
import yellowrail.core.session.events.Noted;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Ripple;

/** What practitioners note, how it stands on the sheet, and what is refused of it. */
class NotesTest {
    private final Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp();

    private List<String> notes() {
        return bench.session.entries().stream()
                .flatMap(e -> e.event().noted().stream())
                .toList();
    }

    @Test
    void theyStandInTheirOwnWords() {
        bench.did(new Noted(Noted.Topic.COMPLAINT, "hums since spring"))
                .did(new Noted(Noted.Topic.WISH, "quieter"))
                .did(new Noted(Noted.Topic.LIFE, "two years"))
                .did(new Looked(Looked.Sight.COOKED, "R12"))
                .did(new Looked(Looked.Sight.NOTHING, ""))
                .did(new Microphony("V2", Microphony.Grade.ON_TAP))
                .did(new Ripple("reservoir", new Typed("1.2 V", 1.2, Unit.VOLT, 0.1), 100))
                .did(new Hum(Hum.When.BEFORE, "volume at noon, 5 mV/div", "3 divisions"))
                .did(new Hum(Hum.When.AFTER, "Volume at noon, 5 mV/div", "1 division"));
        assertThat(notes())
                .containsExactly(
                        "the owner's complaint: hums since spring",
                        "the owner's wish: quieter",
                        "remaining life, a guess: two years",
                        "first look: parts cooked, R12",
                        "first look: nothing found",
                        "V2: microphonic on a tap",
                        "ripple at reservoir: 1.2 V AC, 100 Hz",
                        "hum before: 3 divisions (volume at noon, 5 mV/div)",
                        "hum after: 1 division (Volume at noon, 5 mV/div)");
        // None of them changes the setting or any figure.
        assertThat(bench.session.context().setting()).isZero();
    }

    @Test
    void humIsComparedAtTheSameSettingOnly() {
        bench.did(new Hum(Hum.When.BEFORE, "volume at noon", "3 divisions"));
        assertThat(bench.tell(new Hum(Hum.When.AFTER, "volume full", "4 divisions"))
                        .orElseThrow())
                .contains("Before, it was “volume at noon”");
        assertThat(bench.tell(new Hum(Hum.When.BEFORE, "", "3")).orElseThrow()).contains("same setting only");
        assertThat(bench.tell(new Hum(Hum.When.BEFORE, "noon", " ")).orElseThrow())
                .contains("How much was it?");
    }

    @Test
    void whatIsNoneIsRefused() {
        assertThat(bench.tell(new Microphony("V9", Microphony.Grade.NONE)).orElseThrow())
                .contains("no socket");
        Typed volts = new Typed("1 V", 1, Unit.VOLT, 0.1);
        assertThat(bench.tell(new Ripple("nowhere", volts, 50)).orElseThrow()).contains("no node");
        assertThat(bench.tell(Read.of(Quantity.RIPPLE, "reservoir", volts)).orElseThrow())
                .contains("together with its frequency");
        assertThat(new Bench(bench.session.plan())
                        .tell(new Ripple("reservoir", volts, 50))
                        .orElseThrow())
                .contains("declare the amp's state first");
    }
}
