package yellowrail.app.load;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.forms.MeterName;
import yellowrail.app.stage.OnStage;
import yellowrail.app.stage.StageFields;
import yellowrail.app.stage.StageReader;
import yellowrail.app.stage.TubeFactsOf;
import yellowrail.core.amp.Topology;
import yellowrail.core.load.AcReading;
import yellowrail.core.load.Instrument;
import yellowrail.core.load.Lead;
import yellowrail.core.load.LoadMap;
import yellowrail.core.load.MeasuredTransformer;
import yellowrail.core.load.SafeDrive;
import yellowrail.core.load.Speaker;
import yellowrail.core.load.Transformer;
import yellowrail.core.load.WiringText;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;

/** Reads a typed load, or says at each field what is wrong with it. */
final class LoadReader {
    /**
     * One row of readings as far as it is typed.
     *
     * @param expected what its drive puts on the other winding, by what the rows above tell; empty without a drive
     */
    record Row(int number, Optional<SafeDrive> expected) {}

    /**
     * What was read.
     *
     * @param transformer empty when its taps are not understood
     * @param typed the readings that are typed and whole
     * @param parts copper, inductance, ratings and speaker as far as they are typed
     */
    record Read(
            Optional<Transformer> transformer,
            List<AcReading> typed,
            List<Row> rows,
            List<LoadMap.Set> sets,
            FittedParts parts,
            Instrument band,
            StageReader.Read stage,
            FieldErrors complaints) {}

    private final OnStage form;
    private final boolean singleEnded;
    private final FieldErrors complaints = new FieldErrors();
    private final List<Meter> meters;

    private LoadReader(OnStage form, List<Meter> meters) {
        this.form = form;
        this.singleEnded = form.stage().picked(StageFields.TOPOLOGY) == Topology.SINGLE_ENDED;
        this.meters = meters;
    }

    /**
     * What was kept before and belongs to what is typed.
     *
     * @param readings of the transformer
     * @param speakers by the word that stands for each
     */
    record Kept(List<AcReading> readings, Map<String, Speaker> speakers) {}

    static Read read(OnStage form, TubeFactsOf.Answer tube, List<Meter> meters, Kept kept) {
        return new LoadReader(form, meters).read(tube, kept);
    }

    private Read read(TubeFactsOf.Answer tube, Kept before) {
        List<AcReading> kept = before.readings();
        Optional<List<Double>> taps = form.read(LoadFields.TAPS, complaints);
        Optional<Double> marked = form.read(LoadFields.MARKED, complaints);
        Meter meter = MeterName.read(form.text(LoadFields.METER), meters, complaints);
        List<AcReading> readings = new ArrayList<>(kept);
        List<Row> rows = new ArrayList<>();
        for (LoadFields.Row fields : LoadFields.ROWS) {
            rows.add(row(fields, readings, meter));
        }
        FittedParts parts = FittedParts.read(form, !singleEnded, complaints);
        List<LoadMap.Set> sets = sets(parts.speaker(), before.speakers());
        Instrument band = form.read(LoadFields.BAND, complaints);
        StageReader.Read stage = StageReader.read(form.stage(), tube);
        return new Read(
                taps.map(t -> new Transformer(marked, t, MeasuredTransformer.of(readings))),
                List.copyOf(readings.subList(kept.size(), readings.size())),
                rows,
                sets,
                parts,
                band,
                stage,
                complaints);
    }

    /** One row; whole and safe it is added to the readings. */
    private Row row(LoadFields.Row fields, List<AcReading> readings, Meter meter) {
        Optional<Lead> driven = lead(fields.driven());
        Optional<Lead> other = lead(fields.other());
        Optional<Typed> drive = form.read(fields.drive(), complaints);
        Optional<Typed> read = form.read(fields.volts(), complaints);
        if (driven.isPresent() && driven.equals(other) && read.isPresent()) {
            complaints.add(
                    fields.other().name(),
                    "Drive and reading are on the same leads: pick where the other voltage is read.");
            other = Optional.empty();
        }
        if (drive.isPresent() && driven.isEmpty()) {
            complaints.add(fields.driven().name(), "Pick which leads are driven.");
        }
        if (read.isPresent() && other.isEmpty()) {
            complaints.add(fields.other().name(), "Pick where the other voltage is read.");
        }
        if (read.isPresent() && drive.isEmpty()) {
            complaints.add(fields.drive().name(), "Type the volts of the drive, read at the transformer.");
        }
        Optional<SafeDrive> expected = driven.flatMap(
                lead -> drive.map(v -> MeasuredTransformer.of(readings).drive(lead, v.value())));
        if (driven.isPresent() && other.isPresent() && drive.isPresent() && read.isPresent()) {
            AcReading reading = new AcReading(driven.get(), drive.get(), other.get(), read.get(), meter);
            // One that was kept before and still stands in the address counts once.
            if (!readings.contains(reading)) {
                readings.add(reading);
            }
        }
        return new Row(fields.number(), expected);
    }

    private Optional<Lead> lead(FieldSpec<Optional<Lead>> field) {
        Optional<Lead> lead = form.read(field, complaints);
        if (lead.isPresent()
                && singleEnded
                && !lead.get().secondary()
                && !lead.get().equals(Lead.PRIMARY)) {
            complaints.add(
                    field.name(),
                    "A single-ended primary has no halves: read the whole of it, plate to B+, against a tap.");
            return Optional.empty();
        }
        return lead;
    }

    private List<LoadMap.Set> sets(Optional<Speaker> described, Map<String, Speaker> kept) {
        Map<String, Speaker> named = new LinkedHashMap<>(kept);
        described.ifPresent(speaker -> named.put(FittedParts.SPEAKER, speaker));
        List<LoadMap.Set> sets = new ArrayList<>();
        for (FieldSpec<?> set : LoadFields.SPEAKERS) {
            if (form.blank(set)) {
                continue;
            }
            WiringText.Read read = WiringText.read(form.text(set), named);
            read.wiring().ifPresent(w -> sets.add(new LoadMap.Set(form.text(set), w)));
            if (read.wiring().isEmpty()) {
                complaints.add(set.name(), read.complaint());
            }
        }
        return sets;
    }
}
