package yellowrail.app.swap;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.forms.FieldSpec.Pick;
import yellowrail.app.stage.OnStage;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.swap.Chassis;
import yellowrail.core.swap.Chassis.BiasControl;
import yellowrail.core.swap.Chassis.CathodeParts;
import yellowrail.core.swap.Chassis.GridCircuit;
import yellowrail.core.swap.Chassis.HeaterWinding;
import yellowrail.core.swap.Chassis.HighTension;
import yellowrail.core.swap.Chassis.Output;
import yellowrail.core.swap.Chassis.Part;
import yellowrail.core.swap.Chassis.Rectification;
import yellowrail.core.swap.Chassis.Room;
import yellowrail.core.swap.Chassis.ScreenParts;
import yellowrail.core.swap.Chassis.SocketWiring;
import yellowrail.core.swap.Criterion;
import yellowrail.core.swap.Rectifier;

/** The fields of what is around the tubes, by the criterion that asks; a blank is not answered. */
public final class SwapFields {
    private static final Pattern PINS = Pattern.compile("\\d{1,2}(?:[\\s,;]+\\d{1,2})*");
    private static final double MOST_RESERVE = 50;
    private static final int DIGITS = 4;
    private static final double MOST_IDLE = 1.1;
    private static final Pattern SHARE_TYPED = Pattern.compile("[01]?[.,][0-9]+ *%?");

    /** Share of the rating; empty for the present one. */
    static final FieldSpec<Optional<Double>> WANTED = FieldSpec.text(
            "wanted",
            "Idle wanted, % of the rating",
            "as now",
            SwapFields::wanted,
            v -> v.map(w -> Show.plain(100 * w, DIGITS) + " %").orElse(""));
    /** Share of nominal. */
    static final FieldSpec<Double> LOWEST = FieldSpec.share(FieldSpec.needed(
            "lowest",
            "Lowest mains, % of nominal",
            "90 %",
            Field.of("lowest mains", Unit.PERCENT, Prefix.NONE, 75, 100).aboveZero(),
            DIGITS));

    static final FieldSpec<Integer> CHANNELS = FieldSpec.pick(
            "channels",
            "Channels that one transformer feeds",
            new Pick<>("1", "one channel", 1),
            new Pick<>("2", "two channels", 2));

