package yellowrail.core.fit;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import org.hipparchus.exception.MathRuntimeException;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.linear.RealVector;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresBuilder;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LeastSquaresOptimizer.Optimum;
import org.hipparchus.optim.nonlinear.vector.leastsquares.LevenbergMarquardtOptimizer;
import org.hipparchus.optim.nonlinear.vector.leastsquares.MultivariateJacobianFunction;
import org.hipparchus.util.Pair;
import yellowrail.core.tube.TubeModel;

/**
 * Fits a tube model to published points and operations: least squares of the logarithms, each figure with the scatter
 * published figures have among themselves, and a prior for what few points leave open.
 */
public final class ModelFit {
    private static final int PARAMETERS = 9;
    private static final int EVALUATIONS = 200;
    private static final double STEP = 1e-5;

    /** Below this many plate currents, gm and rp together, the priors would speak instead of the tube. */
    private static final int LEAST_FIGURES = 3;

    /** ln-sigma of mu, Ex, Kg1, Kg2, Kp, Kvb, VA, Ks, Vs about their start; the two scales are free. */
    private static final double[] PRIOR = {
        0.3, 0.09, Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, 0.8, 0.5, 1, 0.9, 0.6
    };

    /** Starts for the sharpness of cut-off, Kp: tubes of high mu cut off several times as sharply. */
    private static final double[] SHARPNESS = {45, 130};

    /** What the types fitted so far have in common. mu is looked for, the scales follow. */
    private static final TubeModel USUAL = new TubeModel(9, 1.38, 1500, 12000, 45, 17, 2500, 4, 40);

    /**
     * One figure as published and as fitted.
     *
     * @param line which operation, from zero
     * @param figure its name
     */
    public record Residual(int line, String figure, double published, double fitted) {
        /** Relative difference. */
        public double miss() {
            return fitted / published - 1;
        }
    }

    /**
     * @param model the fitted model
     * @param residuals of every figure used
     * @param rms of their relative differences
     */
    public record Fitted(TubeModel model, List<Residual> residuals, double rms) {
        public Fitted {
            residuals = List.copyOf(residuals);
        }
    }

    private record Figure(int line, Kind kind, double published, double sigma) {}

    /** What a published figure is a figure of. */
    private enum Kind {
        IDLE_PLATE("idle plate", Predicted::idlePlate),
        IDLE_SCREEN("idle screen", Predicted::idleScreen),
        IDLE_CATHODE("idle cathode", Predicted::idleCathode),
        TRANSCONDUCTANCE("gm", Predicted::milliSiemens),
        PLATE_OHMS("rp", Predicted::plateOhms),
        FULL_POWER("full power", Predicted::watts),
        FULL_PLATE("full plate", Predicted::fullPlate),
        FULL_SCREEN("full screen", Predicted::fullScreen),
        FULL_CATHODE("full cathode", Predicted::fullCathode);

        private static final Set<Kind> IDLE = EnumSet.of(IDLE_PLATE, IDLE_SCREEN, IDLE_CATHODE);
        private static final Set<Kind> FULL = EnumSet.of(FULL_POWER, FULL_PLATE, FULL_SCREEN, FULL_CATHODE);
        private static final Set<Kind> SCREEN = EnumSet.of(IDLE_SCREEN, FULL_SCREEN);
        /** What tells the plate's curves. */
        private static final Set<Kind> PLATE = EnumSet.of(IDLE_PLATE, IDLE_CATHODE, TRANSCONDUCTANCE, PLATE_OHMS);
        /** What a first guess of mu is made by. */
        private static final Set<Kind> FIRST = EnumSet.of(IDLE_PLATE, IDLE_CATHODE, TRANSCONDUCTANCE);

        private final String words;
        private final ToDoubleFunction<Predicted> of;

        Kind(String words, ToDoubleFunction<Predicted> of) {
            this.words = words;
            this.of = of;
        }
    }

    private ModelFit() {}

