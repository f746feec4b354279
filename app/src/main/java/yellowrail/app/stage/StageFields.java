package yellowrail.app.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import yellowrail.app.forms.Confirmed;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.forms.FieldSpec.Pick;
import yellowrail.app.forms.Fields;
import yellowrail.app.forms.Words;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Duty;
import yellowrail.core.amp.Topology;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Connection;

/** The fields of a stage, in the order they are asked. */
public final class StageFields {
    private static final Pattern LIST = Pattern.compile("[;\\s]+|,\\s+");
    private static final Pattern COUNT = Pattern.compile("\\d{1,2}");
    private static final double MOST_GRID = 250;

    public static final FieldSpec<String> TUBE =
            FieldSpec.plain("tube", "Tube type").usually("6L6GC");
    public static final FieldSpec<String> JUDGE = FieldSpec.pick(
            "judge",
            "Judged by; empty for the lowest plate rating",
            same("", "the lowest plate rating"),
            same("DESIGN_CENTRE", "design centre"),
            same("DESIGN_MAXIMUM", "design maximum"),
            same("ABSOLUTE", "absolute"));
    public static final FieldSpec<Topology> TOPOLOGY = FieldSpec.pick("topology", "Topology", Words.TOPOLOGY);
    public static final FieldSpec<Connection> CONNECTION = FieldSpec.pick("connection", "Connection", Words.CONNECTION);
    public static final FieldSpec<Double> TAP =
            FieldSpec.share(FieldSpec.needed("tap", "Ultralinear tap, % of the half's turns", "43 %", Fields.TAP, 3));
    /** Empty where no number stands: how many fit is a question of the topology. */
    static final FieldSpec<Optional<Integer>> TUBES = FieldSpec.<Optional<Integer>>text(
                    "tubes",
                    "Tubes",
                    "2",
                    (name, text, complaints) ->
                            COUNT.matcher(text).matches() ? Optional.of(Integer.parseInt(text)) : Optional.empty(),
                    value -> value.map(String::valueOf).orElse(""))
            .usually("2");

    public static final FieldSpec<BiasScheme> BIAS =
            FieldSpec.pick("bias", "Bias", Words.BIAS).usually("tracking");

    private static final Field CATHODE_OHMS =
            Field.of("cathode ohms", Unit.OHM, Prefix.NONE, 1, 100e3).aboveZero();
    /** What the bias is typed as: what its text means, the bias says. */
    public static final FieldSpec<String> AT = FieldSpec.plain(
            "at", "Bias at, V of the grid supply or Ω of the cathode resistor; blank: the idle sets it");
    /** A grid's volts in it; empty for what sets the idle. */
    static final FieldSpec<Optional<Double>> AT_VOLTS =
            FieldSpec.text(AT.name(), AT.label(), "", StageFields::grid, value -> plain(value, "V"));
    /** A cathode resistor in it. */
    static final FieldSpec<Optional<Double>> AT_OHMS =
            FieldSpec.quantity(AT.name(), AT.label(), "", CATHODE_OHMS).showing(v -> plain(v, "Ω"));

    static final FieldSpec<Double> CATHODE =
            FieldSpec.needed("cathode", "Cathode resistor of mixed bias, Ω", "100 Ω", CATHODE_OHMS, 4);
    /** Whether one resistor stands for all. */
    static final FieldSpec<Boolean> SHARED = FieldSpec.pick(
            "shared",
            "Cathode resistor",
            new Pick<>("shared", "one resistor for all", true),
            new Pick<>("own", "one at each tube", false));

    static final FieldSpec<Double> SUPPLY = FieldSpec.needed(
            "supply",
            "B+ without load, V",
            "460 V",
            Field.of("supply volts", Unit.VOLT, Prefix.NONE, 20, 2000).aboveZero(),
            4);
    static final FieldSpec<Double> SOURCE = FieldSpec.needed(
            "source",
            "Source resistance of the supply, Ω",
            "90 Ω",
            Field.of("source ohms", Unit.OHM, Prefix.NONE, 1, 20e3),
            3);
    /** Empty where the screens hang on B+. */
    static final FieldSpec<Optional<Double>> SCREENS = FieldSpec.quantity(
                    "screens",
                    "Screen supply, V; empty: B+",
                    "",
                    Field.of("screen volts", Unit.VOLT, Prefix.NONE, 20, 1000).aboveZero())
            .showing(v -> plain(v, "V"));

