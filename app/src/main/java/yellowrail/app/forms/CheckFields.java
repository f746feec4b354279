package yellowrail.app.forms;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import yellowrail.app.forms.FieldSpec.Pick;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.sensing.HalfPrimary;
import yellowrail.core.amp.sensing.Parameter;
import yellowrail.core.amp.sensing.Way;
import yellowrail.core.amp.sensing.Ways;
import yellowrail.core.idle.PlateVolts.Reference;
import yellowrail.core.reading.Accuracy;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.tube.Connection;

/** The fields of an idle check, in the order they are asked; every blank is not known. */
public final class CheckFields {
    /** Where the screen current comes from. */
    enum Screen {
        SHARE,
        MEASURED,
        NONE
    }

    static final FieldSpec<String> TUBE = FieldSpec.plain("tube", "Tube type, designation or alias");
    static final FieldSpec<String> EDITION =
            FieldSpec.plain("edition", "Edition of the ratings to judge by; blank for the lowest plate rating");
    static final FieldSpec<Topology> TOPOLOGY = FieldSpec.pickOr(
            "topology",
            "Topology; push-pull where nothing is said",
            new Pick<>("", "push-pull", Topology.PUSH_PULL),
            Words.TOPOLOGY);
    static final FieldSpec<Connection> CONNECTION = FieldSpec.pickOr(
            "connection",
            "Connection; pentode where nothing is said",
            new Pick<>("", "pentode", Connection.PENTODE),
            Words.CONNECTION);
    static final FieldSpec<Optional<Typed>> TAP =
            FieldSpec.reading("tap", "Ultralinear tap, % of the half primary's turns", Fields.TAP);
    /** Empty where the way of taking current says it. */
    static final FieldSpec<Optional<BiasScheme>> BIAS = FieldSpec.pickOr(
            "bias",
            "Bias; fixed, supply not known, where nothing is said, or cathode when the current is read across a cathode-bias"
                    + " resistor",
            new Pick<>("", "not said", Optional.empty()),
            Words.BIAS.stream()
                    .map(p -> new Pick<>(p.value(), p.means().words(), Optional.of(p.means())))
                    .toList());

    static final FieldSpec<Optional<Typed>> VOLTS =
            FieldSpec.reading("volts", "Plate voltage, V, as in 431 V", Fields.PLATE);
    public static final FieldSpec<Reference> REFERENCE = FieldSpec.pick(
            "ref",
            "Plate volts read to; chassis where nothing is said",
            new Pick<>("", "to chassis", Reference.CHASSIS),
            new Pick<>("chassis", "to chassis", Reference.CHASSIS),
            new Pick<>("cathode", "to cathode", Reference.CATHODE),
            new Pick<>("node", "at the supply node", Reference.SUPPLY_NODE),
            new Pick<>("out", "with the tubes out", Reference.TUBES_OUT));
    static final FieldSpec<Optional<Typed>> CATHODE_VOLTS =
            FieldSpec.reading("vk", "Cathode to chassis, V", Fields.CATHODE);
    static final FieldSpec<Optional<Typed>> HALF_OHMS =
            FieldSpec.reading("rhalf", "Half-primary resistance for a reading at the supply node, Ω", HalfPrimary.OHMS);
    static final FieldSpec<Optional<Integer>> SIDE = FieldSpec.count("side", "Tubes on that half primary", "1", 1, 4);
    /** What it names is read with what it asks for. */
    public static final FieldSpec<String> METHOD =
            method("How the current was taken; blank: across its own resistor", Ways.ALL, Way::words);
    /** What the ways of taking current are described by. */
    static final List<FieldSpec<?>> SENSING = sensing(Ways.ALL, p -> true);

