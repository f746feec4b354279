package yellowrail.app.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.regex.Pattern;
import yellowrail.app.forms.CsvLines;
import yellowrail.app.forms.FieldErrors;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** The texts of a stage as quantities, counts and picks, with a sentence at each that is none. */
final class StageTexts {
    private static final Map<String, Field> FIELDS = Map.ofEntries(
            Map.entry(
                    "supply",
                    Field.of("supply volts", Unit.VOLT, Prefix.NONE, 20, 2000).aboveZero()),
            Map.entry("source", Field.of("source ohms", Unit.OHM, Prefix.NONE, 1, 20e3)),
            Map.entry(
                    "screens",
                    Field.of("screen volts", Unit.VOLT, Prefix.NONE, 20, 1000).aboveZero()),
            Map.entry("feed", Field.of("screen feed ohms", Unit.OHM, Prefix.NONE, 1, 100e3)),
            Map.entry("rg2", Field.of("screen resistor", Unit.OHM, Prefix.NONE, 1, 100e3)),
            Map.entry("rdc", Field.of("half-primary ohms", Unit.OHM, Prefix.NONE, 0.1, 5e3)),
            Map.entry("secondary", Field.of("secondary loss", Unit.PERCENT, Prefix.NONE, 0.1, 30)),
            // From a quarter to as good as open: within what the core solves.
            Map.entry(
                    "load",
                    Field.of("load ohms", Unit.OHM, Prefix.NONE, 200, 100e3).aboveZero()),
            Map.entry(
                    "tap", Field.of("the tap", Unit.PERCENT, Prefix.NONE, 1, 99).aboveZero()),
            Map.entry(
                    "cathode",
                    Field.of("cathode ohms", Unit.OHM, Prefix.NONE, 1, 100e3).aboveZero()),
            Map.entry(
                    "highest",
                    Field.of("highest mains", Unit.PERCENT, Prefix.NONE, 100, 125)
                            .aboveZero()),
            Map.entry(
                    "margin",
                    Field.of("the margin", Unit.PERCENT, Prefix.NONE, 30, 120).aboveZero()),
            Map.entry(
                    "clean",
                    Field.of("distortion at 1 W", Unit.PERCENT, Prefix.NONE, 0.001, 20)
                            .aboveZero()));

    private static final Field GRID =
            Field.of("grid volts", Unit.VOLT, Prefix.NONE, 1, 150).signed();
    private static final Pattern LIST = Pattern.compile("[;\\s]+|,\\s+");
    private static final double MOST_SCALE = 3;

    /** Picks and the words they take. */
    private static final Map<String, List<String>> PICKS = new TreeMap<>(Map.of(
            "topology", List.of("pp", "se"),
            "connection", List.of("pentode", "ul", "triode"),
            "bias", List.of("tracking", "constant", "unknown", "cathode", "mixed"),
            "shared", List.of("shared", "own"),
            "judge", List.of("", "DESIGN_CENTRE", "DESIGN_MAXIMUM", "ABSOLUTE")));

    /** Sliders, with the least and the most of what is computed. */
    private static final Map<String, List<Double>> SLIDERS =
            Map.of("idle", List.of(5.0, 150.0), "loadFactor", List.of(0.25, 4.0), "mains", List.of(80.0, 120.0));

    private final StageForm form;
    private final FieldErrors complaints;

    StageTexts(StageForm form, FieldErrors complaints) {
        this.form = form;
        this.complaints = complaints;
        PICKS.forEach(this::pick);
    }

    private void pick(String name, List<String> words) {
        String text = form.text(name);
        if (!words.contains(text)) {
            complaints.add(
                    name,
                    "“" + FieldErrors.shorten(text) + "” is none of "
                            + String.join(
                                    ", ",
                                    words.stream().filter(w -> !w.isEmpty()).toList()) + ".");
        }
    }

    boolean is(String name, String word) {
        return form.text(name).equals(word);
    }

    boolean blank(String name) {
        return form.text(name).isEmpty();
    }

    /** A quantity in its own unit; the other value, with a complaint, when there is none. */
    double value(String name, double otherwise) {
        if (blank(name)) {
            complaints.add(name, "Type " + FIELDS.get(name).name() + ": nothing stands in for it.");
            return otherwise;
        }
        return typed(name, FIELDS.get(name), otherwise);
    }

