package yellowrail.app.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import yellowrail.app.forms.Complaints;
import yellowrail.core.amp.Connection;
import yellowrail.core.amp.Topology;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageIdle;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.stage.StageTube;

/** Reads a typed stage, or says at each field what is wrong with it. */
public final class StageReader {
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
            Map.entry(
                    "load",
                    Field.of("load ohms", Unit.OHM, Prefix.NONE, 50, 10e6).aboveZero()),
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

    /**
     * What was read.
     *
     * @param setting empty when something was not understood
     * @param highest highest mains, share of nominal
     * @param margin share of the plate rating not to be passed
     * @param clean distortion at 1 W wanted, share
     */
    public record Read(
            Optional<StageSetting> setting, double highest, double margin, double clean, Complaints complaints) {}

    private final StageForm form;
    private final Optional<TubeFacts> facts;
    private final Complaints complaints = new Complaints();

    private StageReader(StageForm form, Optional<TubeFacts> facts) {
        this.form = form;
        this.facts = facts;
    }

    /** @param facts of the typed tube; empty when it has no curves or no plate rating */
    public static Read read(StageForm form, Optional<TubeFacts> facts) {
        return new StageReader(form, facts).read();
    }

    private Read read() {
        if (facts.isEmpty()) {
            complaints.add(
                    "tube",
                    "There are no curves for “" + Complaints.shorten(form.text("tube"))
                            + "”: its model's parameters are not known. The quick check and the bench work without them;"
                            + " curves can be fitted on the type's page.");
        }
        double highest = value("highest", 110) / 100;
        double margin = value("margin", 100) / 100;
        double clean = value("clean", 0.5) / 100;
        if (highest < 1) {
            complaints.add("highest", "Highest mains is 100 % of nominal or more, not " + form.text("highest") + ".");
        }
        Optional<Stage> stage = stage();
        Optional<StageSetting> setting = stage.filter(s -> !complaints.any()).flatMap(this::setting);
        return new Read(setting, highest, margin, clean, complaints);
    }

