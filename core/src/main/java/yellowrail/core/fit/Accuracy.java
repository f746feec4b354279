package yellowrail.core.fit;

import java.util.ArrayList;
import java.util.List;
import java.util.function.ToDoubleBiFunction;
import yellowrail.core.tube.TubeModel;

/**
 * How far a model is from published operations: rms of the relative differences of each kind of figure, NaN where none is
 * published.
 */
public record Accuracy(
        double idlePlate,
        double idleCathode,
        double idleScreen,
        double milliSiemens,
        double plateOhms,
        double watts,
        double fullPlate,
        double fullScreen,
        double distortion) {

    /** One operation as published and as the model has it. */
    public record Line(Operation published, Predicted model) {}

    public static List<Line> lines(TubeModel model, List<Operation> operations) {
        List<Line> lines = new ArrayList<>();
        for (Operation operation : operations) {
            lines.add(new Line(operation, Predicted.of(model, operation, true)));
        }
        return lines;
    }

    /** Full-signal figures count only where the published drive is known. */
    public static Accuracy of(List<Line> lines) {
        List<Line> driven =
                lines.stream().filter(l -> l.published().driveKnown()).toList();
        return new Accuracy(
                rms(lines, (o, p) -> p.idlePlate() / o.idle().plate()),
                rms(lines, (o, p) -> p.idleCathode() / o.idle().cathode()),
                rms(lines, (o, p) -> p.idleScreen() / o.idle().screen()),
                rms(lines, (o, p) -> p.milliSiemens() / o.milliSiemens()),
                rms(lines, (o, p) -> p.plateOhms() / o.plateOhms()),
                rms(driven, (o, p) -> p.watts() / o.watts()),
                rms(driven, (o, p) -> p.fullPlate() / o.full().plate()),
                rms(driven, (o, p) -> p.fullScreen() / o.full().screen()),
                rms(driven, (o, p) -> p.distortion() / o.distortion()));
    }

    private static double rms(List<Line> lines, ToDoubleBiFunction<Operation, Predicted> ratio) {
        double[] misses = lines.stream()
                .mapToDouble(l -> ratio.applyAsDouble(l.published(), l.model()) - 1)
                .filter(m -> !Double.isNaN(m))
                .toArray();
        double sum = 0;
        for (double miss : misses) {
            sum += miss * miss;
        }
        return misses.length == 0 ? Double.NaN : Math.sqrt(sum / misses.length);
    }
}