    static final FieldSpec<Double> FEED = FieldSpec.needed(
            "feed", "Screen feed, Ω", "200 Ω", Field.of("screen feed ohms", Unit.OHM, Prefix.NONE, 1, 100e3), 4);
    /** One for all tubes, or one for each in socket order. */
    static final FieldSpec<List<Double>> SCREEN_RESISTORS = FieldSpec.<List<Double>>text(
                    "rg2",
                    "Screen resistor, Ω: one for all tubes, or one for each, apart by semicolons",
                    "",
                    StageFields::screenResistors,
                    value -> value.stream().map(v -> Show.plain(v, 4) + " Ω").collect(Collectors.joining("; ")))
            .usually("470 Ω");

    static final FieldSpec<Double> COPPER = FieldSpec.needed(
            "rdc", "Half-primary copper, Ω", "70 Ω", Field.of("half-primary ohms", Unit.OHM, Prefix.NONE, 0.1, 5e3), 2);
    static final FieldSpec<Double> SECONDARY = FieldSpec.share(FieldSpec.needed(
            "secondary",
            "Secondary copper, % of the load",
            "0 %",
            Field.of("secondary loss", Unit.PERCENT, Prefix.NONE, 0.1, 30),
            3));
    /** From a quarter to as good as open: within what the core solves. */
    public static final FieldSpec<Double> LOAD = FieldSpec.needed(
            "load",
            "Load, Ω plate to plate",
            "4.2 k",
            Field.of("load ohms", Unit.OHM, Prefix.NONE, 200, 100e3).aboveZero(),
            4);

    /** What heat with signal is judged by. */
    public static final FieldSpec<Duty> DUTY = FieldSpec.pick("duty", "What is played", Words.DUTY);

    static final FieldSpec<List<Double>> SCALES =
            numbers("scales", "Each tube's strength, sides in turn", "Each tube's strength is a factor about 1", 3);
    static final FieldSpec<List<Double>> OFFSETS =
            numbers("offsets", "Each grid apart from the supply, V", "How far each grid stands apart is in volts", 2);
    static final FieldSpec<Double> IDLE =
            FieldSpec.share(FieldSpec.slider("idle", "Idle, % of the plate rating", "65", 5, 150));
    /** Beyond its ends the output is as good as shorted or open. */
    static final FieldSpec<Double> LOAD_FACTOR =
            FieldSpec.slider("loadFactor", "Load ×, of the one it is meant for", "1", 0.3, 3.5);

    static final FieldSpec<Double> MAINS =
            FieldSpec.share(FieldSpec.slider("mains", "Mains, % of nominal", "100", 80, 120));
    static final FieldSpec<Double> HIGHEST = FieldSpec.share(FieldSpec.needed(
            "highest",
            "Highest mains, % of nominal",
            "110 %",
            Field.of("highest mains", Unit.PERCENT, Prefix.NONE, 100, 125).aboveZero(),
            4));
    static final FieldSpec<Double> MARGIN = FieldSpec.share(FieldSpec.needed(
            "margin",
            "Plate limit, % of the rating",
            "100 %",
            Field.of("the margin", Unit.PERCENT, Prefix.NONE, 30, 120).aboveZero(),
            3));
    static final FieldSpec<Double> CLEAN = FieldSpec.share(FieldSpec.needed(
            "clean",
            "Distortion wanted at 1 W, %",
            "0.5 %",
            Field.of("distortion at 1 W", Unit.PERCENT, Prefix.NONE, 0.001, 20).aboveZero(),
            3));
    /** Whose readings stand for its idle while it is that amp's. */
    static final FieldSpec<Optional<OwnReadings.Whose>> READINGS = FieldSpec.text(
            "readings",
            "Amp and channel whose readings stand for the idle",
            "",
            OwnReadings.Whose::read,
            value -> value.map(OwnReadings.Whose::toString).orElse(""));

