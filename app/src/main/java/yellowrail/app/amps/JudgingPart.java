package yellowrail.app.amps;

import static yellowrail.app.forms.CheckForm.or;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.Fields;
import yellowrail.core.amp.Judging;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.target.Target;
import yellowrail.core.tube.RatingSystem;

/**
 * What the amp's readings are held against.
 *
 * @param targets names of the target windows that can be chosen
 */
record JudgingPart(PartReader in, List<String> targets) {
    private static final List<String> SYSTEMS = Arrays.stream(RatingSystem.values())
            .filter(s -> s != RatingSystem.UNSTATED)
            .map(Enum::name)
            .toList();

    static final List<AmpField> FIELDS = List.of(
            AmpField.text("maker", "Maker's figure: what the amp's test point shall show, unit as for its readings"),
            AmpField.text("target", "Name of the target window, or maker's figure; blank for none"),
            AmpField.pick("judgeBy", "Rating system to judge by; blank for the lowest plate rating", SYSTEMS),
            AmpField.text("ceiling", "Ceiling, per cent of the rating; blank for the usual one"));

    Judging read(List<SenseGroup> groups) {
        String maker = maker(groups);
        String target = or(in.form().text("target"), "");
        if (!target.isEmpty() && !targets.contains(target) && !target.equals(Target.MakersFigure.NAME)) {
            in.complaints().add("target", "There is no target called “" + FieldErrors.shorten(target) + "”.");
        }
        Optional<Double> ceiling = in.value("ceiling", Fields.PERCENT).map(p -> p / 100);
        if (ceiling.filter(c -> !(c > 0 && c <= 1.5)).isPresent()) {
            in.complaints().add("ceiling", "A ceiling lies above 0 and at most at 150 % of the rating.");
        }
        return new Judging(target, ceiling, system(), maker);
    }

    /** The maker's figure is a reading at the amp's own test point, so it is read like one. */
    private String maker(List<SenseGroup> groups) {
        String text = or(in.form().text("maker"), "");
        if (!groups.isEmpty()) {
            in.complaints().quantity("maker", text, groups.get(0).method().field());
        }
        if (text.isEmpty() && Target.MakersFigure.NAME.equals(in.form().text("target"))) {
            in.complaints().add("maker", "The target is the maker's figure: what shall the test point show?");
        }
        return text;
    }

    private String system() {
        String text = or(in.form().text("judgeBy"), "");
        if (!text.isEmpty() && !SYSTEMS.contains(text)) {
            in.complaints()
                    .add(
                            "judgeBy",
                            "“" + FieldErrors.shorten(text) + "” is no rating system known here: "
                                    + String.join(", ", SYSTEMS) + ", or blank.");
        }
        return text;
    }

    static AmpForm write(Judging judging, AmpForm form) {
        return form.with("maker", judging.makersFigure())
                .with("target", judging.target())
                .with("judgeBy", judging.system())
                .with("ceiling", PartReader.number(judging.ceiling().map(c -> 100 * c)));
    }
}
