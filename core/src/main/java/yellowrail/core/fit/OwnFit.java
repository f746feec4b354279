package yellowrail.core.fit;

import java.util.List;
import java.util.function.ToDoubleFunction;
import yellowrail.core.tube.ModelTrust;

/**
 * A fit of a builder's own points with what may be trusted of it: the rms of what is left, and where the points lie.
 *
 * @param fitted model and residuals
 * @param trust its bands; never narrower than those of the shipped types
 */
public record OwnFit(ModelFit.Fitted fitted, ModelTrust trust) {
    /** @throws IllegalArgumentException in words, when the points do not suffice */
    public static OwnFit of(List<Operation> points) {
        ModelFit.Fitted fitted = ModelFit.to(points);
        return new OwnFit(
                fitted,
                new ModelTrust(
                        points.size(),
                        least(points, Operation::plateVolts),
                        most(points, Operation::plateVolts),
                        least(points, Operation::screenVolts),
                        most(points, Operation::screenVolts),
                        rms(fitted, "idle plate"),
                        rms(fitted, "idle screen"),
                        Double.NaN,
                        Double.NaN,
                        Double.NaN,
                        Double.NaN));
    }

    private static double least(List<Operation> points, ToDoubleFunction<Operation> of) {
        return points.stream().mapToDouble(of).min().orElse(Double.NaN);
    }

    private static double most(List<Operation> points, ToDoubleFunction<Operation> of) {
        return points.stream().mapToDouble(of).max().orElse(Double.NaN);
    }

    private static double rms(ModelFit.Fitted fitted, String figure) {
        double mean = fitted.residuals().stream()
                .filter(r -> r.figure().equals(figure))
                .mapToDouble(r -> r.miss() * r.miss())
                .average()
                .orElse(Double.NaN);
        return Math.sqrt(mean);
    }
}