    private static final FieldSpec<Optional<Set<Integer>>> TIED =
            FieldSpec.text("tied", "Unused pins with parts", "none, or 1 6", SwapFields::pins, SwapFields::pinsShown);
    private static final FieldSpec<Optional<Boolean>> ONE_TO_EIGHT = FieldSpec.yesNo("oneToEight", "Pin 1 wired to 8");
    private static final FieldSpec<Optional<Boolean>> ONE_TO_CHASSIS =
            FieldSpec.yesNo("oneToChassis", "Pin 1 at the chassis");
    private static final FieldSpec<Boolean> ADAPTOR = FieldSpec.yes("adaptor", "Adaptors used");
    static final FieldSpec<Optional<Double>> SENSE_OHMS = quantity(
            "senseOhms",
            "Cathode to chassis, Ω",
            "1, 0 for a wire",
            Field.of("the resistor from cathode to chassis", Unit.OHM, Prefix.NONE, 0.1, 10e3));
    private static final FieldSpec<Optional<Integer>> SOCKETS =
            FieldSpec.count("sockets", "Sockets of a channel", "as in use", 1, 8);
    static final FieldSpec<Optional<Double>> WINDING = quantity(
            "winding",
            "Winding gives, A",
            "4.4 A",
            amperes("the winding's current", 0.1, 60).aboveZero());
    private static final FieldSpec<Optional<Double>> OTHERS =
            quantity("others", "Other heaters, A", "0.6 A", amperes("the other heaters' current", 0.05, 60));
    private static final FieldSpec<Double> RESERVE = FieldSpec.text(
            "reserve", "To stay free, %", "0 %", SwapFields::reserve, v -> Show.plain(100 * v, 3) + " %");
    private static final FieldSpec<Optional<Boolean>> SCREEN_TAPS =
            FieldSpec.yesNo("screenTaps", "Transformer has screen taps");
    private static final FieldSpec<Optional<Double>> SCREEN_WATTS = quantity(
            "screenWatts",
            "Rated, W",
            "3 W",
            Field.of("the screen resistor's watts", Unit.WATT, Prefix.NONE, 0.1, 50)
                    .aboveZero());
    private static final FieldSpec<Optional<Double>> LEAK = quantity(
            "leak",
            "Grid resistor, Ω",
            "220 k",
            Field.of("the grid resistor", Unit.OHM, Prefix.NONE, 1e3, 5e6).aboveZero());
    private static final FieldSpec<Optional<Integer>> SHARING = FieldSpec.count("sharing", "Tubes on it", "1", 1, 4);
    static final FieldSpec<Optional<Double>> COLDEST = bias("coldest", "Coldest end, V", "−60 V", "the coldest bias");
    static final FieldSpec<Optional<Double>> HOTTEST = bias("hottest", "Hottest end, V", "−35 V", "the hottest bias");
    private static final FieldSpec<Optional<Double>> RESISTOR_WATTS = quantity(
            "resistorWatts",
            "Resistor rated, W",
            "5 W",
            Field.of("the resistor's watts", Unit.WATT, Prefix.NONE, 0.1, 200).aboveZero());
    private static final FieldSpec<Optional<Double>> BYPASS_VOLTS = quantity(
            "bypassVolts",
            "Capacitor, V",
            "50 V, 0 for none",
            Field.of("the capacitor's volts", Unit.VOLT, Prefix.NONE, 5, 500));
    static final FieldSpec<Optional<Double>> CORE_DC = quantity(
            "coreDc",
            "Rated for, mA DC",
            "80 mA",
            milliamperes("the core's direct current", 0.1e-3, 2).aboveZero());
    static final FieldSpec<Optional<Double>> HT_DC = quantity(
            "htDc",
            "Winding gives, mA DC",
            "250 mA",
            milliamperes("the winding's direct current", 5e-3, 5).aboveZero());
    private static final FieldSpec<Optional<Double>> CHOKE_DC =
            quantity("chokeDc", "Choke, mA", "0 for none", milliamperes("the choke's direct current", 5e-3, 5));
    private static final FieldSpec<Optional<Double>> HT_OTHERS =
            quantity("htOthers", "Everything else, mA", "20 mA", milliamperes("what else draws from it", 1e-3, 2));
    private static final FieldSpec<Optional<Rectifier>> RECTIFIER = rectifier("rectifier", "Fitted now", "GZ34");
    private static final FieldSpec<Optional<Rectifier>> RECTIFIER_THEN =
            rectifier("rectifierThen", "To be fitted", "as now");
    private static final FieldSpec<Optional<Double>> FIRST_CAPACITOR = quantity(
            "firstCapacitor",
            "First capacitor, µF",
            "47",
            Field.of("the first capacitor", Unit.FARAD, Prefix.MICRO, 1e-6, 2e-3)
                    .aboveZero());
    private static final FieldSpec<Optional<Double>> WINDING_OHMS = quantity(
            "windingOhms",
            "Half the winding, Ω",
            "80",
            Field.of("the ohms of half the winding", Unit.OHM, Prefix.NONE, 1, 1e3)
                    .aboveZero());
    private static final FieldSpec<Optional<Double>> FIRST_VOLTS = quantity(
            "firstVolts",
            "Rated, V",
            "500 V",
            Field.of("the first capacitor's volts", Unit.VOLT, Prefix.NONE, 50, 2e3)
                    .aboveZero());
    private static final FieldSpec<Optional<Double>> DIAMETER = millimetres("diameter", "Room across, mm", "50");
    private static final FieldSpec<Optional<Double>> HEIGHT = millimetres("height", "Room above, mm", "120");
    private static final FieldSpec<Optional<Boolean>> TRIED = FieldSpec.yesNo("tried", "Held in place, it fits");

    /** What is typed, as it is meant. */
    private interface Said {
        <T> T of(FieldSpec<T> field);
    }

    /** What answers a criterion: its fields, and the part of the chassis that they and others tell. */
    private record Asks(List<FieldSpec<?>> fields, Optional<Function<Said, Part>> part) {}

