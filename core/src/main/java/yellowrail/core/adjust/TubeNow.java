package yellowrail.core.adjust;

import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.idle.Permitted;
import yellowrail.core.target.Target.Window;

/**
 * A tube as read just now, with fresh volts.
 *
 * @param plateAmperes A, above zero
 * @param screenAmperes A
 * @param plateVolts to cathode, V
 * @param error 95 % band of its dissipation, as a share
 * @param ratedWatts plate rating, W
 * @param point its sense point
 * @param alone whether the current is its own, not a mean
 * @param grids grid volts with the plate current they went with, oldest first
 * @param window the window in force for it; empty for the chosen one
 * @param permitted the hottest idle at which nothing is passed; empty when not known
 */
public record TubeNow(
        Socket socket,
        double plateAmperes,
        double screenAmperes,
        double plateVolts,
        double error,
        double ratedWatts,
        String point,
        SensingMethod method,
        boolean alone,
        List<GridPoint> grids,
        Optional<Window> window,
        Optional<Permitted> permitted) {
    /** Grid volts, V, and the plate current read with them, A. */
    public record GridPoint(double volts, double amperes) {}

    public TubeNow {
        grids = List.copyOf(grids);
    }

    /** A tube of which no limit is known. */
    public TubeNow(
            Socket socket,
            double plateAmperes,
            double screenAmperes,
            double plateVolts,
            double error,
            double ratedWatts,
            String point,
            SensingMethod method,
            boolean alone,
            List<GridPoint> grids) {
        this(
                socket,
                plateAmperes,
                screenAmperes,
                plateVolts,
                error,
                ratedWatts,
                point,
                method,
                alone,
                grids,
                Optional.empty(),
                Optional.empty());
    }

    /** The same at the mains it is set for, and what is permitted as read now with it. */
    TubeNow carried(AtMains now) {
        return new TubeNow(
                socket,
                plateAmperes / now.amperes(),
                screenAmperes / now.amperes(),
                plateVolts / now.volts(),
                error,
                ratedWatts,
                point,
                method,
                alone,
                grids,
                window,
                permitted.map(p -> p.over(now.amperes(), now.volts())));
    }

    public double share() {
        return plateAmperes * plateVolts / ratedWatts;
    }

    public double cathodeAmperes() {
        return plateAmperes + screenAmperes;
    }

    /** Screen over plate current. */
    double screenRatio() {
        return plateAmperes > 0 ? screenAmperes / plateAmperes : 0;
    }
}
