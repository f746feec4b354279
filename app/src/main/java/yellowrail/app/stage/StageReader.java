package yellowrail.app.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.app.forms.Complaints;
import yellowrail.core.amp.Connection;
import yellowrail.core.amp.Topology;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageTube;
import yellowrail.core.tube.TubeModel;
import yellowrail.core.tube.TubeModels;

/** Reads a typed stage, or says at each field what is wrong with it. */
final class StageReader {
    private static final Field SUPPLY =
            Field.of("supply volts", Unit.VOLT, Prefix.NONE, 20, 2000).aboveZero();
    private static final Field SOURCE = Field.of("source ohms", Unit.OHM, Prefix.NONE, 1, 20e3);
    private static final Field SCREENS =
            Field.of("screen volts", Unit.VOLT, Prefix.NONE, 20, 1000).aboveZero();
    private static final Field OHMS = Field.of("ohms", Unit.OHM, Prefix.NONE, 1, 100e3);
    private static final Field LOAD =
            Field.of("load ohms", Unit.OHM, Prefix.NONE, 50, 10e6).aboveZero();
    private static final Field TAP =
            Field.of("the tap", Unit.PERCENT, Prefix.NONE, 1, 99).aboveZero();

    /**
     * What was read.
     *
     * @param stage with its load as marked and the bias still to be set to the idle
     * @param idleShare wanted idle, share of the plate rating
     * @param loadFactor on the load
     * @param mains share of nominal
     * @param biasFollows whether the grid supply follows the mains
     */
    record Read(
            Optional<Stage> stage,
            double idleShare,
            double loadFactor,
            double mains,
            boolean biasFollows,
            Complaints complaints) {}

    private StageReader() {}

    static Read read(StageForm form) {
        Complaints complaints = new Complaints();
        Optional<TubeModel> model = TubeModels.of(form.tube());
        if (model.isEmpty()) {
            complaints.add(
                    "tube",
                    "There are no curves for “" + form.tube()
                            + "”: its model's parameters are not known. The quick check and"
                            + " the bench work without them.");
        }
        boolean pushPull = !form.topology().equals("se");
        Connection connection = switch (form.connection()) {
            case "ul" -> Connection.ULTRALINEAR;
            case "triode" -> Connection.TRIODE;
            default -> Connection.PENTODE;
        };
        Optional<Double> tap = connection == Connection.ULTRALINEAR
                ? complaints.quantity("tap", form.tap(), TAP).map(t -> t.value() / 100)
                : Optional.of(0.5);
        tap.filter(t -> !(t > 0 && t < 1))
                .ifPresent(t -> complaints.add("tap", "A tap lies between 0 and 100 %, not at " + form.tap() + "."));
        int count = count(form.tubes(), pushPull, complaints);
        double[] v = new double[6];
        String[] names = {"supply", "source", "feed", "rg2", "rdc", "load"};
        String[] texts = {form.supply(), form.source(), form.feed(), form.rg2(), form.rdc(), form.load()};
        Field[] fields = {SUPPLY, SOURCE, OHMS, OHMS, OHMS, LOAD};
        for (int i = 0; i < names.length; i++) {
            Optional<Typed> typed = complaints.quantity(names[i], texts[i], fields[i]);
            v[i] = typed.map(Typed::value).orElse(Double.NaN);
        }
        Optional<Typed> screens = complaints.quantity("screens", form.screens(), SCREENS);
        double idle = slider(form.idle(), 65, 15, 120) / 100;
        double factor = slider(form.loadFactor(), 1, 0.25, 4);
        double mains = slider(form.mains(), 100, 85, 115) / 100;
        boolean follows = !form.bias().equals("constant");
        if (complaints.any()) {
            return new Read(Optional.empty(), idle, factor, mains, follows, complaints);
        }
        List<StageTube> tubes = new ArrayList<>();
        for (int t = 0; t < count; t++) {
            tubes.add(new StageTube(model.orElseThrow(), pushPull ? t % 2 : 0, 1, v[3], 0));
        }
        try {
            Stage stage = new Stage(
                    pushPull ? Topology.PUSH_PULL : Topology.SINGLE_ENDED,
                    connection,
                    tap.orElse(0.5),
                    v[0],
                    v[1],
                    connection == Connection.PENTODE ? screens.map(Typed::value).orElse(Double.NaN) : Double.NaN,
                    v[2],
                    v[4],
                    v[5],
                    tubes,
                    form.bias().equals("cathode") ? Biasing.cathode(250, true) : Biasing.fixed(-40));
            return new Read(Optional.of(stage), idle, factor, mains, follows, complaints);
        } catch (IllegalArgumentException refused) {
            String said = Character.toUpperCase(refused.getMessage().charAt(0))
                    + refused.getMessage().substring(1) + ".";
            complaints.add(fieldOf(refused.getMessage()), said);
            return new Read(Optional.empty(), idle, factor, mains, follows, complaints);
        }
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
                                        : message.startsWith("half-primary")
                                                ? "rdc"
                                                : message.startsWith("load") ? "load" : "tubes";
    }

    private static int count(String text, boolean pushPull, Complaints complaints) {
        int count = text.matches("\\d{1,2}") ? Integer.parseInt(text) : -1;
        boolean fits = pushPull ? count >= 2 && count <= 8 && count % 2 == 0 : count >= 1 && count <= 4;
        if (!fits) {
            complaints.add(
                    "tubes",
                    pushPull
                            ? "A push-pull stage has 2, 4, 6 or 8 tubes, the same number on each side; not “" + text
                                    + "”."
                            : "A single-ended stage has 1 to 4 tubes, not “" + text + "”.");
        }
        return fits ? count : pushPull ? 2 : 1;
    }

    /** A slider sends plain numbers; anything else falls back to the middle. */
    private static double slider(String text, double usual, double low, double high) {
        try {
            return Math.max(low, Math.min(high, Double.parseDouble(text)));
        } catch (NumberFormatException other) {
            return usual;
        }
    }
}
