package yellowrail.app.amps;

import java.util.List;
import java.util.Optional;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.forms.FieldSpec.Pick;
import yellowrail.app.forms.Words;
import yellowrail.core.amp.Duty;
import yellowrail.core.amp.Judging;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Unit;
import yellowrail.core.target.Target;
import yellowrail.core.tube.RatingSystem;

/**
 * What the amp's readings are held against.
 *
 * @param targets names of the target windows that can be chosen
 */
record JudgingPart(PartReader in, List<String> targets) {
    /** Read like the amp's own readings. */
    static final FieldSpec<String> MAKER =
            FieldSpec.plain("maker", "Figure the maker asks for there").hinting("35 mV");

    static final FieldSpec<String> TARGET = FieldSpec.plain("target", "Target");
    static final FieldSpec<String> JUDGE_BY = FieldSpec.pick(
            "judgeBy",
            "Judge by",
            new Pick<>("", "the lowest plate rating", ""),
            system(RatingSystem.DESIGN_CENTRE),
            system(RatingSystem.DESIGN_MAXIMUM),
            system(RatingSystem.ABSOLUTE));
    private static final Field SHARE =
            Field.of("a ceiling", Unit.PERCENT, Prefix.NONE, 1, 150).aboveZero();
    static final FieldSpec<Optional<Double>> CEILING =
            PartReader.quantity("ceiling", "Ceiling, % of the rating", "usual", SHARE);

    static final FieldSpec<Duty> DUTY = FieldSpec.pick("duty", "What is played", Words.DUTY);

    static final List<FieldSpec<?>> FIELDS = List.of(MAKER, TARGET, JUDGE_BY, CEILING, DUTY);

    private static Pick<String> system(RatingSystem system) {
        return new Pick<>(system.name(), system.words(), system.name());
    }

    Judging read(List<SenseGroup> groups) {
        String maker = maker(groups);
        String target = in.read(TARGET);
        if (!target.isEmpty() && !targets.contains(target) && !target.equals(Target.MakersFigure.NAME)) {
            in.complaints().add(TARGET.name(), "There is no target called “" + FieldErrors.shorten(target) + "”.");
        }
        Optional<Double> ceiling = in.read(CEILING).map(p -> p / 100);
        return new Judging(target, ceiling, in.read(JUDGE_BY), maker, in.read(DUTY));
    }

    /** The maker's figure is a reading at the amp's own test point, so it is read like one. */
    private String maker(List<SenseGroup> groups) {
        String text = in.read(MAKER);
        if (!groups.isEmpty()) {
            in.complaints().quantity(MAKER.name(), text, groups.get(0).method().field());
        }
        if (text.isEmpty() && in.read(TARGET).equals(Target.MakersFigure.NAME)) {
            in.complaints().add(MAKER.name(), "The target is the maker's figure: what shall the test point show?");
        }
        return text;
    }

    static AmpForm write(Judging judging, AmpForm form) {
        return form.with(MAKER, judging.makersFigure())
                .with(TARGET, judging.target())
                .with(JUDGE_BY, judging.system())
                .with(DUTY, judging.duty())
                .with(CEILING, judging.ceiling().map(c -> 100 * c));
    }
}
