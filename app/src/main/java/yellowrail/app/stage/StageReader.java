package yellowrail.app.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.app.forms.FieldErrors;
import yellowrail.core.amp.Topology;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.GridSupply;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageIdle;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.stage.StageTube;
import yellowrail.core.tube.Connection;

/** Reads a typed stage, or says at each field what is wrong with it. */
public final class StageReader {
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
            Optional<StageSetting> setting, double highest, double margin, double clean, FieldErrors complaints) {}

    private final StageForm form;
    private final TubeFactsOf.Answer tube;
    private final FieldErrors complaints = new FieldErrors();
    private final StageTexts texts;

    private StageReader(StageForm form, TubeFactsOf.Answer tube) {
        this.form = form;
        this.tube = tube;
        this.texts = new StageTexts(form, complaints);
    }

    public static Read read(StageForm form, TubeFactsOf.Answer tube) {
        return new StageReader(form, tube).read();
    }

    private Read read() {
        if (tube.facts().isEmpty()) {
            complaints.add("tube", tube.missing(), tube.near());
        }
        double highest = texts.value("highest", 110) / 100;
        double margin = texts.value("margin", 100) / 100;
        double clean = texts.value("clean", 0.5) / 100;
        double idle = texts.slider("idle") / 100;
        double loadFactor = texts.slider("loadFactor");
        double mains = texts.slider("mains") / 100;
        Optional<StageSetting> setting = stage().flatMap(stage -> share(stage, idle))
                .map(s -> new StageSetting(
                        s.stage(),
                        tube.facts().orElseThrow().plateWatts(),
                        s.share(),
                        loadFactor,
                        mains,
                        gridSupply()));
        return new Read(setting, highest, margin, clean, complaints);
    }

    private Optional<Stage> stage() {
        boolean pushPull = !texts.is("topology", "se");
        Connection connection = switch (form.text("connection")) {
            case "ul" -> Connection.ULTRALINEAR;
            case "triode" -> Connection.TRIODE;
            default -> Connection.PENTODE;
        };
        double tap = connection == Connection.ULTRALINEAR ? texts.value("tap", 43) / 100 : 0.5;
        int count = texts.count(pushPull);
        double load = texts.value("load", 4200);
        double secondary = texts.value("secondary", 0) / 100;
        List<Double> screenResistors = texts.each("rg2", count, 0);
        List<Double> scales = texts.list("scales", "Each tube's strength is a factor about 1", count, 1);
        List<Double> offsets = texts.list("offsets", "How far each grid stands apart is in volts", count, 0);
        scales.stream()
                .filter(s -> !(s > 0 && s <= MOST_SCALE))
                .findFirst()
                .ifPresent(s -> complaints.add(
                        "scales", "A tube's strength is above 0 and at most 3 times its type's, not " + s + "."));
        offsets.stream()
                .filter(o -> !(Math.abs(o) <= 100))
                .findFirst()
                .ifPresent(o -> complaints.add("offsets", "Grids stand at most 100 V apart, not " + o + " V."));
        boolean ownScreens = connection == Connection.PENTODE && !texts.blank("screens");
        double screens = ownScreens ? texts.value("screens", 400) : Double.NaN;
        double supply = texts.value("supply", 400);
        double source = texts.value("source", 0);
        double feed = texts.value("feed", 0);
        double rdc = texts.value("rdc", 0);
        Biasing biasing = biasing();
        if (complaints.any()) {
            return Optional.empty();
        }
        List<StageTube> tubes = new ArrayList<>();
        for (int t = 0; t < count; t++) {
            tubes.add(new StageTube(
                    tube.facts().orElseThrow().curves().model(),
                    pushPull ? t % 2 : 0,
                    scales.get(t),
                    screenResistors.get(t),
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
    }

    /** What a resistor alone makes follows the mains by itself. */
    private GridSupply gridSupply() {
        return switch (form.text("bias")) {
            case "tracking", "cathode" -> GridSupply.FOLLOWS;
            case "constant" -> GridSupply.HELD;
            default -> GridSupply.UNKNOWN;
        };
    }

    /** The bias typed, or a start from which the idle is set. */
    private Biasing biasing() {
        boolean shared = !texts.is("shared", "own");
        return switch (form.text("bias")) {
            case "cathode" -> Biasing.cathode(texts.cathodeOhms(), shared);
            case "mixed" -> {
                double ohms = texts.value("cathode", 100);
                double grid = texts.grid();
                yield new Biasing(grid, grid, ohms, shared);
            }
            default -> Biasing.fixed(texts.grid());
        };
    }

    private record Idling(Stage stage, double share) {}

    /** With a bias typed the idle follows from it, else the slider's idle is the one to set. */
    private Optional<Idling> share(Stage stage, double idle) {
        if (texts.blank("at")) {
            return Optional.of(new Idling(stage, idle));
        }
        double share;
        try {
            share = StageIdle.watts(stage) / tube.facts().orElseThrow().plateWatts();
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
        return Optional.of(new Idling(stage, share));
    }
}
