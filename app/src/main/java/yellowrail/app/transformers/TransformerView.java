package yellowrail.app.transformers;

import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import yellowrail.core.amp.Topology;
import yellowrail.core.load.AcReading;
import yellowrail.core.load.LoadWords;
import yellowrail.core.load.PublishedLoads;
import yellowrail.core.load.Remark;
import yellowrail.core.load.Transformer;
import yellowrail.core.load.TransformerDescription;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;

/**
 * A kept transformer as shown.
 *
 * @param ohms what the primary shows with its taps loaded as marked, in words
 * @param facts copper, inductance, ratings
 * @param suits published operations whose load comes near
 */
record TransformerView(
        UUID id,
        int version,
        String name,
        String place,
        String ohms,
        List<TapLine> taps,
        List<String> facts,
        List<Said> remarks,
        List<String> suits) {
    /** A remark with its weight as a word. */
    record Said(String weight, String sentence) {}

    /** A reading; {@code voided} is why it does not count, or empty. */
    record Line(UUID id, String words, String meter, String at, String voided) {}

    static TransformerView of(KeptTransformer kept, String place) {
        TransformerDescription d = kept.description();
        Transformer transformer = kept.measured();
        Optional<Estimate> primary =
                transformer.reflected(d.taps().get(0), d.taps().get(0));
        List<Remark> remarks = new ArrayList<>(transformer.measured().remarks());
        transformer.againstMarking().ifPresent(remarks::add);
        primary.ifPresent(ohms -> remarks.addAll(d.windings().remarks(ohms.value())));
        Topology topology = d.windings().pushPull() ? Topology.PUSH_PULL : Topology.SINGLE_ENDED;
        return new TransformerView(
                kept.id(),
                kept.version(),
                d.name(),
                place,
                (d.windings().pushPull() ? "push-pull, " : "single-ended, ")
                        + primary.map(LoadWords::ohms).orElse("ratio not known"),
                TapLine.of(transformer),
                facts(d),
                remarks.stream()
                        .map(r -> new Said(r.code().weight().name().toLowerCase(Locale.ROOT), r.sentence()))
                        .toList(),
                primary.map(ohms -> PublishedLoads.near(ohms.value(), topology).stream()
                                .map(PublishedLoads.Load::words)
                                .toList())
                        .orElse(List.of()));
    }

    private static List<String> facts(TransformerDescription d) {
        List<String> facts = new ArrayList<>();
        d.markedOhms().ifPresent(r -> facts.add("Marked " + LoadWords.plainOhms(r) + "."));
        d.windings()
                .halfA()
                .ifPresent(r -> facts.add((d.windings().pushPull() ? "Half A " : "Primary ")
                        + LoadWords.plainOhms(r) + " DC"
                        + d.windings()
                                .halfB()
                                .map(b -> ", half B " + LoadWords.plainOhms(b))
                                .orElse("") + "."));
        d.windings().secondary().ifPresent(r -> facts.add("Secondary " + LoadWords.plainOhms(r) + " DC."));
        d.henries().ifPresent(h -> facts.add("Primary " + Show.plain(h, 3) + " H."));
        d.coreAmperes()
                .ifPresent(a -> facts.add("Core rated for " + Show.plain(1000 * a, 3) + " mA DC"
                        + (d.windings().pushPull() ? " of difference." : ".")));
        d.ratedWatts()
                .ifPresent(w -> facts.add("Rated " + Show.plain(w, 3) + " W down to "
                        + Show.plain(d.ratedHertz().orElseThrow(), 3) + " Hz."));
        return facts;
    }

    static List<Line> readings(KeptTransformer kept) {
        return kept.readings().stream()
                .map(r -> new Line(
                        r.id(),
                        words(r.reading()),
                        r.reading().meter().name(),
                        r.takenAt().toInstant().truncatedTo(ChronoUnit.SECONDS).toString(),
                        r.voided().orElse("")))
                .toList();
    }

    private static String words(AcReading r) {
        return r.driven().words() + " driven with " + r.drive().echo() + ", "
                + r.other().words() + " reads " + r.volts().echo();
    }
}