    private static final Map<Criterion, Asks> BY_CRITERION = new EnumMap<>(Map.ofEntries(
            asks(
                    Criterion.PINS,
                    s -> new SocketWiring(
                            s.of(TIED),
                            s.of(ONE_TO_EIGHT),
                            s.of(ONE_TO_CHASSIS),
                            s.of(ADAPTOR),
                            s.of(SENSE_OHMS),
                            s.of(SOCKETS)),
                    TIED,
                    ONE_TO_EIGHT,
                    ONE_TO_CHASSIS,
                    ADAPTOR,
                    SENSE_OHMS,
                    SOCKETS),
            asks(
                    Criterion.HEATER,
                    s -> new HeaterWinding(s.of(WINDING), s.of(OTHERS), s.of(RESERVE)),
                    WINDING,
                    OTHERS,
                    RESERVE),
            asks(Criterion.CONNECTION, SCREEN_TAPS),
            asks(Criterion.SCREEN_RESISTORS, s -> new ScreenParts(s.of(SCREEN_WATTS)), SCREEN_WATTS),
            asks(Criterion.GRID_CIRCUIT, s -> new GridCircuit(s.of(LEAK), s.of(SHARING)), LEAK, SHARING),
            asks(Criterion.BIAS_RANGE, s -> new BiasControl(s.of(COLDEST), s.of(HOTTEST)), COLDEST, HOTTEST),
            asks(
                    Criterion.CATHODE_PARTS,
                    s -> new CathodeParts(s.of(RESISTOR_WATTS), s.of(BYPASS_VOLTS)),
                    RESISTOR_WATTS,
                    BYPASS_VOLTS),
            asks(Criterion.CORE_CURRENT, s -> new Output(s.of(CORE_DC), s.of(SCREEN_TAPS)), CORE_DC),
            asks(
                    Criterion.SUPPLY_CURRENT,
                    s -> new HighTension(s.of(HT_DC), s.of(CHOKE_DC), s.of(HT_OTHERS)),
                    HT_DC,
                    CHOKE_DC,
                    HT_OTHERS),
            asks(
                    Criterion.RECTIFIER,
                    s -> new Rectification(
                            s.of(RECTIFIER),
                            s.of(RECTIFIER_THEN),
                            s.of(FIRST_CAPACITOR),
                            s.of(FIRST_VOLTS),
                            s.of(WINDING_OHMS)),
                    RECTIFIER,
                    RECTIFIER_THEN,
                    FIRST_CAPACITOR,
                    WINDING_OHMS),
            asks(Criterion.FIRST_CAPACITOR, FIRST_VOLTS),
            asks(Criterion.SIZE, s -> new Room(s.of(DIAMETER), s.of(HEIGHT), s.of(TRIED)), DIAMETER, HEIGHT, TRIED)));

    private static Map.Entry<Criterion, Asks> asks(
            Criterion criterion, Function<Said, Part> part, FieldSpec<?>... fields) {
        return Map.entry(criterion, new Asks(List.of(fields), Optional.of(part)));
    }

    /** Where the part is told with another criterion's. */
    private static Map.Entry<Criterion, Asks> asks(Criterion criterion, FieldSpec<?>... fields) {
        return Map.entry(criterion, new Asks(List.of(fields), Optional.empty()));
    }

    /** What is around the tubes, in the order of the sheet. */
    static final List<FieldSpec<?>> AROUND =
            BY_CRITERION.values().stream().flatMap(a -> a.fields().stream()).toList();

    /** All fields of the page. */
    public static final List<FieldSpec<?>> ALL =
            FieldSpec.all(CandidateFields.ALL, List.of(WANTED, LOWEST, CHANNELS), AROUND);

    /** Those that the work of a swap changes: wires of the sockets, the rectifier and what is around it, screen resistors. */
    private static final Set<Criterion> WORK =
            Set.of(Criterion.PINS, Criterion.RECTIFIER, Criterion.FIRST_CAPACITOR, Criterion.SCREEN_RESISTORS);

    static final List<FieldSpec<?>> CHANGED_BY_WORK =
            WORK.stream().flatMap(c -> of(c).stream()).toList();

    /** Those about what is to come or to be tried with the candidate alone. */
    private static final Set<FieldSpec<?>> OF_THE_CANDIDATE = Set.of(ADAPTOR, RECTIFIER_THEN, TRIED);

    /** Those that stay true of the amp, whatever is asked next. */
    static final List<FieldSpec<?>> OF_THE_AMP =
            AROUND.stream().filter(f -> !OF_THE_CANDIDATE.contains(f)).toList();

    private SwapFields() {}

    /** Those that answer a criterion. */
    static List<FieldSpec<?>> of(Criterion criterion) {
        return Optional.ofNullable(BY_CRITERION.get(criterion))
                .map(Asks::fields)
                .orElse(List.of());
    }

    static Chassis read(OnStage form, FieldErrors complaints) {
        // Exchanged ends are no bias control: both count as not answered.
        boolean exchanged = exchanged(form, complaints);
        Said said = new Said() {
            @Override
            public <T> T of(FieldSpec<T> field) {
                return form.read(field, complaints);
            }
        };
        Chassis chassis = Chassis.unanswered(form.read(CHANNELS, complaints));
        for (Map.Entry<Criterion, Asks> asks : BY_CRITERION.entrySet()) {
            if (asks.getValue().part().isPresent() && !(exchanged && asks.getKey() == Criterion.BIAS_RANGE)) {
                chassis = chassis.with(asks.getValue().part().get().apply(said));
            }
        }
        return chassis;
    }

    private static boolean exchanged(OnStage form, FieldErrors complaints) {
        Optional<Double> coldest = form.read(COLDEST, complaints);
        Optional<Double> hottest = form.read(HOTTEST, complaints);
        boolean exchanged = coldest.isPresent() && hottest.isPresent() && coldest.get() > hottest.get();
        if (exchanged) {
            complaints.add(COLDEST.name(), "The coldest end is the more negative one: the two seem to be exchanged.");
        }
        return exchanged;
    }

