package yellowrail.core.fit;

import java.util.ArrayList;
import java.util.List;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSolver;
import yellowrail.core.stage.StageTube;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.TubeModel;

/**
 * What a model gives at a published operation; NaN where the operation does not fix it. One tube's currents in A, supplies
 * taken as stiff, as published operations are. Drive is the published one, else until a grid reaches 0 V.
 */
public record Predicted(
        double idlePlate,
        double idleScreen,
        double idleCathode,
        double milliSiemens,
        double plateOhms,
        double watts,
        double distortion,
        double fullPlate,
        double fullScreen,
        double fullCathode) {
    private static final double STEP = 0.05;

    /** @param fullSignal whether to compute full signal too, which takes a hundred times as long */
    public static Predicted of(TubeModel model, Operation operation, boolean fullSignal) {
        double nan = Double.NaN;
        double plate = operation.plateVolts();
        double grid = operation.gridVolts();
        double screen = operation.connection() == Connection.PENTODE ? operation.screenVolts() : plate;
        Cycle idle = null;
        Cycle full = null;
        if (Double.isNaN(grid) || fullSignal && operation.hasFullSignal()) {
            try {
                StageSolver solver = new StageSolver(stage(model, operation));
                idle = solver.idle();
                if (fullSignal && operation.hasFullSignal()) {
                    double peak = operation.drivePeak();
                    full = Double.isNaN(peak) ? solver.full() : solver.driven(peak);
                }
            } catch (NoSolution none) {
                full = null;
            }
        }
        double idlePlate = nan;
        double idleScreen = nan;
        if (!Double.isNaN(grid)) {
            idlePlate = model.plateAmperes(plate, screen, grid);
            idleScreen = model.screenAmperes(plate, screen, grid);
        } else if (idle != null) {
            idlePlate = idle.tubes().get(0).plateAmperes();
            idleScreen = idle.tubes().get(0).screenAmperes();
            grid = -idle.cathodeVolts().get(0);
        }
        return new Predicted(
                idlePlate,
                idleScreen,
                idlePlate + idleScreen,
                transconductance(model, operation, screen, grid),
                plateResistance(model, operation, screen, grid),
                full == null ? nan : full.watts(),
                full == null ? nan : full.distortion(),
                full == null ? nan : full.tubes().get(0).plateAmperes(),
                full == null ? nan : full.tubes().get(0).screenAmperes(),
                full == null
                        ? nan
                        : full.tubes().get(0).plateAmperes()
                                + full.tubes().get(0).screenAmperes());
    }

    /** Strapped as a triode both currents count: the screen is part of the plate then. */
    private static double transconductance(TubeModel model, Operation o, double screen, double grid) {
        double v = o.plateVolts();
        return 1e3 * (current(model, o, v, screen, grid + STEP) - current(model, o, v, screen, grid - STEP)) / 2 / STEP;
    }

    private static double plateResistance(TubeModel model, Operation o, double screen, double grid) {
        double v = o.plateVolts();
        boolean triode = o.connection() == Connection.TRIODE;
        double up = current(model, o, v + 1, triode ? screen + 1 : screen, grid);
        double down = current(model, o, v - 1, triode ? screen - 1 : screen, grid);
        return 2 / (up - down);
    }

    private static double current(TubeModel model, Operation o, double plate, double screen, double grid) {
        double amperes = model.plateAmperes(plate, screen, grid);
        return o.connection() == Connection.TRIODE ? amperes + model.screenAmperes(plate, screen, grid) : amperes;
    }

    static Stage stage(TubeModel model, Operation o) {
        boolean resistor = !Double.isNaN(o.cathodeOhms());
        // Published volts count from the cathode, so the supplies stand higher by its volts.
        double cathode = resistor ? cathodeVolts(model, o) : 0;
        double feed = Double.isNaN(o.screenFeedOhms()) ? 0 : o.screenFeedOhms();
        double idleScreen = Double.isNaN(o.idle().screen()) ? 0 : o.idle().screen();
        List<StageTube> tubes = new ArrayList<>();
        for (int t = 0; t < o.tubes(); t++) {
            tubes.add(new StageTube(model, t, 1, 0, 0));
        }
        return new Stage(
                o.topology(),
                o.connection(),
                o.tap(),
                o.plateVolts() + cathode,
                0,
                o.connection() == Connection.PENTODE
                        ? o.screenVolts() + cathode + feed * o.tubes() * idleScreen
                        : Double.NaN,
                feed,
                0,
                0,
                Double.isNaN(o.loadOhms()) ? 5000 : o.loadOhms(),
                tubes,
                resistor ? Biasing.cathode(o.cathodeOhms(), o.shared()) : Biasing.fixed(o.gridVolts()));
    }

    private static double cathodeVolts(TubeModel model, Operation o) {
        double sharing = o.shared() ? o.tubes() : 1;
        double published = Double.isNaN(o.idle().cathode())
                ? o.idle().plate() + o.idle().screen()
                : o.idle().cathode();
        if (!Double.isNaN(published)) {
            return o.cathodeOhms() * sharing * published;
        }
        double screen = o.connection() == Connection.PENTODE ? o.screenVolts() : o.plateVolts();
        double low = 0;
        double high = 100;
        for (int i = 0; i < 50; i++) {
            double middle = (low + high) / 2;
            double amperes = model.plateAmperes(o.plateVolts(), screen, -middle)
                    + model.screenAmperes(o.plateVolts(), screen, -middle);
            if (o.cathodeOhms() * sharing * amperes > middle) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return low;
    }
}
