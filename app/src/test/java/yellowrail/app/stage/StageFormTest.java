package yellowrail.app.stage;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class StageFormTest {
    @Test
    void whatItWritesItReads() {
        StageForm form = StageForm.from("tube=EL34&load=3%2C4+k&scales=1.1+0.9&source=");
        assertThat(form.texts().get("load")).isEqualTo("3,4 k");
        assertThat(form.texts().get("bias")).isEqualTo("tracking");
        // What was cleared stays cleared: the usual answer does not creep back in.
        assertThat(form.texts().get("source")).isEmpty();
        assertThat(StageForm.from(form.query())).isEqualTo(form).hasSameHashCodeAs(form);
        assertThat(StageForm.from("").query()).isEmpty();
    }

    @Test
    void brokenAddressesAreTakenAsFarAsTheyGo() {
        StageForm form = StageForm.from("=x&load&idle=7%ZZ&nothing=1&tube=EL84");
        assertThat(form.texts().get("tube")).isEqualTo("EL84");
        assertThat(form.texts().get("idle")).isEqualTo("7%ZZ");
        assertThat(form.texts().get("load")).isEqualTo("4.2 k");
        assertThat(form.texts()).doesNotContainKey("nothing");
    }

    @Test
    void differencesAreToldByName() {
        StageForm one = StageForm.from("idle=50");
        assertThat(one.differing(one.said(StageFields.IDLE, "60").said(StageFields.LOAD, "8k")))
                .containsExactly("load", "idle");
        assertThat(Lines.label(one, one.said(StageFields.IDLE, "60"))).isEqualTo("idle 50 %");
        assertThat(Lines.label(one, one)).isEqualTo("the same setting");
        assertThat(Lines.label(one, one.said(StageFields.AT, "-40"))).isEqualTo("bias at as set by the slider");
    }
}
