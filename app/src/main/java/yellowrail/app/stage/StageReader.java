package yellowrail.app.stage;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import yellowrail.app.forms.Confirmed;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;
import yellowrail.core.amp.Duty;
import yellowrail.core.amp.Topology;
import yellowrail.core.load.Windings;
import yellowrail.core.reading.Show;
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
    private static final double MOST_OFFSET = 100;
    /** Mains within these shares of nominal need no question: as far as figures are carried from one mains to another. */
    private static final double LEAST_MAINS = 0.88;

    private static final double MOST_MAINS = 1.15;
    /** From where the idle is set. */
    private static final double START_VOLTS = -20;

    private static final double START_OHMS = 250;

    /**
     * What was read.
     *
     * @param setting empty when something was not understood
     * @param highest highest mains, share of nominal
     * @param margin share of the plate rating not to be passed
     * @param clean distortion at 1 W wanted, share
     * @param unusual what is unusual and was confirmed, in sentences that stand beside the answer
     */
    public record Read(
            Optional<StageSetting> setting,
            double highest,
            double margin,
            double clean,
            List<String> unusual,
            FieldErrors complaints) {}

    private final StageForm form;
    private final TubeFactsOf.Answer tube;
    private final FieldErrors complaints = new FieldErrors();
    private final List<String> unusual = new ArrayList<>();

    private StageReader(StageForm form, TubeFactsOf.Answer tube) {
        this.form = form;
        this.tube = tube;
    }

    public static Read read(StageForm form, TubeFactsOf.Answer tube) {
        return new StageReader(form, tube).read();
    }

    private <T> T read(FieldSpec<T> field) {
        return form.read(field, complaints);
    }

    private Read read() {
        if (tube.facts().isEmpty()) {
            complaints.add(StageFields.TUBE.name(), tube.missing(), tube.near());
        }
        read(StageFields.JUDGE);
        read(StageFields.READINGS);
        read(StageFields.CONFIRMED);
        double highest = read(StageFields.HIGHEST);
        double margin = read(StageFields.MARGIN);
        double clean = read(StageFields.CLEAN);
        double idle = read(StageFields.IDLE);
        double loadFactor = read(StageFields.LOAD_FACTOR);
        double mains = read(StageFields.MAINS);
        unusual(
                StageFields.MAINS,
                mains < LEAST_MAINS || mains > MOST_MAINS,
                "Mains of " + Show.plain(100 * mains, 3) + " % of nominal: outside "
                        + Show.plain(100 * LEAST_MAINS, 3) + " to " + Show.plain(100 * MOST_MAINS, 3)
                        + " % no ordinary supply stays.");
        Duty duty = read(StageFields.DUTY);
        Optional<StageSetting> setting = stage().flatMap(stage -> share(stage, idle))
                .map(s -> new StageSetting(
                        s.stage(),
                        tube.facts().orElseThrow().plateWatts(),
                        s.share(),
                        loadFactor,
                        mains,
                        gridSupply(),
                        duty));
        return new Read(setting, highest, margin, clean, unusual, complaints);
    }

    /** What is only unusual is asked about, and once confirmed stays written beside the answer. */
    private void unusual(FieldSpec<?> field, boolean is, String sentence) {
        if (!is) {
            return;
        }
        Confirmed confirmed = form.read(StageFields.CONFIRMED, new FieldErrors());
        String text = form.text(field);
        if (confirmed.holds(field.name(), text)) {
            unusual.add(sentence + " Confirmed as right.");
        } else {
            complaints.askUnusual(field.name(), sentence + " Is it right? No verdict before that.", text, confirmed);
        }
    }

    private Optional<Stage> stage() {
        Topology topology = read(StageFields.TOPOLOGY);
        boolean pushPull = topology == Topology.PUSH_PULL;
        Connection connection = read(StageFields.CONNECTION);
        double tap = connection == Connection.ULTRALINEAR ? read(StageFields.TAP) : 0.5;
        int count = count(pushPull);
        double load = read(StageFields.LOAD);
        double secondary = read(StageFields.SECONDARY);
        unusual(
                StageFields.SECONDARY,
                secondary > Windings.MOST_SECONDARY,
                "Secondary copper of " + Show.plain(100 * secondary, 3) + " % of the load: " + Windings.USUAL_SECONDARY
                        + ".");
        List<Double> screenResistors = screenResistors(count);
        List<Double> scales = each(StageFields.SCALES, count, 1);
        List<Double> offsets = each(StageFields.OFFSETS, count, 0);
        scales.stream()
                .filter(s -> !(s > 0 && s <= MOST_SCALE))
                .findFirst()
                .ifPresent(s -> complaints.add(
                        "scales", "A tube's strength is above 0 and at most 3 times its type's, not " + s + "."));
        offsets.stream()
                .filter(o -> !(Math.abs(o) <= MOST_OFFSET))
                .findFirst()
                .ifPresent(o -> complaints.add("offsets", "Grids stand at most 100 V apart, not " + o + " V."));
        double screens =
                connection == Connection.PENTODE ? read(StageFields.SCREENS).orElse(Double.NaN) : Double.NaN;
        double supply = read(StageFields.SUPPLY);
        double source = read(StageFields.SOURCE);
        double feed = read(StageFields.FEED);
        double copper = read(StageFields.COPPER);
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
                topology,
                connection,
                tap,
                supply,
                source,
                screens,
                feed,
                copper,
                secondary * load,
                load,
                tubes,
                biasing));
    }

    private int count(boolean pushPull) {
        int count = read(StageFields.TUBES).orElse(-1);
        boolean fits = pushPull ? count >= 2 && count <= 8 && count % 2 == 0 : count >= 1 && count <= 4;
        if (!fits) {
            String text = FieldErrors.shorten(form.text(StageFields.TUBES));
            complaints.add(
                    StageFields.TUBES.name(),
                    pushPull
                            ? "A push-pull stage has 2, 4, 6 or 8 tubes, the same number on each side; not “" + text
                                    + "”."
                            : "A single-ended stage has 1 to 4 tubes, not “" + text + "”.");
        }
        return fits ? count : pushPull ? 2 : 1;
    }

    private List<Double> screenResistors(int count) {
        List<Double> values = read(StageFields.SCREEN_RESISTORS);
        if (values.size() == 1) {
            return Collections.nCopies(count, values.get(0));
        }
        if (values.size() != count) {
            complaints.add(
                    StageFields.SCREEN_RESISTORS.name(),
                    "There are " + values.size() + " figures for " + count
                            + " tubes: one for all, or one for each, as in 470; 470; 1 k; 470.");
            return Collections.nCopies(count, 0.0);
        }
        return values;
    }

    /** For each tube in socket order; fewer repeat the last, none is the usual for all. */
    private List<Double> each(FieldSpec<List<Double>> field, int count, double usual) {
        List<Double> values = new ArrayList<>(read(field));
        if (values.size() > count) {
            complaints.add(field.name(), "There are " + values.size() + " numbers for " + count + " tubes.");
        }
        while (values.size() < count) {
            values.add(values.isEmpty() ? usual : values.get(values.size() - 1));
        }
        return values;
    }

    /** What a resistor alone makes follows the mains by itself. */
    private GridSupply gridSupply() {
        return switch (read(StageFields.BIAS)) {
            case FIXED_TRACKING, CATHODE -> GridSupply.FOLLOWS;
            case FIXED_CONSTANT -> GridSupply.HELD;
            case FIXED_UNKNOWN, MIXED -> GridSupply.UNKNOWN;
        };
    }

    /** The bias typed, or a start from which the idle is set. */
    private Biasing biasing() {
        boolean shared = read(StageFields.SHARED);
        return switch (read(StageFields.BIAS)) {
            case CATHODE -> Biasing.cathode(read(StageFields.AT_OHMS).orElse(START_OHMS), shared);
            case MIXED -> {
                double ohms = read(StageFields.CATHODE);
                double grid = grid();
                yield new Biasing(grid, grid, ohms, shared);
            }
            default -> Biasing.fixed(grid());
        };
    }

    private double grid() {
        return read(StageFields.AT_VOLTS).orElse(START_VOLTS);
    }

    private record Idling(Stage stage, double share) {}

    /** With a bias typed the idle follows from it, else the slider's idle is the one to set. */
    private Optional<Idling> share(Stage stage, double idle) {
        if (form.text(StageFields.AT).isEmpty()) {
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