    public static final FieldSpec<String> READING = FieldSpec.plain(
            "reading",
            "What the meter shows: mV for a sense resistor or adaptor, V for a cathode resistor, winding, choke or grid, mA for"
                    + " a direct reading, divisions for a panel meter");
    static final FieldSpec<Screen> SCREEN = FieldSpec.pick(
            "screen",
            "Screen current; the type's usual share where nothing is said",
            new Pick<>("", "by the type's share", Screen.SHARE),
            new Pick<>("share", "by the type's share", Screen.SHARE),
            new Pick<>("measured", "measured", Screen.MEASURED),
            new Pick<>("none", "not counted", Screen.NONE));
    static final FieldSpec<Optional<Typed>> SCREEN_DROP =
            FieldSpec.reading("g2drop", "Drop over the screen resistor, V", Fields.SCREEN_DROP);
    static final FieldSpec<Optional<Typed>> SCREEN_OHMS =
            FieldSpec.reading("g2r", "Screen resistor, Ω", Fields.SCREEN_OHMS);
    static final FieldSpec<Optional<Integer>> SCREENS =
            FieldSpec.count("g2n", "Screens fed through that resistor", "1", 1, 8);
    static final FieldSpec<Optional<Typed>> SCREEN_VOLTS =
            FieldSpec.reading("vg2", "Screen to chassis, V", Fields.SCREEN);
    public static final FieldSpec<String> METER = FieldSpec.plain(
            "meter", "Meter: basic, handheld, fine, bench, own, or one kept in the settings; blank: handheld");
    static final FieldSpec<Optional<Accuracy>> OWN_VOLTS = accuracy("accv", "volts");
    static final FieldSpec<Optional<Accuracy>> OWN_AMPERES = accuracy("acca", "current");
    static final FieldSpec<Optional<Accuracy>> OWN_OHMS = accuracy("acco", "ohms");
    static final FieldSpec<Optional<Typed>> MAINS =
            FieldSpec.reading("mains", "Mains voltage when the readings were taken, V", Fields.MAINS);
    static final FieldSpec<Optional<Typed>> NOMINAL =
            FieldSpec.reading("nominal", "Nominal mains, V; blank: 230", Fields.MAINS);
    static final FieldSpec<Optional<Typed>> HIGHEST =
            FieldSpec.reading("highest", "Highest mains expected, V; blank: nominal + 10 %", Fields.MAINS);
    public static final FieldSpec<Optional<Boolean>> LIMITER = FieldSpec.yesNo("limiter", "A limiter stood in series");
    public static final FieldSpec<Optional<Boolean>> REDUCED = FieldSpec.yesNo("reduced", "The mains was turned down");
    /** Whether volts and current were taken apart. */
    public static final FieldSpec<Optional<Boolean>> APART = FieldSpec.pick(
            "pair",
            "Volts and current taken together, or the volts before the current was last changed or more than 10 minutes"
                    + " earlier; blank: together",
            new Pick<>("", "not said", Optional.empty()),
            new Pick<>("together", "taken together", Optional.of(false)),
            new Pick<>("before", "volts taken earlier", Optional.of(true)));

    static final FieldSpec<Optional<Typed>> MINUTES =
            FieldSpec.reading("minutes", "Minutes between volts and current", Fields.MINUTES);
    static final FieldSpec<Optional<Typed>> MOVED =
            FieldSpec.reading("moved", "How much the current moved since the volts were taken, %", Fields.CHANGE);
    /** Share of the mean. */
    public static final FieldSpec<Optional<Double>> SPREAD = FieldSpec.<Optional<Double>>text(
            "spread",
            "How unequal tubes behind one reading may be, % of the mean",
            "unknown",
            CheckFields::spread,
            value -> value.map(v -> Show.plain(100 * v, 4) + " %").orElse(""));

    public static final FieldSpec<String> TARGET =
            FieldSpec.plain("target", "Target: a profile's name, own, maker, or blank for none");
    static final FieldSpec<Optional<Typed>> LOW =
            FieldSpec.reading("lo", "Own target window: lower edge, % of the rating", Fields.PERCENT);
    static final FieldSpec<Optional<Typed>> HIGH =
            FieldSpec.reading("hi", "Own target window: upper edge, % of the rating", Fields.PERCENT);
    public static final FieldSpec<String> MAKER =
            FieldSpec.plain("maker", "Maker's figure: what the test point shall show, unit as for the reading");
    public static final FieldSpec<Optional<Typed>> CEILING =
            FieldSpec.reading("ceiling", "Ceiling, % of the rating; blank for the usual one", Fields.PERCENT);
    static final FieldSpec<String> CONFIRMED = FieldSpec.plain(
            "confirmed",
            "Fields whose unusual value is right, apart by semicolons: what was asked about with status 409. With “:” and the"
                    + " text behind the name it counts only while that is what is typed");

