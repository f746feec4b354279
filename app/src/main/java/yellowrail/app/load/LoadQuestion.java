package yellowrail.app.load;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.stage.TubeFactsOf;
import yellowrail.core.load.LoadMap;
import yellowrail.core.load.PrimaryInductance;
import yellowrail.core.load.PublishedLoads;
import yellowrail.core.load.Remark;
import yellowrail.core.load.SpeakerOnTap;
import yellowrail.core.load.Transformer;
import yellowrail.core.reading.Estimate;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSetting;

/**
 * What was typed of a load, as far as it is understood.
 *
 * @param setting the stage at the load it is meant for; empty while it is not understood
 * @param map taps by speakers; empty without a stage or a transformer
 * @param opened the cell that is looked at
 * @param unusual what is unusual and was confirmed
 * @param said sentences at fields
 */
record LoadQuestion(
        TubeFactsOf.Answer tube,
        LoadReader.Read read,
        Optional<StageSetting> setting,
        Optional<LoadMap> map,
        Optional<OpenCell> opened,
        List<String> unusual,
        Map<String, FieldErrors.Complaint> said) {
    Optional<Transformer> transformer() {
        return read.transformer();
    }

    /** What everything is judged by: the stage with this transformer's copper in it. */
    LoadEffects.Judge judge() {
        Optional<StageSetting> copper = setting.map(s -> opened.map(o -> LoadReal.copper(
                        s, read.parts().windings(), o.cell(), o.row().nominalOhms()))
                .orElse(s));
        return new LoadEffects.Judge(
                copper, tube.facts(), read.stage().highest(), read.parts().coreAmperes());
    }

    /** The open cell where it is an operation. */
    Optional<OpenCell> operation() {
        return opened.filter(o -> o.cell().stop().isEmpty() && setting.isPresent());
    }

    /** The open cell, where heat over frequency can be computed. */
    Optional<OpenCell> heated() {
        return operation().filter(o -> o.row().speakers().hasCurve());
    }

    /** Power at clipping of the open cell, W. */
    Optional<Double> watts(LoadEffects effects) {
        return operation()
                .flatMap(o -> effects.full(o.cell().factor(), judge()))
                .map(Cycle::watts);
    }

    /** What the transformer's copper, inductance and core make of the open cell; empty where it is no operation. */
    Optional<RealFigures> real(LoadEffects effects) {
        return tube.facts().isEmpty()
                ? Optional.empty()
                : watts(effects)
                        .map(watts -> RealFigures.of(
                                read.parts(),
                                judge().setting()
                                        .orElseThrow()
                                        .load(opened.orElseThrow().cell().factor()),
                                turns(),
                                opened.orElseThrow().row().nominalOhms(),
                                watts,
                                read.band()));
    }

    /** Whole primary over the tap of the open cell. */
    double turns() {
        return transformer()
                .orElseThrow()
                .turns(opened.orElseThrow().cell().tap())
                .orElseThrow()
                .value();
    }

    /** The open cell's speakers as the primary sees them, with its inductance where that was typed. */
    SpeakerOnTap onTap() {
        return new SpeakerOnTap(
                opened.orElseThrow().row().speakers(), turns(), read.parts().primaryHenries());
    }

    /** Inductance of the primary: as typed, or what is usual for the load it is wound for. */
    PrimaryInductance inductance() {
        double tap = opened.orElseThrow().cell().tap();
        return read.parts()
                .primaryHenries()
                .map(PrimaryInductance::typed)
                .orElseGet(() -> PrimaryInductance.usual(
                        turns() * turns() * tap,
                        setting.orElseThrow().described().topology()));
    }

    /** The open cell's speakers, wherever the primary's inductance decides. */
    HeatedLoad heatedLoad() {
        return new HeatedLoad(opened.orElseThrow().row().speakers(), turns(), inductance());
    }

    /** What does not fit, gravest first. */
    List<Remark> remarks() {
        List<Remark> all = new ArrayList<>();
        unusual.forEach(sentence -> all.add(new Remark(Remark.Code.UNUSUAL_CONFIRMED, "", sentence)));
        for (LoadMap.Set set : read.sets()) {
            set.speakers().drivers().stream()
                    .distinct()
                    .forEach(d -> d.speaker()
                            .contradiction()
                            .ifPresent(question -> all.add(new Remark(
                                    Remark.Code.SPEAKER_NOT_AS_MARKED,
                                    set.text(),
                                    "The speaker " + d.name() + ": " + question))));
        }
        transformer().ifPresent(transformer -> ofTransformer(transformer, all));
        all.sort(Comparator.comparing(r -> r.code().weight()));
        return all;
    }

    private void ofTransformer(Transformer transformer, List<Remark> all) {
        all.addAll(transformer.measured().remarks());
        transformer.againstMarking().ifPresent(all::add);
        Optional<Estimate> primary =
                transformer.taps().stream().findFirst().flatMap(tap -> transformer.reflected(tap, tap));
        primary.ifPresent(ohms -> {
            all.addAll(read.parts().windings().remarks(ohms.value()));
            if (setting.isPresent() && tube.facts().isPresent()) {
                Stage stage = setting.get().described();
                PublishedLoads.otherTubes(
                                tube.facts().get().designation(),
                                stage.connection(),
                                stage.topology(),
                                stage.tubes().size() / (stage.pushPull() ? 2 : 1),
                                ohms.low(),
                                ohms.high())
                        .ifPresent(all::add);
            }
        });
    }
}
