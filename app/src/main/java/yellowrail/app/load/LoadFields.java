package yellowrail.app.load;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.UUID;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.forms.FieldSpec.Pick;
import yellowrail.core.load.Instrument;
import yellowrail.core.load.Lead;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** The fields of a load: the transformer, AC readings, speakers, and which cell of the map is open. */
public final class LoadFields {
    /** Rows of AC readings, and sets of speakers. */
    static final int READINGS = 6;

    static final int SETS = 4;

    /** Digits that give back every typed figure. */
    private static final int AS_TYPED = 12;

    private static final int MOST_TAPS = 6;
    private static final Pattern ID = Pattern.compile("[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}");
    private static final Pattern QUALITY = Pattern.compile("\\d{1,3}([.,]\\d{1,4})?");

    /** The taps' ohms in rising order; empty where they are not understood. */
    static final FieldSpec<Optional<List<Double>>> TAPS = FieldSpec.<Optional<List<Double>>>text(
                    "taps",
                    "Taps, Ω",
                    "",
                    LoadFields::taps,
                    value -> value.orElse(List.of()).stream()
                            .map(t -> Show.plain(t, AS_TYPED))
                            .collect(Collectors.joining(" ")))
            .usually("4 8 16");

    static final FieldSpec<Optional<Double>> MARKED = asTyped(
            "marked",
            "Primary as marked, Ω",
            "unmarked",
            Field.of("the primary's ohms", Unit.OHM, Prefix.NONE, 200, 100e3).aboveZero());
    /** One that is kept, or a class: which there are, the settings say. */
    static final FieldSpec<String> METER = FieldSpec.plain("meter", "Meter").usually("handheld");

    /** One row of readings. */
    record Row(
            int number,
            FieldSpec<Optional<Lead>> driven,
            FieldSpec<Optional<Typed>> drive,
            FieldSpec<Optional<Lead>> other,
            FieldSpec<Optional<Typed>> volts) {
        private static Row of(int i) {
            return new Row(
                    i,
                    lead("driven" + i, "Reading " + i + ": driven leads").usually(i == 1 ? "primary" : ""),
                    acVolts("drive" + i, "Reading " + i + ": volts of the drive"),
                    lead("other" + i, "Reading " + i + ": read at").usually(i == 1 ? "tap-8" : ""),
                    acVolts("volts" + i, "Reading " + i + ": volts read"));
        }

        List<FieldSpec<?>> fields() {
            return List.of(driven, drive, other, volts);
        }
    }

    static final List<Row> ROWS =
            IntStream.rangeClosed(1, READINGS).mapToObj(Row::of).toList();

    /** Speakers beside one another, each set as its wiring is written. */
    static final List<FieldSpec<?>> SPEAKERS = IntStream.rangeClosed(1, SETS)
            .<FieldSpec<?>>mapToObj(
                    i -> FieldSpec.plain("set" + i, "Speakers " + i).usually(i == 1 ? "8" : ""))
            .toList();

    /** The open cell: the tap's ohms and the place of the set. */
    public static final FieldSpec<String> OPEN = FieldSpec.plain("open", "Open cell of the map, as in 8:2");
    /** The kept one that is looked at. */
    static final FieldSpec<Optional<UUID>> TRANSFORMER = FieldSpec.text(
            "transformer",
            "Kept transformer",
            "",
            LoadFields::transformer,
            value -> value.map(UUID::toString).orElse(""));

    static final FieldSpec<Optional<Double>> COIL_OHMS =
            ohms("coilOhms", "Coil Re, Ω", "6.4", "the coil's resistance Re", 0.5, 2000);
    static final FieldSpec<Optional<Double>> COIL_HENRIES = FieldSpec.quantity(
            "coilHenries",
            "Coil Le, mH",
            "0.6",
            Field.of("the coil's inductance Le", Unit.HENRY, Prefix.MILLI, 10e-6, 0.1));
    static final FieldSpec<Optional<Double>> EDDY_OHMS =
            ohms("eddyOhms", "beside Le, Ω", "30", "the resistance beside Le", 0.1, 1e5);
    static final FieldSpec<Optional<Double>> RESONANCE = FieldSpec.quantity(
            "resonance",
            "Resonance, Hz",
            "80",
            Field.of("the resonance", Unit.HERTZ, Prefix.NONE, 5, 5000).aboveZero());
    static final FieldSpec<Optional<Double>> PEAK_OHMS =
            ohms("peakOhms", "Peak there, Ω", "46", "the peak at resonance", 1, 1e4);
    static final FieldSpec<Optional<Double>> QUALITY_OF_PEAK = FieldSpec.text(
            "quality",
            "Q of the peak",
            "5",
            LoadFields::quality,
            value -> value.map(q -> Show.plain(q, 4)).orElse(""));
    /** A speaker over frequency. */
    static final List<FieldSpec<?>> SPEAKER =
            List.of(COIL_OHMS, COIL_HENRIES, EDDY_OHMS, RESONANCE, PEAK_OHMS, QUALITY_OF_PEAK);