    /** All of them. */
    public static final List<FieldSpec<?>> ALL = FieldSpec.all(
            List.of(
                    TUBE,
                    EDITION,
                    TOPOLOGY,
                    CONNECTION,
                    TAP,
                    BIAS,
                    VOLTS,
                    REFERENCE,
                    CATHODE_VOLTS,
                    HALF_OHMS,
                    SIDE,
                    METHOD),
            SENSING,
            List.of(
                    READING,
                    SCREEN,
                    SCREEN_DROP,
                    SCREEN_OHMS,
                    SCREENS,
                    SCREEN_VOLTS,
                    METER,
                    OWN_VOLTS,
                    OWN_AMPERES,
                    OWN_OHMS,
                    MAINS,
                    NOMINAL,
                    HIGHEST,
                    LIMITER,
                    REDUCED,
                    APART,
                    MINUTES,
                    MOVED,
                    SPREAD,
                    TARGET,
                    LOW,
                    HIGH,
                    MAKER,
                    CEILING,
                    CONFIRMED));

    private CheckFields() {}

    /** A way of taking current by its word; earlier words stand for the same. */
    public static FieldSpec<String> method(String label, List<Way<?>> ways, Function<Way<?>, String> words) {
        return new FieldSpec<>(
                "method",
                label,
                "",
                "",
                ways.stream()
                        .map(w -> new FieldSpec.Choice(w.id(), words.apply(w)))
                        .toList(),
                (name, text, complaints) -> {
                    if (MethodReader.way(text).isEmpty()) {
                        complaints.add(
                                name,
                                "“" + FieldErrors.shorten(text) + "” is none of " + String.join(", ", Ways.ids()) + ".",
                                Ways.ids());
                    }
                    return text;
                },
                value -> value);
    }

    /** What these ways of taking current are described by, as far as it is asked. */
    public static List<FieldSpec<?>> sensing(List<Way<?>> ways, Predicate<Parameter> asked) {
        return Ways.parameters().stream()
                .filter(asked)
                .filter(p -> Ways.asking(p.name()).stream().anyMatch(ways::contains))
                .<FieldSpec<?>>map(p -> sensing(p, ways))
                .toList();
    }

    private static FieldSpec<String> sensing(Parameter p, List<Way<?>> ways) {
        String with = Ways.asking(p.name()).stream()
                .filter(ways::contains)
                .map(Way::id)
                .collect(Collectors.joining(", "));
        String label = p.label() + "; with " + with;
        return p.kind() == Parameter.Kind.TICK
                ? FieldSpec.pick(
                        p.name(),
                        label,
                        new Pick<>("", "no", ""),
                        new Pick<>("yes", "yes", "yes"),
                        new Pick<>("no", "no", "no"))
                : FieldSpec.plain(p.name(), label);
    }

    private static Optional<Double> spread(String name, String text, FieldErrors complaints) {
        Optional<Double> share = complaints.quantity(name, text, Fields.PERCENT).map(t -> t.value() / 100);
        if (share.filter(v -> v > 1).isPresent()) {
            complaints.add(name, "A spread is 0 to 100 % of the mean.");
            return Optional.empty();
        }
        return share;
    }

    /** {@code 0.5+2}: per cent of reading and counts. */
    private static FieldSpec<Optional<Accuracy>> accuracy(String name, String of) {
        return FieldSpec.text(
                name,
                "Own meter, " + of + ": per cent of reading and counts",
                "0.5+2",
                (n, text, complaints) -> {
                    if (text.isEmpty()) {
                        return Optional.empty();
                    }
                    String[] parts = text.replace(',', '.')
                            .replaceAll("[\\s%]|counts?|digits?|±|\\(|\\)", "")
                            .split("\\+", 2);
                    boolean numbers = parts.length == 2
                            && parts[0].matches("\\d{1,3}(\\.\\d{1,6})?")
                            && parts[1].matches("\\d{1,3}");
                    if (!numbers || Double.parseDouble(parts[0]) > 100) {
                        complaints.add(
                                n,
                                "“" + FieldErrors.shorten(text) + "” was not understood. Write per cent of reading and"
                                        + " counts, for example 0.5+2.");
                        return Optional.empty();
                    }
                    return Optional.of(new Accuracy(Double.parseDouble(parts[0]), Double.parseDouble(parts[1])));
                },
                value -> value.map(Accuracy::brief).orElse(""));
    }
}
