package yellowrail.core.adjust;

import java.util.Optional;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.TubeModel;
import yellowrail.core.tube.TubeModels;
import yellowrail.core.tube.TubeType;

/** Transconductance of a type with respect to its cathode current, scaled to a measured current. */
public final class Transconductance {
    private static final double STEP = 0.05;
    /** Less is cut off, and tells nothing. */
    private static final double LEAST = 1e-4;

    private Transconductance() {}

    /**
     * @param plateVolts to cathode, V
     * @param screenVolts to cathode, V
     * @param cathodeVolts the grid lies so far below the cathode, V
     * @param amperes cathode current as measured, A
     * @return A/V; the type's published figure where it has no model, empty where it has neither
     */
    public static Optional<Double> of(
            TubeType type, double plateVolts, double screenVolts, double cathodeVolts, double amperes) {
        return TubeModels.of(type.designation())
                .map(model -> {
                    double at = cathode(model, plateVolts, screenVolts, -cathodeVolts);
                    double slope = (cathode(model, plateVolts, screenVolts, -cathodeVolts + STEP)
                                    - cathode(model, plateVolts, screenVolts, -cathodeVolts - STEP))
                            / (2 * STEP);
                    return at > 0 ? slope * amperes / at : 0;
                })
                .or(() -> type.transconductance().map(Figure::value))
                .filter(gm -> gm > LEAST);
    }

    private static double cathode(TubeModel model, double plate, double screen, double grid) {
        return model.plateAmperes(plate, screen, grid) + model.screenAmperes(plate, screen, grid);
    }
}
