package yellowrail.app.swap;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Component;
import yellowrail.app.amps.Amp;
import yellowrail.app.bench.SessionStore;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.stage.AmpStage;
import yellowrail.app.stage.FromAmp;
import yellowrail.app.stage.OnStage;
import yellowrail.app.stage.StageFields;
import yellowrail.app.stage.StageForm;
import yellowrail.app.transformers.TransformerStore;
import yellowrail.core.session.Learned;
import yellowrail.core.swap.MadeFor;
import yellowrail.core.swap.Present;
import yellowrail.core.swap.SwapQuestion;

/** A swap of an amp: what its sheet begins with, and whether a sheet was made for it. */
@Component
class SwapsOfAmp {
    private final FromAmp fromAmp;
    private final SessionStore sessions;
    private final TransformerStore transformers;
    private final SwapReader reader;
    private final KeptAnswers kept;

    SwapsOfAmp(
            FromAmp fromAmp,
            SessionStore sessions,
            TransformerStore transformers,
            SwapReader reader,
            KeptAnswers kept) {
        this.fromAmp = fromAmp;
        this.sessions = sessions;
        this.transformers = transformers;
        this.reader = reader;
        this.kept = kept;
    }

    AmpStage stage(Amp amp, int channel) {
        return fromAmp.of(amp, channel);
    }

    /** @param said what the address says, which goes before */
    OnStage form(Amp amp, int channel, UnaryOperator<String> said) {
        AmpStage stage = stage(amp, channel);
        return new OnStage(
                around(amp, stage, channel)
                        .filled(kept(amp, channel).map(KeptAnswers.Kept::texts).orElse(Map.of()), said),
                stage.form());
    }

    /** What was answered of this amp and kept with it. */
    Optional<KeptAnswers.Kept> kept(Amp amp, int channel) {
        return kept.of(amp.id(), channel, amp.version());
    }

    /** In what a sheet differs from the amp as it is described and was read; nothing where it was made for it. */
    List<String> differences(Amp amp, int channel, OnStage asked, SwapQuestion question) {
        AmpStage stage = stage(amp, channel);
        StageForm own = stage.form();
        for (FieldSpec<?> field : StageFields.ALL) {
            // What the amp does not tell is what was said of it.
            if (stage.assumed().contains(field) || own.text(field).isBlank()) {
                own = own.said(field, asked.stage().text(field));
            }
        }
        SwapReader.Read read =
                reader.read(new OnStage(around(amp, stage, channel).before(asked.own()), own));
        Optional<Present> present = read.present();
        return present.map(p -> MadeFor.differences(p, read.chassis(), question.present(), question.chassis()))
                .orElseGet(() -> List.of(read.said().values().stream()
                        .findFirst()
                        .map(c -> c.sentence())
                        .orElse("the amp's own stage cannot be computed")));
    }

    private AmpAround around(Amp amp, AmpStage stage, int channel) {
        return new AmpAround(
                amp.description(),
                stage.channels(),
                sessions.ofAmp(amp.id()).stream()
                        .findFirst()
                        .map(s -> sessions.look(s, b -> Learned.ranges(b.state())))
                        .orElse(Map.of())
                        .values(),
                transformers
                        .fittedTo(amp.id(), channel)
                        .flatMap(t -> t.description().coreAmperes()));
    }
}
