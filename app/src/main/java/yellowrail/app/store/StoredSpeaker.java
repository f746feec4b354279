package yellowrail.app.store;

import java.util.List;
import java.util.Optional;
import yellowrail.core.load.CurveText;
import yellowrail.core.load.ImpedanceCurve;

/**
 * A speaker whose impedance was measured.
 *
 * @param markedOhms what it is marked with, Ω
 * @param columns how its text was read, in words
 * @param points what it was read as, rising, each frequency once
 * @param curve its text as it was given
 */
public record StoredSpeaker(Optional<Double> markedOhms, String columns, List<Point> points, String curve) {
    /**
     * One point.
     *
     * @param hertz Hz
     * @param ohms magnitude, Ω
     * @param degrees phase; empty when not measured
     */
    public record Point(double hertz, double ohms, Optional<Double> degrees) {
        static Point of(ImpedanceCurve.Point p) {
            return new Point(
                    p.hertz(), p.ohms(), Double.isNaN(p.degrees()) ? Optional.empty() : Optional.of(p.degrees()));
        }
    }

    public StoredSpeaker {
        points = List.copyOf(points);
    }

    /** @param read the text as it was understood, with a curve */
    public static StoredSpeaker of(Optional<Double> markedOhms, CurveText.Read read, String text) {
        return new StoredSpeaker(
                markedOhms,
                read.columns(),
                read.points().stream().map(Point::of).toList(),
                text);
    }

    public ImpedanceCurve impedance() {
        return ImpedanceCurve.of(points.stream()
                .map(p -> new ImpedanceCurve.Point(
                        p.hertz(), p.ohms(), p.degrees().orElse(Double.NaN)))
                .toList());
    }
}
