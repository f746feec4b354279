package yellowrail.app.stage;

import java.util.ArrayList;
import java.util.List;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.tube.ModelTrust;

/** The limits that are not dissipation: DC volts and cathode current, and peaks, which nobody published. */
public final class Limits {
    private Limits() {}

    public static List<Limit> of(StageSetting setting, StageEngine.Computed c, double highest, TubeFacts facts) {
        List<Limit> limits = new ArrayList<>(atIdle(setting, c, highest, facts));
        limits.addAll(overTheDrive(c, highest, facts));
        return List.copyOf(limits);
    }

    /** Volts at idle and before the tubes conduct: no load moves them. */
    public static List<Limit> atIdle(StageSetting setting, StageEngine.Computed c, double highest, TubeFacts facts) {
        Cycle idle = c.drive().idle();
        Cycle high = c.atHighest().idle();
        double plate = facts.plateVolts();
        double screen = facts.screenVolts();
        double supply = setting.described().supplyVolts();
        String up = up(highest);
        return List.of(
                volts("Plate volts, DC, at idle", idle.plateToCathodeVolts(), plate, idleVolts(idle)),
                volts("Plate volts, DC, idle at " + up, high.plateToCathodeVolts(), plate, idleVolts(high)),
                volts(
                        "Plate volts before the tubes conduct, " + up,
                        supply * highest,
                        plate,
                        "B+ without load · mains = " + shown(supply) + " · " + Show.plain(highest, 3)),
                volts(
                        "Screen volts, DC, at idle",
                        idle.screenToCathodeVolts(),
                        screen,
                        average("screens", idle.screenVolts(), idle)),
                volts(
                        "Screen volts, DC, idle at " + up,
                        high.screenToCathodeVolts(),
                        screen,
                        average("screens", high.screenVolts(), high)));
    }

    /** What the drive adds: average plate volts, cathode current, heat at highest mains, and peaks. */
    public static List<Limit> overTheDrive(StageEngine.Computed c, double highest, TubeFacts facts) {
        Cycle full = c.drive().full();
        Cycle high = c.atHighest().idle();
        Cycle hottest = c.atHighest().hottestPlate();
        double band = facts.bands(c).plate();
        return List.of(
                volts(
                        "Plate volts, DC, at full drive",
                        full.plateToCathodeVolts(),
                        facts.plateVolts(),
                        average("B+", full.supplyVolts(), full)),
                Limit.of(
                        "Cathode current, highest average",
                        c.drive().cathodeAmperes(),
                        Unit.AMPERE,
                        facts.cathodeAmperes(),
                        band,
                        "mean of Ip + Ig2 over a cycle, highest over the drive and the tubes"),
                Limit.of(
                        "Plate at " + up(highest) + ", highest average",
                        hottest.hottestPlateWatts(),
                        Unit.WATT,
                        facts.plateWatts(),
                        band,
                        "mean of Vpk · Ip over a cycle at " + Show.significant(hottest.watts(), 3)
                                + " W into the load; " + Show.significant(high.hottestPlateWatts(), 3)
                                + " W at idle"),
                Limit.of(
                        "Plate volts, peak",
                        c.drive().plateMost(),
                        Unit.VOLT,
                        facts.peakPlateVolts(),
                        ModelTrust.PEAK_BAND,
                        "highest over a cycle and the drive, to chassis; a speaker's inductance can raise it by a fifth"),
                Limit.of(
                        "Plate current, peak",
                        c.drive().plateAmperes(),
                        Unit.AMPERE,
                        Double.NaN,
                        0,
                        "highest over a cycle and the drive, of one tube"));
    }

    private static String up(double highest) {
        return Show.fixed(100 * highest, 0) + " % mains";
    }

    /** Heat over the drive against its ratings: what a load moves first. */
    public static List<Limit> heat(StageEngine.Computed c, TubeFacts facts) {
        ModelTrust.Bands bands = facts.bands(c);
        Cycle plate = c.drive().hottestPlate();
        Cycle screen = c.drive().hottestScreen();
        List<Limit> heat = new ArrayList<>();
        heat.add(Limit.of(
                "Plate over the drive, highest average",
                plate.hottestPlateWatts(),
                Unit.WATT,
                facts.plateWatts(),
                bands.plate(),
                "mean of Vpk · Ip over a cycle, highest over the drive: at " + where(plate)));
        if (screen.hottestScreenWatts() > 0) {
            heat.add(Limit.of(
                    "Screen over the drive, highest average",
                    screen.hottestScreenWatts(),
                    Unit.WATT,
                    facts.screenWatts(),
                    bands.screen(),
                    "mean of Vg2k · Ig2 over a cycle, highest over the drive: at " + where(screen)));
        }
        return List.copyOf(heat);
    }

    /**
     * Direct current in the output transformer's core: all of a single-ended stage, the difference of the sides in
     * push-pull.
     *
     * @param ratedAmperes what the transformer is rated for, A; NaN when not known
     */
    public static List<Limit> core(StageEngine.Computed c, double ratedAmperes, TubeFacts facts) {
        double band = facts.bands(c).plate();
        Cycle full = c.drive().full();
        return List.of(
                Limit.of(
                        "Direct current in the core, idle",
                        c.stage().coreAmperes(c.drive().idle()),
                        Unit.AMPERE,
                        ratedAmperes,
                        band,
                        coreFormula(c.stage())),
                Limit.of(
                        "Direct current in the core, full drive",
                        c.stage().coreAmperes(full),
                        Unit.AMPERE,
                        ratedAmperes,
                        band,
                        coreFormula(c.stage())));
    }

    private static String coreFormula(Stage stage) {
        return stage.pushPull()
                ? "mean current of side A − mean current of side B; a core without a gap minds a few mA"
                : "sum of the mean currents of all tubes, as far as they flow through the primary";
    }

    private static String where(Cycle cycle) {
        return cycle.drive() == 0 ? "idle" : Show.significant(cycle.watts(), 3) + " W into the load";
    }

    private static Limit volts(String name, double volts, double rating, String formula) {
        return Limit.of(name, volts, Unit.VOLT, rating, ModelTrust.VOLTS_BAND, formula);
    }

    private static String idleVolts(Cycle idle) {
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