    private double value(String name, double otherwise) {
        if (form.text(name).isEmpty()) {
            complaints.add(name, "Type " + FIELDS.get(name).name() + ": nothing stands in for it.");
            return otherwise;
        }
        return complaints
                .quantity(name, form.text(name), FIELDS.get(name))
                .map(Typed::value)
                .filter(v -> within(name, v, FIELDS.get(name)))
                .orElse(otherwise);
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
                            + " on; “" + Complaints.shorten(form.text(name)) + "” was understood as "
                            + Show.siPlain(value, field.unit(), 4) + ".");
        }
        return !low && value <= field.high();
    }

    private Optional<Stage> stage() {
        boolean pushPull = !form.text("topology").equals("se");
        Connection connection = switch (form.text("connection")) {
            case "ul" -> Connection.ULTRALINEAR;
            case "triode" -> Connection.TRIODE;
            default -> Connection.PENTODE;
        };
        double tap = connection == Connection.ULTRALINEAR ? value("tap", 43) / 100 : 0.5;
        if (!(tap > 0 && tap < 1)) {
            complaints.add("tap", "A tap lies between 0 and 100 %, not at " + form.text("tap") + ".");
        }
        int count = count(pushPull);
        double load = value("load", 4200);
        double secondary = value("secondary", 0) / 100;
        if (secondary >= 0.5) {
            complaints.add(
                    "secondary", "Copper of the secondary takes 0 to 30 % or so, not " + form.text("secondary") + ".");
        }
        double rg2 = value("rg2", 0);
        List<Double> scales = list("scales", "Each tube's strength is a factor about 1", count, 1);
        List<Double> offsets = list("offsets", "How far each grid stands apart is in volts", count, 0);
        scales.stream()
                .filter(s -> !(s > 0 && s <= MOST_SCALE))
                .findFirst()
                .ifPresent(s -> complaints.add(
                        "scales", "A tube's strength is above 0 and at most 3 times its type's, not " + s + "."));
        offsets.stream()
                .filter(o -> Math.abs(o) > 100)
                .findFirst()
                .ifPresent(o -> complaints.add("offsets", "Grids stand at most 100 V apart, not " + o + " V."));
        boolean ownScreens =
                connection == Connection.PENTODE && !form.text("screens").isEmpty();
        double screens = ownScreens ? value("screens", 400) : Double.NaN;
        double supply = value("supply", 400);
        double source = value("source", 0);
        double feed = value("feed", 0);
        double rdc = value("rdc", 0);
        Biasing biasing = biasing();
        if (complaints.any()) {
            return Optional.empty();
        }
        try {
            List<StageTube> tubes = new ArrayList<>();
            for (int t = 0; t < count; t++) {
                tubes.add(new StageTube(
                        facts.orElseThrow().curves().model(),
                        pushPull ? t % 2 : 0,
                        scales.get(t),
                        rg2,
                        offsets.get(t)));
            }
            return Optional.of(new Stage(
                    pushPull ? Topology.PUSH_PULL : Topology.SINGLE_ENDED,
                    connection,
                    tap,
                    supply,
                    source,
                    screens,
                    feed,
                    rdc,
                    secondary * load,
                    load,
                    tubes,
                    biasing));
        } catch (IllegalArgumentException refused) {
            String said = refused.getMessage();
            complaints.add(fieldOf(said), Character.toUpperCase(said.charAt(0)) + said.substring(1) + ".");
            return Optional.empty();
        }
    }

    /** The bias typed, or a start from which the idle is set. */
    private Biasing biasing() {
        boolean shared = !form.text("shared").equals("own");
        String typed = form.text("at");
        return switch (form.text("bias")) {
            case "cathode" ->
                Biasing.cathode(
                        typed.isEmpty()
                                ? 250
                                : complaints
                                        .quantity("at", typed, FIELDS.get("cathode"))
                                        .map(Typed::value)
                                        .orElse(250.0),
                        shared);
            case "mixed" -> {
                double ohms = value("cathode", 100);
                double grid = grid(typed);
                yield new Biasing(grid, grid, ohms, shared);
            }
            default -> Biasing.fixed(grid(typed));
        };
    }

    private double grid(String typed) {
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

    /** With a bias typed the idle follows from it, else the slider's idle is the one to set. */
    private Optional<StageSetting> setting(Stage stage) {
        double rated = facts.orElseThrow().plateWatts();
        double share = slider("idle", 65, 5, 150) / 100;
        if (!form.text("at").isEmpty()) {
            try {
                share = StageIdle.watts(stage) / rated;
            } catch (NoSolution none) {
                complaints.add("at", none.getMessage());
                return Optional.empty();
            }
            if (!(share > 0.001 && share <= 2)) {
                complaints.add(
                        "at",
                        share > 2
                                ? "With this bias a tube would idle at more than twice its rating: it is not computed further."
                                : "With this bias no tube conducts at idle.");
                return Optional.empty();
            }
        }
        return Optional.of(new StageSetting(
                stage,
                rated,
                share,
                slider("loadFactor", 1, 0.25, 4),
                slider("mains", 100, 80, 120) / 100,
                !form.text("bias").equals("constant")));
    }

    /** Numbers for each tube, in socket order; fewer repeat the last, none is the usual for all. */
    private List<Double> list(String name, String what, int count, double usual) {
        List<Double> values = new ArrayList<>();
        String text = form.text(name);
        for (String word : text.isEmpty() ? new String[0] : LIST.split(text)) {
            try {
                values.add(Double.parseDouble(
                        word.replace(',', '.').replace('−', '-').replaceAll("[V%]$", "")));
            } catch (NumberFormatException other) {
                complaints.add(
                        name, what + ", for example 1.05 0.97; “" + Complaints.shorten(word) + "” is no number.");
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

    private static String fieldOf(String message) {
        return message.startsWith("supply volts")
                ? "supply"
                : message.startsWith("supply ohms")
                        ? "source"
                        : message.startsWith("screen supply")
                                ? "screens"
                                : message.startsWith("screen feed")
                                        ? "feed"
                                        : message.startsWith("a screen resistor")
                                                ? "rg2"
                                                : message.startsWith("half-primary")
                                                        ? "rdc"
                                                        : message.startsWith("load") ? "load" : "tubes";
    }

    private int count(boolean pushPull) {
        String text = form.text("tubes");
        int count = text.matches("\\d{1,2}") ? Integer.parseInt(text) : -1;
        boolean fits = pushPull ? count >= 2 && count <= 8 && count % 2 == 0 : count >= 1 && count <= 4;
        if (!fits) {
            complaints.add(
                    "tubes",
                    pushPull
                            ? "A push-pull stage has 2, 4, 6 or 8 tubes, the same number on each side; not “"
                                    + Complaints.shorten(text) + "”."
                            : "A single-ended stage has 1 to 4 tubes, not “" + Complaints.shorten(text) + "”.");
        }
        return fits ? count : pushPull ? 2 : 1;
    }

    /** A slider sends plain numbers; anything else falls back to the middle. */
    private double slider(String name, double usual, double low, double high) {
        try {
            double value = Double.parseDouble(form.text(name));
            return Double.isNaN(value) ? usual : Math.max(low, Math.min(high, value));
        } catch (NumberFormatException other) {
            return usual;
        }
    }
}
