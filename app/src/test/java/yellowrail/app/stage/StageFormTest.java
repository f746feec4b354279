package yellowrail.app.stage;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class StageFormTest {
    @Test
    void whatItWritesItReads() {
        StageForm form = StageForm.from("tube=EL34&load=3%2C4+k&scales=1.1+0.9&source=");
        assertThat(form.text("load")).isEqualTo("3,4 k");
        assertThat(form.text("bias")).isEqualTo("tracking");
        // What was cleared stays cleared: the usual answer does not creep back in.
        assertThat(form.text("source")).isEmpty();
        assertThat(StageForm.from(form.query())).isEqualTo(form).hasSameHashCodeAs(form);
        assertThat(StageForm.from("").query()).isEmpty();
    }

    @Test
    void brokenAddressesAreTakenAsFarAsTheyGo() {
        StageForm form = StageForm.from("=x&load&idle=7%ZZ&nothing=1&tube=EL84");
        assertThat(form.text("tube")).isEqualTo("EL84");
        assertThat(form.text("idle")).isEqualTo("7%ZZ");
        assertThat(form.text("load")).isEqualTo("4.2 k");
        assertThat(form.texts()).doesNotContainKey("nothing");
    }

    @Test
    void differencesAreToldByName() {
        StageForm one = StageForm.from("idle=50");
        assertThat(one.differing(one.with("idle", "60").with("load", "8k"))).containsExactly("load", "idle");
        assertThat(Lines.label(one, one.with("idle", "60"))).isEqualTo("idle 50 %");
        assertThat(Lines.label(one, one)).isEqualTo("the same setting");
        assertThat(Lines.label(one, one.with("at", "-40"))).isEqualTo("bias at as set by the slider");
    }
}