    /**
     * @throws IllegalArgumentException in words for the builder, when the points do not suffice or do not belong to one tube
     */
    public static Fitted to(List<Operation> operations) {
        List<Figure> figures = figures(operations);
        long plates =
                figures.stream().filter(f -> Kind.PLATE.contains(f.kind())).count();
        if (plates < LEAST_FIGURES) {
            throw new IllegalArgumentException("A fit needs at least " + LEAST_FIGURES
                    + " figures of plate current, gm and rp; there are " + plates + ".");
        }
        if (figures.stream().noneMatch(f -> Kind.SCREEN.contains(f.kind()))) {
            throw new IllegalArgumentException(
                    "A fit needs at least one screen current: without it the screens' heat would be invented.");
        }
        Optimum best = null;
        MathRuntimeException trouble = null;
        for (double kp : SHARPNESS) {
            try {
                Optimum optimum = optimum(operations, figures, logs(start(kp, operations, figures)));
                best = best == null || optimum.getCost() < best.getCost() ? optimum : best;
            } catch (MathRuntimeException none) {
                trouble = none;
            }
        }
        if (best == null) {
            throw new IllegalArgumentException("The points could not be fitted: "
                    + trouble.getLocalizedMessage().toLowerCase(Locale.ROOT) + ". Do they belong to one tube?");
        }
        return fitted(model(best.getPoint().toArray()), operations, figures);
    }

    private static Optimum optimum(List<Operation> operations, List<Figure> figures, double[] first) {
        return new LevenbergMarquardtOptimizer()
                .optimize(new LeastSquaresBuilder()
                        .start(first)
                        .model((MultivariateJacobianFunction) at -> valueAndSlopes(at, operations, figures, first))
                        .target(new double[figures.size() + PARAMETERS])
                        .lazyEvaluation(false)
                        .maxEvaluations(EVALUATIONS)
                        .maxIterations(EVALUATIONS)
                        .build());
    }

    private static Fitted fitted(TubeModel model, List<Operation> operations, List<Figure> figures) {
        double[] values = values(model, operations, figures);
        List<Residual> residuals = new ArrayList<>();
        double sum = 0;
        for (int i = 0; i < values.length; i++) {
            Figure f = figures.get(i);
            Residual residual = new Residual(f.line(), f.kind().words, f.published(), values[i]);
            residuals.add(residual);
            sum += residual.miss() * residual.miss();
        }
        return new Fitted(model, residuals, Math.sqrt(sum / values.length));
    }

    private static List<Figure> figures(List<Operation> operations) {
        List<Figure> figures = new ArrayList<>();
        for (int i = 0; i < operations.size(); i++) {
            Operation o = operations.get(i);
            add(figures, i, Kind.IDLE_PLATE, o.idle().plate(), 0.03);
            add(figures, i, Kind.IDLE_SCREEN, o.idle().screen(), 0.10);
            add(figures, i, Kind.IDLE_CATHODE, o.idle().cathode(), 0.03);
            add(figures, i, Kind.TRANSCONDUCTANCE, o.milliSiemens(), 0.04);
            add(figures, i, Kind.PLATE_OHMS, o.plateOhms(), 0.12);
            if (o.hasFullSignal() && o.driveKnown()) {
                add(figures, i, Kind.FULL_POWER, o.watts(), 0.05);
                add(figures, i, Kind.FULL_PLATE, o.full().plate(), 0.04);
                add(figures, i, Kind.FULL_SCREEN, o.full().screen(), 0.10);
                add(figures, i, Kind.FULL_CATHODE, o.full().cathode(), 0.04);
            }
        }
        return figures;
    }

    private static void add(List<Figure> figures, int line, Kind kind, double published, double sigma) {
        if (published > 0) {
            figures.add(new Figure(line, kind, published, sigma));
        }
    }

    /** The usual model with the mu that leaves the least scatter of idle currents, and both scales set by them. */
    private static TubeModel start(double kp, List<Operation> operations, List<Figure> figures) {
        List<Figure> idle =
                figures.stream().filter(f -> Kind.IDLE.contains(f.kind())).toList();
        TubeModel best = USUAL;
        double least = Double.POSITIVE_INFINITY;
        for (double mu = 4; mu <= 30; mu *= 1.06) {
            TubeModel trial = scaled(
                    new TubeModel(
                            mu,
                            USUAL.ex(),
                            USUAL.kg1(),
                            USUAL.kg2(),
                            kp,
                            USUAL.kvb(),
                            USUAL.va(),
                            USUAL.ks(),
                            USUAL.vs()),
                    operations,
                    idle);
            double[] values = values(trial, operations, figures);
            double cost = 0;
            for (int i = 0; i < values.length; i++) {
                Figure f = figures.get(i);
                boolean counts = Kind.FIRST.contains(f.kind());
                double miss = counts ? Math.log(values[i] / f.published()) / f.sigma() : 0;
                cost += miss * miss;
            }
            if (cost < least) {
                least = cost;
                best = trial;
            }
        }
        return best;
    }