    /** A quantity of each tube, apart by semicolons, in socket order; one stands for all. */
    List<Double> each(String name, int count, double otherwise) {
        String[] parts = form.text(name).split("\\s*;\\s*");
        if (parts.length <= 1) {
            return java.util.Collections.nCopies(count, value(name, otherwise));
        }
        Field field = FIELDS.get(name);
        List<Double> values = new ArrayList<>();
        for (String part : parts) {
            values.add(complaints
                    .quantity(name, part, field)
                    .map(Typed::value)
                    .filter(v -> within(name, v, field))
                    .orElse(otherwise));
        }
        if (values.size() != count) {
            complaints.add(
                    name,
                    "There are " + values.size() + " figures for " + count
                            + " tubes: one for all, or one for each, as in 470; 470; 1 k; 470.");
            return java.util.Collections.nCopies(count, otherwise);
        }
        return values;
    }

    private Optional<Double> figure(String name) {
        return form.figures(name).stream().findFirst();
    }

    private double typed(String name, Field field, double otherwise) {
        return figure(name)
                .or(() -> complaints.quantity(name, form.text(name), field).map(Typed::value))
                .filter(v -> within(name, v, field))
                .orElse(otherwise);
    }

    /** Ohms of a cathode resistor typed as the bias, or a start from which the idle is set. */
    double cathodeOhms() {
        return blank("at") ? 250 : typed("at", FIELDS.get("cathode"), 250);
    }

    private boolean within(String name, double value, Field field) {
        boolean low = field.sign() == Field.Sign.ABOVE_ZERO && value < field.low();
        if (low || value > field.high()) {
            complaints.add(
                    name,
                    Character.toUpperCase(field.name().charAt(0)) + field.name().substring(1) + " of up to "
                            + Show.siPlain(field.high(), field.unit(), 4) + " can be computed, from "
                            + Show.siPlain(
                                    low || field.sign() == Field.Sign.ABOVE_ZERO ? field.low() : 0, field.unit(), 4)
                            + " on; “" + FieldErrors.shorten(form.text(name)) + "” was understood as "
                            + Show.siPlain(value, field.unit(), 4) + ".");
        }
        return !low && value <= field.high();
    }

    /** Grid volts, or a start from which the idle is set. */
    double grid() {
        String typed = form.text("at");
        if (typed.isEmpty()) {
            return -20;
        }
        Optional<Double> volts = complaints.quantity("at", typed, GRID).map(Typed::value);
        if (volts.isPresent() && !(volts.get() < 0 && volts.get() >= -250)) {
            complaints.add("at", "A grid stands below zero, down to −250 V, not at " + typed + ".");
            return -20;
        }
        return volts.orElse(-20.0);
    }

    /** Numbers for each tube, in socket order; fewer repeat the last, none is the usual for all. */
    List<Double> list(String name, String what, int count, double usual) {
        List<Double> values = new ArrayList<>(form.figures(name));
        String text = form.text(name);
        for (String word : text.isEmpty() || !values.isEmpty() ? new String[0] : LIST.split(text)) {
            try {
                values.add(Double.parseDouble(
                        word.replace(',', '.').replace('−', '-').replaceAll("[V%]$", "")));
            } catch (NumberFormatException other) {
                complaints.add(
                        name, what + ", for example 1.05 0.97; “" + FieldErrors.shorten(word) + "” is no number.");
                return java.util.Collections.nCopies(count, usual);
            }
        }
        if (values.size() > count) {
            complaints.add(name, "There are " + values.size() + " numbers for " + count + " tubes.");
        }
        while (values.size() < count) {
            values.add(values.isEmpty() ? usual : values.get(values.size() - 1));
        }
        return values;
    }

    int count(boolean pushPull) {
        String text = form.text("tubes");
        int count = text.matches("\\d{1,2}") ? Integer.parseInt(text) : -1;
        boolean fits = pushPull ? count >= 2 && count <= 8 && count % 2 == 0 : count >= 1 && count <= 4;
        if (!fits) {
            complaints.add(
                    "tubes",
                    pushPull
                            ? "A push-pull stage has 2, 4, 6 or 8 tubes, the same number on each side; not “"
                                    + FieldErrors.shorten(text) + "”."
                            : "A single-ended stage has 1 to 4 tubes, not “" + FieldErrors.shorten(text) + "”.");
        }
        return fits ? count : pushPull ? 2 : 1;
    }

    /** A place on a slider. */
    double slider(String name) {
        double low = SLIDERS.get(name).get(0);
        double high = SLIDERS.get(name).get(1);
        try {
            double value = figure(name).isPresent()
                    ? figure(name).get()
                    : Double.parseDouble(CsvLines.without(form.text(name), "%").replace(',', '.'));
            if (value >= low && value <= high) {
                return value;
            }
        } catch (NumberFormatException other) {
            // said below, with what was typed
        }
        complaints.add(
                name,
                "“" + FieldErrors.shorten(form.text(name)) + "” is no number from " + Show.plain(low, 3) + " to "
                        + Show.plain(high, 3) + ".");
        return low;
    }
}
