package yellowrail.core.tube;

import java.util.Optional;

/**
 * Parameters of {@link TubeModel} by designation, fitted to makers' published operations (idle currents, gm, rp, full
 * power). Against those: idle plate current 4 % rms, screen current 12 %. A type that is not there has no curves.
 */
public final class TubeModels {
    private TubeModels() {}

    public static Optional<TubeModel> of(String designation) {
        return Optional.ofNullable(PublishedModels.ALL.get(designation)).map(TypeCurves::model);
    }
}