    static final FieldSpec<Optional<Double>> HALF_A =
            copper("halfA", "Half A, Ω", "70", "the winding's ohms", 0.1, 5e3);
    static final FieldSpec<Optional<Double>> HALF_B =
            copper("halfB", "Half B, Ω", "78", "the other half's ohms", 0.1, 5e3);
    static final FieldSpec<Optional<Double>> SECONDARY_DC =
            copper("secondaryDc", "Secondary in use, Ω", "0.4", "the secondary's ohms", 0.01, 100);
    static final FieldSpec<Optional<Double>> HENRIES = asTyped(
            "henries",
            "Primary, H",
            "if known",
            Field.of("the primary's inductance", Unit.HENRY, Prefix.NONE, 0.5, 2000)
                    .aboveZero());
    static final FieldSpec<Optional<Double>> CORE_DC = asTyped(
                    "coreDc",
                    "Core, mA of difference",
                    "if known",
                    Field.of("the core's direct current", Unit.AMPERE, Prefix.MILLI, 0.1e-3, 2)
                            .aboveZero())
            .showing(value -> value.map(a -> Show.plain(1000 * a, AS_TYPED)).orElse(""));
    static final FieldSpec<Optional<Double>> RATED_WATTS = asTyped(
            "ratedWatts",
            "Rated power, W",
            "if known",
            Field.of("the rated power", Unit.WATT, Prefix.NONE, 0.1, 1000).aboveZero());
    static final FieldSpec<Optional<Double>> RATED_HERTZ = asTyped(
            "ratedHertz",
            "down to, Hz",
            "if known",
            Field.of("the lowest frequency for it", Unit.HERTZ, Prefix.NONE, 5, 1000)
                    .aboveZero());
    /** Copper, inductance and core. */
    static final List<FieldSpec<?>> WINDINGS =
            List.of(HALF_A, HALF_B, SECONDARY_DC, HENRIES, CORE_DC, RATED_WATTS, RATED_HERTZ);

    static final FieldSpec<Instrument> BAND = FieldSpec.pick(
            "band",
            "Instrument",
            new Pick<>("guitar", "guitar", Instrument.GUITAR),
            new Pick<>("bass", "bass", Instrument.BASS),
            new Pick<>("full", "full range", Instrument.FULL_RANGE));

    /** All of them, in the order they are asked. */
    public static final List<FieldSpec<?>> ALL = FieldSpec.all(
            List.of(TAPS, MARKED, METER),
            ROWS.stream().flatMap(r -> r.fields().stream()).toList(),
            SPEAKERS,
            List.of(OPEN, TRANSFORMER),
            SPEAKER,
            WINDINGS,
            List.of(BAND));

    private LoadFields() {}

    private static FieldSpec<Optional<Double>> asTyped(String name, String label, String hint, Field field) {
        return FieldSpec.quantity(name, label, hint, field)
                .showing(value -> value.map(v -> Show.plain(v, AS_TYPED)).orElse(""));
    }

    private static FieldSpec<Optional<Double>> ohms(
            String name, String label, String hint, String what, double low, double high) {
        return FieldSpec.quantity(
                name,
                label,
                hint,
                Field.of(what, Unit.OHM, Prefix.NONE, low, high).aboveZero());
    }

    private static FieldSpec<Optional<Double>> copper(
            String name, String label, String hint, String what, double low, double high) {
        return asTyped(
                name,
                label,
                hint,
                Field.of(what, Unit.OHM, Prefix.NONE, low, high).aboveZero());
    }

    /** With its last digit: what a meter shows says how near it is. */
    private static FieldSpec<Optional<Typed>> acVolts(String name, String label) {
        Field field = Field.of("AC volts", Unit.VOLT, Prefix.NONE, 0.01, 300).aboveZero();
        return FieldSpec.text(
                name,
                label,
                "",
                (n, text, complaints) -> text.isEmpty() ? Optional.empty() : complaints.ranged(n, text, text, field),
                value -> value.map(t -> Show.plain(t.value(), AS_TYPED)).orElse(""));
    }

    private static FieldSpec<Optional<Lead>> lead(String name, String label) {
        return FieldSpec.text(
                name,
                label,
                "",
                (n, text, complaints) -> {
                    Optional<Lead> lead = text.isEmpty() ? Optional.empty() : Lead.of(text);
                    if (lead.isEmpty() && !text.isEmpty()) {
                        complaints.add(
                                n,
                                "“" + FieldErrors.shorten(text)
                                        + "” is none of primary, half-a, half-b, screen-a, screen-b, tap-4, tap-8 …");
                    }
                    return lead;
                },
                value -> value.map(Lead::id).orElse(""));
    }

    private static Optional<UUID> transformer(String name, String text, FieldErrors complaints) {
        if (ID.matcher(text).matches()) {
            return Optional.of(UUID.fromString(text));
        }
        if (!text.isEmpty()) {
            complaints.add(name, LoadQuestions.NOT_KEPT);
        }
        return Optional.empty();
    }

    private static Optional<Double> quality(String name, String text, FieldErrors complaints) {
        if (text.isEmpty()) {
            return Optional.empty();
        }
        if (QUALITY.matcher(text).matches()) {
            return Optional.of(Double.parseDouble(text.replace(',', '.')));
        }
        complaints.add(name, "The mechanical Q is a number from 0.2 to 50, not “" + FieldErrors.shorten(text) + "”.");
        return Optional.empty();
    }

    /** The taps' ohms, each as typed. */
    static List<String> tapWords(String text) {
        return List.of(text.replaceAll("Ω|ohms?", " ").strip().split("[\\s;,/]+"));
    }

    private static Optional<List<Double>> taps(String name, String text, FieldErrors complaints) {
        TreeSet<Double> taps = new TreeSet<>();
        for (String word : tapWords(text)) {
            Optional<Lead> tap = Lead.of("tap-" + word);
            if (tap.isEmpty()) {
                complaints.add(
                        name,
                        "“" + FieldErrors.shorten(text)
                                + "”: the taps' ohms, for example 4 8 16, each from 0.5 to 1000.");
                return Optional.empty();
            }
            taps.add(tap.get().ohms());
        }
        if (taps.size() > MOST_TAPS) {
            complaints.add(name, "At most " + MOST_TAPS + " taps, not " + taps.size() + ".");
            return Optional.empty();
        }
        return Optional.of(new ArrayList<>(taps));
    }
}
