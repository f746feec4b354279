package yellowrail.app.stage;

import java.util.ArrayList;
import java.util.List;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.tube.ModelTrust;

/** The limits that are not dissipation: DC volts and cathode current, and peaks, which nobody published. */
public final class Limits {
    private Limits() {}

    public static List<Limit> of(StageSetting setting, StageEngine.Computed c, double highest, TubeFacts facts) {
        Cycle idle = c.drive().idle();
        Cycle full = c.drive().full();
        Cycle high = c.atHighest().idle();
        Cycle hottest = c.atHighest().hottestPlate();
        double plate = facts.plateVolts();
        double screen = facts.screenVolts();
        double band = facts.bands(c).plate();
        double unloaded = setting.described().supplyVolts() * highest;
        String up = Show.fixed(100 * highest, 0) + " % mains";
        List<Limit> limits = new ArrayList<>();
        limits.add(volts("Plate volts, DC, at idle", idle.plateToCathodeVolts(), plate, atIdle(idle)));
        limits.add(volts(
                "Plate volts, DC, at full drive",
                full.plateToCathodeVolts(),
                plate,
                average("B+", full.supplyVolts(), full)));
        limits.add(volts("Plate volts, DC, idle at " + up, high.plateToCathodeVolts(), plate, atIdle(high)));
        limits.add(volts(
                "Plate volts before the tubes conduct, " + up,
                unloaded,
                plate,
                "B+ without load · mains = " + shown(setting.described().supplyVolts()) + " · "
                        + Show.plain(highest, 3)));
        limits.add(volts(
                "Screen volts, DC, at idle",
                idle.screenToCathodeVolts(),
                screen,
                average("screens", idle.screenVolts(), idle)));
        limits.add(volts(
                "Screen volts, DC, idle at " + up,
                high.screenToCathodeVolts(),
                screen,
                average("screens", high.screenVolts(), high)));
        limits.add(Limit.of(
                "Cathode current, highest average",
                c.drive().cathodeAmperes(),
                Unit.AMPERE,
                facts.cathodeAmperes(),
                band,
                "mean of Ip + Ig2 over a cycle, highest over the drive and the tubes"));
        limits.add(Limit.of(
                "Plate at " + up + ", highest average",
                hottest.hottestPlateWatts(),
                Unit.WATT,
                facts.plateWatts(),
                band,
                "mean of Vpk · Ip over a cycle at " + Show.significant(hottest.watts(), 3) + " W into the load; "
                        + Show.significant(high.hottestPlateWatts(), 3) + " W at idle"));
        limits.add(Limit.of(
                "Plate volts, peak",
                c.drive().plateMost(),
                Unit.VOLT,
                Double.NaN,
                0,
                "highest over a cycle and the drive, to chassis"));
        limits.add(Limit.of(
                "Plate current, peak",
                c.drive().plateAmperes(),
                Unit.AMPERE,
                Double.NaN,
                0,
                "highest over a cycle and the drive, of one tube"));
        return List.copyOf(limits);
    }

    private static Limit volts(String name, double volts, double rating, String formula) {
        return Limit.of(name, volts, Unit.VOLT, rating, ModelTrust.VOLTS_BAND, formula);
    }

    private static String atIdle(Cycle idle) {
        return "B+ " + shown(idle.supplyVolts()) + " − drop across half of the primary winding − cathode "
                + shown(idle.leastCathodeVolts());
    }

    private static String average(String what, double node, Cycle cycle) {
        return what + " " + shown(node) + " − cathode " + shown(cycle.leastCathodeVolts())
                + "; drops over windings and screen resistors left out";
    }

    private static String shown(double volts) {
        return Show.significant(volts, 4) + " V";
    }
}