    private static TubeModel scaled(TubeModel model, List<Operation> operations, List<Figure> idle) {
        double[] values = values(model, operations, idle);
        double plate = 0;
        double screen = 0;
        int plates = 0;
        int screens = 0;
        for (int i = 0; i < values.length; i++) {
            double miss = Math.log(values[i] / idle.get(i).published());
            if (idle.get(i).kind() == Kind.IDLE_SCREEN) {
                screen += miss;
                screens++;
            } else {
                plate += miss;
                plates++;
            }
        }
        return new TubeModel(
                model.mu(),
                model.ex(),
                model.kg1() * Math.exp(plates == 0 ? 0 : plate / plates),
                model.kg2() * Math.exp(screens == 0 ? 0 : screen / screens),
                model.kp(),
                model.kvb(),
                model.va(),
                model.ks(),
                model.vs());
    }

    private static Pair<RealVector, RealMatrix> valueAndSlopes(
            RealVector at, List<Operation> operations, List<Figure> figures, double[] first) {
        double[] point = at.toArray();
        double[] here = residuals(point, operations, figures, first);
        double[][] slopes = new double[here.length][PARAMETERS];
        for (int p = 0; p < PARAMETERS; p++) {
            double[] moved = point.clone();
            moved[p] += STEP;
            double[] there = residuals(moved, operations, figures, first);
            for (int i = 0; i < here.length; i++) {
                slopes[i][p] = (there[i] - here[i]) / STEP;
            }
        }
        return new Pair<>(new ArrayRealVector(here, false), new Array2DRowRealMatrix(slopes, false));
    }

    private static double[] residuals(
            double[] point, List<Operation> operations, List<Figure> figures, double[] first) {
        double[] values = values(model(point), operations, figures);
        double[] residuals = new double[values.length + PARAMETERS];
        for (int i = 0; i < values.length; i++) {
            residuals[i] = Math.log(values[i] / figures.get(i).published())
                    / figures.get(i).sigma();
        }
        for (int p = 0; p < PARAMETERS; p++) {
            residuals[values.length + p] = (point[p] - first[p]) / PRIOR[p];
        }
        return residuals;
    }

    private static double[] values(TubeModel model, List<Operation> operations, List<Figure> figures) {
        boolean fullSignal = figures.stream().anyMatch(f -> Kind.FULL.contains(f.kind()));
        Predicted[] predicted = new Predicted[operations.size()];
        for (int i = 0; i < predicted.length; i++) {
            predicted[i] = Predicted.of(model, operations.get(i), fullSignal);
        }
        double[] values = new double[figures.size()];
        for (int i = 0; i < values.length; i++) {
            Predicted p = predicted[figures.get(i).line()];
            double value = figures.get(i).kind().of.applyAsDouble(p);
            // A step that leads to no solution is a very bad one, not an end of the search.
            values[i] = value > 1e-12 ? value : 1e-12;
        }
        return values;
    }

    private static double[] logs(TubeModel m) {
        return new double[] {
            Math.log(m.mu()),
            Math.log(m.ex()),
            Math.log(m.kg1()),
            Math.log(m.kg2()),
            Math.log(m.kp()),
            Math.log(m.kvb()),
            Math.log(m.va()),
            Math.log(m.ks()),
            Math.log(m.vs())
        };
    }

    private static TubeModel model(double[] logs) {
        double[] p = new double[PARAMETERS];
        for (int i = 0; i < PARAMETERS; i++) {
            p[i] = Math.exp(logs[i]);
        }
        return new TubeModel(p[0], p[1], p[2], p[3], p[4], p[5], p[6], p[7], p[8]);
    }
}
