package yellowrail.app.load;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.MeterName;
import yellowrail.app.stage.StageReader;
import yellowrail.app.stage.TubeFactsOf;
import yellowrail.core.load.AcReading;
import yellowrail.core.load.Instrument;
import yellowrail.core.load.Lead;
import yellowrail.core.load.LoadMap;
import yellowrail.core.load.MeasuredTransformer;
import yellowrail.core.load.SafeDrive;
import yellowrail.core.load.Speaker;
import yellowrail.core.load.Transformer;
import yellowrail.core.load.WiringText;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** Reads a typed load, or says at each field what is wrong with it. */
final class LoadReader {
    private static final Field VOLTS =
            Field.of("AC volts", Unit.VOLT, Prefix.NONE, 0.01, 300).aboveZero();
    private static final Field MARKED =
            Field.of("the primary's ohms", Unit.OHM, Prefix.NONE, 200, 100e3).aboveZero();
    private static final int MOST_TAPS = 6;

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
     * @param windings copper, inductance and ratings as far as they are typed
     */
    record Read(
            Optional<Transformer> transformer,
            List<AcReading> typed,
            List<Row> rows,
            List<LoadMap.Set> sets,
            WindingFields.Read windings,
            Instrument band,
            StageReader.Read stage,
            FieldErrors complaints) {}

    private static final Map<String, Instrument> BANDS = new LinkedHashMap<>();

    static {
        BANDS.put("guitar", Instrument.GUITAR);
        BANDS.put("bass", Instrument.BASS);
        BANDS.put("full", Instrument.FULL_RANGE);
    }

    private final LoadForm form;
    private final boolean singleEnded;
    private final FieldErrors complaints = new FieldErrors();
    private final List<Meter> meters;

    private LoadReader(LoadForm form, List<Meter> meters) {
        this.form = form;
        this.singleEnded = form.stage().text("topology").equals("se");
        this.meters = meters;
    }

    /**
     * What was kept before and belongs to what is typed.
     *
     * @param readings of the transformer
     * @param speakers by the word that stands for each
     */
    record Kept(List<AcReading> readings, Map<String, Speaker> speakers) {}

    static Read read(LoadForm form, TubeFactsOf.Answer tube, List<Meter> meters, Kept kept) {
        return new LoadReader(form, meters).read(tube, kept);
    }

    private Read read(TubeFactsOf.Answer tube, Kept before) {
        List<AcReading> kept = before.readings();
        Optional<List<Double>> taps = taps();
        Optional<Double> marked = form.blank("marked")
                ? Optional.empty()
                : complaints
                        .quantity("marked", form.text("marked"), MARKED)
                        .map(Typed::value)
                        .filter(this::isPrimary);
        Meter meter = MeterName.read(form.text("meter"), meters, complaints);
        List<AcReading> readings = new ArrayList<>(kept);
        List<Row> rows = new ArrayList<>();
        for (int i = 1; i <= LoadForm.READINGS; i++) {
            rows.add(row(i, readings, meter));
        }
        List<LoadMap.Set> sets = sets(SpeakerFields.read(form, complaints), before.speakers());
        WindingFields.Read windings = WindingFields.read(form, !singleEnded, complaints);
        Instrument band = complaints.pick("band", form.text("band"), BANDS, Instrument.GUITAR);
        StageReader.Read stage = StageReader.read(form.stage(), tube);
        return new Read(
                taps.map(t -> new Transformer(marked, t, MeasuredTransformer.of(readings))),
                List.copyOf(readings.subList(kept.size(), readings.size())),
                rows,
                sets,
                windings,
                band,
                stage,
                complaints);
    }

    private boolean isPrimary(double ohms) {
        boolean within = ohms >= Transformer.LEAST_OHMS && ohms <= Transformer.MOST_OHMS;
        if (!within) {
            complaints.add(
                    "marked", "A primary of 200 Ω to 100 kΩ, plate to plate, not “" + form.text("marked") + "”.");
        }
        return within;
    }

    private Optional<List<Double>> taps() {
        TreeSet<Double> taps = new TreeSet<>();
        for (String word : form.tapWords()) {
            Optional<Lead> tap = Lead.of("tap-" + word);
            if (tap.isEmpty()) {
                complaints.add(
                        "taps",
                        "“" + FieldErrors.shorten(form.text("taps"))
                                + "”: the taps' ohms, for example 4 8 16, each from" + " 0.5 to 1000.");
                return Optional.empty();
            }
            taps.add(tap.get().ohms());
        }
        if (taps.size() > MOST_TAPS) {
            complaints.add("taps", "At most " + MOST_TAPS + " taps, not " + taps.size() + ".");
            return Optional.empty();
        }
        return Optional.of(List.copyOf(taps));
    }

    /** One row; whole and safe it is added to the readings. */
    private Row row(int i, List<AcReading> readings, Meter meter) {
        Optional<Lead> driven = lead("driven" + i);
        Optional<Lead> other = lead("other" + i);
        Optional<Typed> drive = volts("drive" + i);
        Optional<Typed> read = volts("volts" + i);
        if (driven.isPresent() && driven.equals(other) && read.isPresent()) {
            complaints.add(
                    "other" + i, "Drive and reading are on the same leads: pick where the other voltage is read.");
            other = Optional.empty();
        }
        if (drive.isPresent() && driven.isEmpty() && !complaints.has("driven" + i)) {
            complaints.add("driven" + i, "Pick which leads are driven.");
        }
        if (read.isPresent() && other.isEmpty() && !complaints.has("other" + i)) {
            complaints.add("other" + i, "Pick where the other voltage is read.");
        }
        if (read.isPresent() && drive.isEmpty() && !complaints.has("drive" + i)) {
            complaints.add("drive" + i, "Type the volts of the drive, read at the transformer.");
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
        return new Row(i, expected);
    }

    private Optional<Lead> lead(String name) {
        if (form.blank(name)) {
            return Optional.empty();
        }
        Optional<Lead> lead = Lead.of(form.text(name));
        if (lead.isPresent()
                && singleEnded
                && !lead.get().secondary()
                && !lead.get().equals(Lead.PRIMARY)) {
            complaints.add(
                    name, "A single-ended primary has no halves: read the whole of it, plate to B+, against a tap.");
            return Optional.empty();
        }
        if (lead.isEmpty()) {
            complaints.add(
                    name,
                    "“" + FieldErrors.shorten(form.text(name))
                            + "” is none of primary, half-a, half-b, screen-a, screen-b," + " tap-4, tap-8 …");
        }
        return lead;
    }

    private Optional<Typed> volts(String name) {
        return form.blank(name) ? Optional.empty() : complaints.quantity(name, form.text(name), VOLTS);
    }

    private List<LoadMap.Set> sets(Optional<Speaker> described, Map<String, Speaker> kept) {
        Map<String, Speaker> named = new LinkedHashMap<>(kept);
        described.ifPresent(speaker -> named.put(SpeakerFields.NAME, speaker));
        List<LoadMap.Set> sets = new ArrayList<>();
        for (int i = 1; i <= LoadForm.SETS; i++) {
            String name = "set" + i;
            if (form.blank(name)) {
                continue;
            }
            WiringText.Read read = WiringText.read(form.text(name), named);
            read.wiring().ifPresent(w -> sets.add(new LoadMap.Set(form.text(name), w)));
            if (read.wiring().isEmpty()) {
                complaints.add(name, read.complaint());
            }
        }
        return sets;
    }
}
