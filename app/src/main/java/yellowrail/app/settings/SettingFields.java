package yellowrail.app.settings;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import yellowrail.app.forms.Answers;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.forms.Fields;
import yellowrail.app.forms.Texts;
import yellowrail.core.reading.Accuracy;
import yellowrail.core.reading.Typed;
import yellowrail.core.stage.ComputedTarget;
import yellowrail.core.target.Target;

/** What is asked of a target window and of a meter that are to be kept. */
final class SettingFields {
    static final FieldSpec<String> NAME = FieldSpec.text("name", "Name", "", SettingFields::windowName, value -> value);
    static final FieldSpec<Optional<Typed>> LOW =
            FieldSpec.reading("lo", "From, %", Fields.PERCENT).hinting("55");
    static final FieldSpec<Optional<Typed>> HIGH =
            FieldSpec.reading("hi", "To, %", Fields.PERCENT).hinting("65");
    static final FieldSpec<String> WHY = FieldSpec.text(
            "why",
            "For and against",
            "",
            (name, text, complaints) -> {
                if (text.length() > Texts.SENTENCE) {
                    complaints.add(name, Texts.tooLong(Texts.SENTENCE, text));
                }
                return Texts.line(text);
            },
            value -> value);
    static final List<FieldSpec<?>> WINDOW = List.of(NAME, LOW, HIGH, WHY);

    static final FieldSpec<String> METER_NAME = FieldSpec.text(
            "meterName",
            "Meter",
            "the one on my bench",
            (name, text, complaints) -> {
                if (text.isEmpty() || text.length() > Texts.NAME) {
                    complaints.add(name, "A meter's name has 1 to 60 characters.");
                }
                return Texts.line(text);
            },
            value -> value);

    /** How exact a meter is on one quantity. */
    record Exactness(FieldSpec<Optional<Typed>> percent, FieldSpec<Optional<Integer>> counts) {
        private static Exactness of(String letter, String words, String percent, String counts) {
            return new Exactness(
                    FieldSpec.reading(letter + "Percent", words + ", %", Fields.PERCENT)
                            .hinting(percent),
                    FieldSpec.count(letter + "Counts", words + ", counts", counts, 0, 1000));
        }

        private List<FieldSpec<?>> fields() {
            return List.of(percent, counts);
        }

        Accuracy read(Answers answers, FieldErrors complaints) {
            Optional<Double> share = answers.read(percent, complaints).map(Typed::value);
            int digits = answers.read(counts, complaints).orElse(0);
            if (share.isEmpty() || share.get() > 100) {
                complaints.add(percent.name(), "Per cent of reading, 0 to 100, from the meter's specification.");
                return new Accuracy(0, 0);
            }
            return new Accuracy(share.get(), digits);
        }

        /** Blank is not known: few look it up before they measure a transformer. */
        Optional<Accuracy> ifKnown(Answers answers, FieldErrors complaints) {
            return answers.blank(fields()) ? Optional.empty() : Optional.of(read(answers, complaints));
        }
    }

    static final Exactness VOLTS = Exactness.of("v", "Volts", "0.5", "2");
    static final Exactness AMPERES = Exactness.of("a", "Current", "1.2", "3");
    static final Exactness OHMS = Exactness.of("o", "Ohms", "0.8", "2");
    static final Exactness AC_VOLTS = Exactness.of("ac", "AC volts", "if known", "if known");

    /** What a meter is described by besides its name. */
    static final List<FieldSpec<?>> EXACTNESS = Stream.of(VOLTS, AMPERES, OHMS, AC_VOLTS)
            .<FieldSpec<?>>flatMap(e -> e.fields().stream())
            .toList();

    static final List<FieldSpec<?>> METER = FieldSpec.all(List.of(METER_NAME), EXACTNESS);

    private SettingFields() {}

    private static String windowName(String name, String text, FieldErrors complaints) {
        String called = Texts.line(text);
        if (called.equalsIgnoreCase(ComputedTarget.NAME) || called.equalsIgnoreCase(Target.MakersFigure.NAME)) {
            complaints.add(name, "“" + called + "” is taken: choose another name for this window.");
        }
        return called;
    }
}
