package yellowrail.app.stage;

import java.util.Optional;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TypeCurves;

/** What the stage needs of a type: its curves and the publication it is judged by, which has a plate rating. */
public record TubeFacts(String designation, TypeCurves curves, Ratings ratings) {
    public double plateWatts() {
        return ratings.plateWatts().orElseThrow().value();
    }

    /** What the screens may take with signal, averaged over a cycle, W; NaN where it is not published. */
    public double screenWatts() {
        return of(DriveLimit.SCREEN_WATTS.in(ratings));
    }

    public double plateVolts() {
        return of(ratings.plateVolts());
    }

    /** At any moment of a cycle, V; NaN where it is not published. */
    public double peakPlateVolts() {
        return of(DriveLimit.PEAK_PLATE_VOLTS.in(ratings));
    }

    public double screenVolts() {
        return of(ratings.screenVolts());
    }

    public double cathodeAmperes() {
        return of(ratings.cathodeAmperes());
    }

    /** How far computed figures of this stage may be off; infinite where the model was not fitted near its volts. */
    public ModelTrust.Bands bands(StageEngine.Computed computed) {
        return curves.trust()
                .bands(
                        computed.drive().idle().plateToCathodeVolts(),
                        computed.drive().full().screenToCathodeVolts());
    }

    private static double of(Optional<Figure> figure) {
        return figure.map(Figure::value).orElse(Double.NaN);
    }
}
