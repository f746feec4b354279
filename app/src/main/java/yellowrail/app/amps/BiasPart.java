package yellowrail.app.amps;

import java.util.List;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.forms.FieldSpec.Pick;
import yellowrail.app.forms.Words;
import yellowrail.core.amp.Bias;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;

/** How the idle is set. */
record BiasPart(PartReader in) {
    static final FieldSpec<BiasScheme> BIAS = FieldSpec.pick("bias", "Bias", Words.BIAS);
    static final FieldSpec<ControlLayout> CONTROLS = FieldSpec.pick(
            "controls",
            "Controls",
            new Pick<>("none", "none", ControlLayout.NONE),
            new Pick<>("level", "one level control", ControlLayout.LEVEL),
            new Pick<>("balance", "balance only", ControlLayout.BALANCE),
            new Pick<>("level_and_balance", "level and balance", ControlLayout.LEVEL_AND_BALANCE),
            new Pick<>("per_side", "one for each side", ControlLayout.PER_SIDE),
            new Pick<>("per_tube", "one for each tube", ControlLayout.PER_TUBE),
            new Pick<>("cathode_own", "cathode resistor, own", ControlLayout.CATHODE_OWN),
            new Pick<>("cathode_shared", "cathode resistor, shared", ControlLayout.CATHODE_SHARED));

    static final List<FieldSpec<?>> FIELDS = List.of(BIAS, CONTROLS);

    Bias read() {
        return new Bias(in.read(BIAS), in.read(CONTROLS));
    }

    static AmpForm write(Bias bias, AmpForm form) {
        return form.with(BIAS, bias.scheme()).with(CONTROLS, bias.controls());
    }
}
