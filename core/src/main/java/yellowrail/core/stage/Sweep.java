package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.List;

/** What is swept while all else stays. A place is a share or a factor. */
public enum Sweep {
    /** Idle from cold to hot, share of the rating. */
    IDLE(0.20, 0.275, 0.35, 0.425, 0.50, 0.575, 0.65, 0.725, 0.80, 0.875, 0.95, 1.025, 1.10),
    /** Load from a quarter to four times the marked one, and as good as open, which is a warning and no operation. */
    LOAD(0.25, 0.35, 0.5, 0.7, 0.85, 1.0, 1.2, 1.4, 1.7, 2.0, 2.8, 4.0, 100.0),
    /** Mains, share of nominal, with fixed bias that follows them. */
    MAINS_TRACKING(0.90, 0.95, 1.0, 1.05, 1.10),
    /** The same with fixed bias from a regulated supply. */
    MAINS_CONSTANT(0.90, 0.95, 1.0, 1.05, 1.10),
    /** The same with a cathode resistor that gives the same idle at nominal mains. */
    MAINS_CATHODE(0.90, 0.95, 1.0, 1.05, 1.10),
    /** First tube stronger and the others weaker by a difference as a share of their mean, grid supply as set before. */
    MISMATCH(0.0, 0.05, 0.10, 0.20, 0.30);

    /** From this load factor on the load counts as open. */
    public static final double OPEN = 100;

    private static final double STARTING_OHMS = 250;
    private final List<Double> places;

    Sweep(Double... places) {
        this.places = List.of(places);
    }

    public List<Double> places() {
        return places;
    }

    /**
     * The stage at one place.
     *
     * @throws NoSolution when its idle cannot be set
     */
    public Stage at(StageSetting setting, double place) {
        return switch (this) {
            case IDLE -> setting.idle(place).stage();
            case LOAD -> setting.load(place).stage();
            case MAINS_TRACKING ->
                fixed(setting).with(GridSupply.FOLLOWS).mains(place).stage();
            case MAINS_CONSTANT ->
                fixed(setting).with(GridSupply.HELD).mains(place).stage();
            case MAINS_CATHODE ->
                cathode(setting).with(GridSupply.FOLLOWS).mains(place).stage();
            case MISMATCH -> setting.moved(apart(setting.set(), place));
        };
    }

    private static StageSetting fixed(StageSetting setting) {
        Biasing b = setting.described().biasing();
        return b.cathodeOhms() > 0 ? setting.of(setting.described().biased(Biasing.fixed(-40))) : setting;
    }

    private static StageSetting cathode(StageSetting setting) {
        Biasing b = setting.described().biasing();
        return b.cathodeOhms() > 0
                ? setting
                : setting.of(setting.described().biased(Biasing.cathode(STARTING_OHMS, true)));
    }

    private static Stage apart(Stage stage, double difference) {
        List<StageTube> tubes = new ArrayList<>();
        for (int t = 0; t < stage.tubes().size(); t++) {
            StageTube tube = stage.tubes().get(t);
            double scale = tube.scale() * (t == 0 ? 1 + difference / 2 : 1 - difference / 2);
            tubes.add(new StageTube(tube.model(), tube.side(), scale, tube.screenOhms(), tube.gridOffset()));
        }
        return stage.tubed(tubes);
    }
}
