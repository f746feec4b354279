package yellowrail.core.target;

import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Topology;
import yellowrail.core.target.Target.Window;

/** The shipped target windows. They are opinions met with at the bench, none is preselected, all can be edited. */
public final class Profiles {
    private static final String CATHODE_BIAS = "cathode-bias usual";
    private static final String SINGLE_ENDED = "single-ended";

    public static final List<Window> SHIPPED = List.of(
            new Window(
                    "cool",
                    0.50,
                    0.60,
                    "long tube life and headroom; colder than this, crossover distortion shows at low level"),
            new Window("middle", 0.55, 0.65, "the middle of what is usual with fixed bias"),
            new Window("warm", 0.65, 0.70, "less crossover distortion; leaves less room for high mains"),
            new Window(
                    "hot",
                    0.70,
                    0.80,
                    "chosen by ear or by measured distortion; average dissipation under signal may pass the rating"),
            new Window(
                    CATHODE_BIAS,
                    0.85,
                    0.95,
                    "cathode bias turns itself down under drive, so it idles nearer the rating"),
            new Window(SINGLE_ENDED, 0.80, 0.95, "class A idles at its highest dissipation"));

    private Profiles() {}

    /**
     * Whether a profile belongs to a stage: the one for cathode bias needs a cathode resistor that sets the bias, the one
     * for class A a single-ended stage. Others, the builder's own included, belong anywhere.
     */
    public static boolean belongs(String name, BiasScheme bias, Topology topology) {
        return switch (name) {
            case CATHODE_BIAS -> !bias.fixed();
            case SINGLE_ENDED -> topology == Topology.SINGLE_ENDED;
            default -> true;
        };
    }

    public static Optional<Window> named(String name) {
        return SHIPPED.stream().filter(w -> w.name().equals(name)).findFirst();
    }
}
