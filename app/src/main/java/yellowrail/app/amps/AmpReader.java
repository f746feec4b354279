package yellowrail.app.amps;

import java.util.List;
import java.util.Optional;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.Texts;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Bias;
import yellowrail.core.amp.Judging;
import yellowrail.core.amp.OutputTransformer;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.StageLayout;
import yellowrail.core.amp.Supply;
import yellowrail.core.amp.sensing.Way;
import yellowrail.core.amp.sensing.Ways;
import yellowrail.core.tube.Catalogue;

/** Makes a description of a form, part by part; what is missing or wrong becomes a sentence at its field. */
public final class AmpReader {
    private AmpReader() {}

    /** A description, or the sentences that stand in its way. */
    public record Read(Optional<AmpDescription> description, FieldErrors complaints) {}

    /** @param targets names of the target windows that can be chosen */
    public static Read read(AmpForm form, Catalogue catalogue, List<String> targets) {
        FieldErrors complaints = new FieldErrors();
        form.noTexts().forEach(complaints::add);
        PartReader in = new PartReader(form, complaints);
        String name = name(in.read(AmpForm.NAME), complaints);
        Optional<StageLayout> stage = new StagePart(in, catalogue).read();
        Bias bias = new BiasPart(in).read();
        List<SenseGroup> groups = new SensingPart(in).read(stage);
        Supply supply = new SupplyPart(in).read();
        OutputTransformer output = new OutputPart(in).read();
        Judging judging = new JudgingPart(in, targets).read(groups);
        String quirks = in.read(AmpForm.QUIRKS);
        if (quirks.length() > Texts.NOTE) {
            complaints.add(AmpForm.QUIRKS.name(), Texts.tooLong(Texts.NOTE, quirks));
        }
        if (complaints.any() || stage.isEmpty()) {
            return new Read(Optional.empty(), complaints);
        }
        try {
            AmpDescription description =
                    new AmpDescription(name, stage.get(), bias, groups, supply, output, judging, quirks);
            return new Read(Optional.of(description), complaints);
        } catch (IllegalArgumentException refused) {
            complaints.add("sockets", FieldErrors.sentence(refused));
            return new Read(Optional.empty(), complaints);
        }
    }

    /** An amp's name as typed, with a sentence when it is none. */
    public static String name(String typed, FieldErrors complaints) {
        String name = Texts.line(typed);
        if (name.isEmpty() || name.length() > Texts.NAME) {
            complaints.add(
                    AmpForm.NAME.name(), name.isEmpty() ? "Give the amp a name." : Texts.tooLong(Texts.NAME, name));
        }
        return name;
    }

    /** An amp is not described by a way of taking current that it has for one occasion only. */
    public static void ofOneOccasion(FieldErrors complaints) {
        complaints.add(
                "method",
                "This way of taking current belongs to one occasion, not to an amp: choose how its rounds are read.",
                Ways.kept().stream().map(Way::id).toList());
    }
}
