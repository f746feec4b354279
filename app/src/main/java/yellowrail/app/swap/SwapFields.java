package yellowrail.app.swap;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import yellowrail.app.forms.FieldErrors;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.swap.Chassis;
import yellowrail.core.swap.Chassis.BiasControl;
import yellowrail.core.swap.Chassis.CathodeParts;
import yellowrail.core.swap.Chassis.GridCircuit;
import yellowrail.core.swap.Chassis.HeaterWinding;
import yellowrail.core.swap.Chassis.HighTension;
import yellowrail.core.swap.Chassis.Output;
import yellowrail.core.swap.Chassis.Rectification;
import yellowrail.core.swap.Chassis.Room;
import yellowrail.core.swap.Chassis.SocketWiring;
import yellowrail.core.swap.Rectifier;

/** What is around the tubes, as typed; a blank is not answered. */
final class SwapFields {
    private static final String COLDEST = "coldest";
    private static final String TIED = "tied";
    private static final String RESERVE = "reserve";
    private static final Pattern PINS = Pattern.compile("\\d{1,2}(?:[\\s,;]+\\d{1,2})*");
    private static final double MOST_RESERVE = 50;

    private static final Map<String, Field> FIELDS = Map.ofEntries(
            Map.entry("winding", amperes("the winding's current", 0.1, 60).aboveZero()),
            Map.entry("others", amperes("the other heaters' current", 0.05, 60)),
            Map.entry(RESERVE, Field.of("the reserve", Unit.PERCENT, Prefix.NONE, 1, MOST_RESERVE)),
            Map.entry(
                    "leak",
                    Field.of("the grid resistor", Unit.OHM, Prefix.NONE, 1e3, 5e6)
                            .aboveZero()),
            Map.entry(
                    COLDEST,
                    Field.of("the coldest bias", Unit.VOLT, Prefix.NONE, 1, 200).signed()),
            Map.entry(
                    "hottest",
                    Field.of("the hottest bias", Unit.VOLT, Prefix.NONE, 1, 200).signed()),
            Map.entry(
                    "resistorWatts",
                    Field.of("the resistor's watts", Unit.WATT, Prefix.NONE, 0.1, 200)
                            .aboveZero()),
            Map.entry("bypassVolts", Field.of("the capacitor's volts", Unit.VOLT, Prefix.NONE, 5, 500)),
            Map.entry(
                    "coreDc",
                    Field.of("the core's direct current", Unit.AMPERE, Prefix.MILLI, 0.1e-3, 2)
                            .aboveZero()),
            Map.entry(
                    "htDc",
                    Field.of("the winding's direct current", Unit.AMPERE, Prefix.MILLI, 5e-3, 5)
                            .aboveZero()),
            Map.entry("chokeDc", Field.of("the choke's direct current", Unit.AMPERE, Prefix.MILLI, 5e-3, 5)),
            Map.entry(
                    "firstCapacitor",
                    Field.of("the first capacitor", Unit.FARAD, Prefix.MICRO, 1e-6, 2e-3)
                            .aboveZero()),
            Map.entry("htOthers", Field.of("what else draws from it", Unit.AMPERE, Prefix.MILLI, 1e-3, 2)));

    static final List<String> NAMES = List.of(
            "winding",
            "others",
            RESERVE,
            "leak",
            "sharing",
            COLDEST,
            "hottest",
            "resistorWatts",
            "bypassVolts",
            "coreDc",
            "screenTaps",
            "htDc",
            "chokeDc",
            "htOthers",
            "rectifier",
            "rectifierThen",
            "firstCapacitor",
            "diameter",
            "height",
            "tried",
            TIED,
            "oneToEight",
            "oneToChassis",
            "adaptor");

    private final SwapForm form;
    private final FieldErrors complaints;

    private SwapFields(SwapForm form, FieldErrors complaints) {
        this.form = form;
        this.complaints = complaints;
    }

    private static Field amperes(String what, double low, double high) {
        return Field.of(what, Unit.AMPERE, Prefix.NONE, low, high);
    }