    private static Optional<Double> wanted(String name, String text, FieldErrors complaints) {
        if (text.isEmpty()) {
            return Optional.empty();
        }
        if (SHARE_TYPED.matcher(text).matches()) {
            String percent = Show.plain(
                    100
                            * Double.parseDouble(
                                    text.replace('%', ' ').replace(',', '.').strip()),
                    DIGITS);
            complaints.add(name, "“" + text + "” of the rating: is " + percent + " % meant?", List.of(percent + " %"));
            return Optional.empty();
        }
        Optional<Double> share = complaints
                .quantity(
                        name,
                        text,
                        Field.of("the idle", Unit.PERCENT, Prefix.NONE, 10, 110).aboveZero())
                .map(t -> t.value() / 100);
        if (share.filter(s -> !(s > 0 && s <= MOST_IDLE)).isPresent()) {
            complaints.add(name, "An idle of up to 110 % of the plate rating can be asked for.");
            return Optional.empty();
        }
        return share;
    }

    private static FieldSpec<Optional<Double>> quantity(String name, String label, String hint, Field field) {
        return FieldSpec.quantity(name, label, hint, field);
    }

    private static Field amperes(String what, double low, double high) {
        return Field.of(what, Unit.AMPERE, Prefix.NONE, low, high);
    }

    private static Field milliamperes(String what, double low, double high) {
        return Field.of(what, Unit.AMPERE, Prefix.MILLI, low, high);
    }

    private static FieldSpec<Optional<Double>> bias(String name, String label, String hint, String what) {
        Field field = Field.of(what, Unit.VOLT, Prefix.NONE, 1, 200).signed();
        return FieldSpec.text(
                name,
                label,
                hint,
                (n, text, complaints) -> {
                    Optional<Double> read = text.isEmpty()
                            ? Optional.empty()
                            : complaints.ranged(n, text, text, field).map(Typed::value);
                    if (read.filter(v -> v > 0).isPresent()) {
                        complaints.add(n, "A grid stands below zero: type it with its minus sign.");
                        return Optional.empty();
                    }
                    return read;
                },
                quantity(name, label, hint, field).show());
    }

    private static double reserve(String name, String text, FieldErrors complaints) {
        if (text.isEmpty()) {
            return 0;
        }
        double percent = complaints
                .quantity(name, text, Field.of("the reserve", Unit.PERCENT, Prefix.NONE, 1, MOST_RESERVE))
                .map(t -> t.value())
                .orElse(0.0);
        if (percent > MOST_RESERVE) {
            complaints.add(name, "A reserve of up to 50 % can be kept.");
            return 0;
        }
        return percent / 100;
    }

    private static FieldSpec<Optional<Rectifier>> rectifier(String name, String label, String hint) {
        return FieldSpec.text(
                name,
                label,
                hint,
                (n, text, complaints) -> {
                    Optional<Rectifier> found = Rectifier.find(text);
                    if (found.isEmpty() && !text.isEmpty()) {
                        complaints.add(
                                n,
                                "“" + FieldErrors.shorten(text) + "” is no rectifier that is known here.",
                                Rectifier.ALL.stream()
                                        .map(Rectifier::designation)
                                        .toList());
                    }
                    return found;
                },
                value -> value.map(Rectifier::designation).orElse(""));
    }

    private static FieldSpec<Optional<Double>> millimetres(String name, String label, String hint) {
        return FieldSpec.text(
                name,
                label,
                hint,
                (n, text, complaints) -> {
                    int mm = complaints.count(n, text.replaceAll("(?i)\\s*mm$", ""), 5, 500, 0);
                    return mm == 0 ? Optional.empty() : Optional.of((double) mm);
                },
                value -> value.map(v -> Show.plain(v, 3) + " mm").orElse(""));
    }

    /** {@code 1 6}, or {@code none}. */
    private static Optional<Set<Integer>> pins(String name, String text, FieldErrors complaints) {
        if (text.isEmpty()) {
            return Optional.empty();
        }
        if (text.equalsIgnoreCase("none")) {
            return Optional.of(Set.of());
        }
        if (!PINS.matcher(text).matches()) {
            complaints.add(
                    name,
                    "Numbers of pins, as in 1 6, or “none”; “" + FieldErrors.shorten(text) + "” is neither.",
                    List.of("none"));
            return Optional.empty();
        }
        Set<Integer> pins = new TreeSet<>();
        Arrays.stream(text.split("[\\s,;]+")).map(Integer::valueOf).forEach(pins::add);
        return Optional.of(pins);
    }

    private static String pinsShown(Optional<Set<Integer>> pins) {
        return pins.map(p -> p.isEmpty()
                        ? "none"
                        : p.stream().sorted().map(String::valueOf).collect(Collectors.joining(" ")))
                .orElse("");
    }
}
