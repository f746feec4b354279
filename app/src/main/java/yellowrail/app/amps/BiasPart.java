package yellowrail.app.amps;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import yellowrail.app.forms.Words;
import yellowrail.core.amp.Bias;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;

/** How the idle is set. */
record BiasPart(PartReader in) {
    private static final Map<String, ControlLayout> CONTROLS = controlWords();

    static final List<AmpField> FIELDS = List.of(
            AmpField.pick("bias", "What the bias does; blank is unknown", List.copyOf(Words.BIAS.keySet())),
            AmpField.pick("controls", "Bias controls; blank is not known", List.copyOf(CONTROLS.keySet())));

    private static Map<String, ControlLayout> controlWords() {
        Map<String, ControlLayout> words = new LinkedHashMap<>();
        for (ControlLayout layout : ControlLayout.values()) {
            words.put(layout.name().toLowerCase(Locale.ROOT), layout);
        }
        return words;
    }

    Bias read() {
        return new Bias(
                in.pick("bias", Words.BIAS, BiasScheme.FIXED_UNKNOWN),
                in.pick("controls", CONTROLS, ControlLayout.NONE));
    }

    static AmpForm write(Bias bias, AmpForm form) {
        return form.with("bias", PartReader.word(Words.BIAS, bias.scheme()))
                .with("controls", PartReader.word(CONTROLS, bias.controls()));
    }
}