    static Chassis read(SwapForm form, FieldErrors complaints) {
        return new SwapFields(form, complaints).chassis();
    }

    private Chassis chassis() {
        return new Chassis(
                complaints.count("channels", form.text("channels"), 1, 2, 1),
                new SocketWiring(
                        tied(),
                        complaints.yesNo("oneToEight", form.text("oneToEight")),
                        complaints.yesNo("oneToChassis", form.text("oneToChassis")),
                        complaints.yes("adaptor", form.text("adaptor"))),
                new HeaterWinding(value("winding"), value("others"), reserve()),
                new GridCircuit(value("leak"), sharing()),
                control(),
                new CathodeParts(value("resistorWatts"), value("bypassVolts")),
                new Output(value("coreDc"), complaints.yesNo("screenTaps", form.text("screenTaps"))),
                new HighTension(value("htDc"), value("chokeDc"), value("htOthers")),
                new Rectification(rectifier("rectifier"), rectifier("rectifierThen"), value("firstCapacitor")),
                new Room(
                        millimetres("diameter"), millimetres("height"), complaints.yesNo("tried", form.text("tried"))));
    }

    private Optional<Double> value(String name) {
        return form.blank(name)
                ? Optional.empty()
                : complaints.quantity(name, form.text(name), FIELDS.get(name)).map(Typed::value);
    }

    private Optional<Integer> sharing() {
        int tubes = complaints.count("sharing", form.text("sharing"), 1, 4, 0);
        return tubes == 0 ? Optional.empty() : Optional.of(tubes);
    }

    private double reserve() {
        double percent = value(RESERVE).orElse(0.0);
        if (percent > MOST_RESERVE) {
            complaints.add(RESERVE, "A reserve of up to 50 % can be kept.");
            return 0;
        }
        return percent / 100;
    }

    private BiasControl control() {
        Optional<Double> coldest = bias(COLDEST);
        Optional<Double> hottest = bias("hottest");
        if (coldest.isPresent() && hottest.isPresent() && coldest.get() > hottest.get()) {
            complaints.add(COLDEST, "The coldest end is the more negative one: the two seem to be exchanged.");
            return new BiasControl(Optional.empty(), Optional.empty());
        }
        return new BiasControl(coldest, hottest);
    }

    private Optional<Double> bias(String name) {
        Optional<Double> volts = value(name);
        if (volts.filter(v -> v > 0).isPresent()) {
            complaints.add(name, "A grid stands below zero: type it with its minus sign.");
            return Optional.empty();
        }
        return volts;
    }

    private Optional<Rectifier> rectifier(String name) {
        if (form.blank(name)) {
            return Optional.empty();
        }
        Optional<Rectifier> found = Rectifier.find(form.text(name));
        if (found.isEmpty()) {
            complaints.add(
                    name,
                    "“" + FieldErrors.shorten(form.text(name)) + "” is no rectifier that is known here.",
                    Rectifier.ALL.stream().map(Rectifier::designation).toList());
        }
        return found;
    }

    private Optional<Double> millimetres(String name) {
        if (form.blank(name)) {
            return Optional.empty();
        }
        String text = form.text(name).replaceAll("(?i)\\s*mm$", "");
        int mm = complaints.count(name, text, 5, 500, 0);
        return mm == 0 ? Optional.empty() : Optional.of((double) mm);
    }

    /** {@code 1 6}, or {@code none}. */
    private Optional<Set<Integer>> tied() {
        String text = form.text(TIED);
        if (text.isEmpty()) {
            return Optional.empty();
        }
        if (text.equalsIgnoreCase("none")) {
            return Optional.of(Set.of());
        }
        if (!PINS.matcher(text).matches()) {
            complaints.add(
                    TIED,
                    "Numbers of pins, as in 1 6, or “none”; “" + FieldErrors.shorten(text) + "” is neither.",
                    List.of("none"));
            return Optional.empty();
        }
        Set<Integer> pins = new TreeSet<>();
        Arrays.stream(text.split("[\\s,;]+")).map(Integer::valueOf).forEach(pins::add);
        return Optional.of(pins);
    }
}