    /** What the pages of a stage ask about where it is unusual. */
    private static final Set<String> ASKED_ABOUT = Set.of("mains", "secondary", "secondaryDc");

    public static final FieldSpec<Confirmed> CONFIRMED = FieldSpec.text(
            "confirmed",
            "Fields whose unusual value is right, apart by semicolons, each with “:” and the text that stands in it",
            "",
            (name, text, complaints) -> {
                Confirmed said = Confirmed.read(text);
                said.texts().keySet().stream()
                        .filter(field -> !ASKED_ABOUT.contains(field))
                        .findFirst()
                        .ifPresent(field -> complaints.add(
                                name,
                                "“" + FieldErrors.shorten(field)
                                        + "” is no field whose unusual value is asked about here."));
                said.texts().entrySet().stream()
                        .filter(entry -> entry.getValue().isEmpty())
                        .findFirst()
                        .ifPresent(entry -> complaints.add(
                                name,
                                "Which value of “" + entry.getKey() + "” is right? Write it behind a colon, as in “"
                                        + entry.getKey() + ":80”."));
                return said;
            },
            Confirmed::text);

    /** All of them. */
    public static final List<FieldSpec<?>> ALL = List.of(
            TUBE,
            JUDGE,
            TOPOLOGY,
            CONNECTION,
            TAP,
            TUBES,
            BIAS,
            AT,
            CATHODE,
            SHARED,
            SUPPLY,
            SOURCE,
            SCREENS,
            FEED,
            SCREEN_RESISTORS,
            COPPER,
            SECONDARY,
            LOAD,
            DUTY,
            SCALES,
            OFFSETS,
            IDLE,
            LOAD_FACTOR,
            MAINS,
            HIGHEST,
            MARGIN,
            CLEAN,
            READINGS,
            CONFIRMED);

    private StageFields() {}

    private static String plain(Optional<Double> value, String unit) {
        return value.map(v -> Show.plain(v, 4) + " " + unit).orElse("");
    }

    private static Pick<String> same(String value, String words) {
        return new Pick<>(value, words, value);
    }

    private static Optional<Double> grid(String name, String text, FieldErrors complaints) {
        if (text.isEmpty()) {
            return Optional.empty();
        }
        Optional<Double> volts = complaints
                .quantity(
                        name,
                        text,
                        Field.of("grid volts", Unit.VOLT, Prefix.NONE, 1, 150).signed())
                .map(Typed::value);
        if (volts.isPresent() && !(volts.get() < 0 && volts.get() >= -MOST_GRID)) {
            complaints.add(name, "A grid stands below zero, down to −250 V, not at " + text + ".");
            return Optional.empty();
        }
        return volts;
    }

    private static List<Double> screenResistors(String name, String text, FieldErrors complaints) {
        Field field = Field.of("screen resistor", Unit.OHM, Prefix.NONE, 1, 100e3);
        if (text.isEmpty()) {
            complaints.add(name, "Type " + field.name() + ": nothing stands in for it.");
        }
        List<Double> values = new ArrayList<>();
        for (String part : text.isEmpty() ? new String[0] : text.split("\\s*;\\s*")) {
            values.add(
                    complaints.ranged(name, part, text, field).map(Typed::value).orElse(0.0));
        }
        return values;
    }

    /** Numbers for each tube in socket order; none is the usual for all. */
    private static FieldSpec<List<Double>> numbers(String name, String label, String what, int places) {
        return FieldSpec.text(
                name,
                label,
                "",
                (n, text, complaints) -> {
                    List<Double> values = new ArrayList<>();
                    for (String word : text.isEmpty() ? new String[0] : LIST.split(text)) {
                        try {
                            values.add(Double.parseDouble(
                                    word.replace(',', '.').replace('−', '-').replaceAll("[V%]$", "")));
                        } catch (NumberFormatException other) {
                            complaints.add(
                                    n,
                                    what + ", for example 1.05 0.97; “" + FieldErrors.shorten(word)
                                            + "” is no number.");
                            return List.of();
                        }
                    }
                    return values;
                },
                value -> value.stream().map(v -> Show.fixed(v, places)).collect(Collectors.joining(" ")));
    }
}
