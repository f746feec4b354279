package yellowrail.core.swap;

import java.util.ArrayList;
import java.util.List;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.Stage;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.PublishedLimit;

/** Volts, currents and heat of the candidate in this stage, at its idle and over the drive, against what is published. */
final class LimitRows {
    private final SwapQuestion question;
    private final SolvedStage before;
    private final SolvedStage after;
    private final String up;

    LimitRows(SwapQuestion question, SolvedStage before, SolvedStage after) {
        this.question = question;
        this.before = before;
        this.after = after;
        this.up = percent(question.present().highest());
    }

    List<SwapRow> rows() {
        List<SwapRow> rows = new ArrayList<>();
        rows.add(plateVolts());
        rows.add(peakVolts());
        boolean screens = question.candidate().type().hasScreen();
        if (screens) {
            rows.add(screenVolts());
        }
        rows.add(cathodeCurrent());
        rows.add(plateHeat());
        if (screens) {
            rows.add(screenHeat());
        }
        return rows;
    }

    private SwapRow plateVolts() {
        Cycle idle = after.drive().idle();
        Cycle high = after.highest().idle();
        String idleFormula = "B+ " + volts(idle.supplyVolts()) + " − drop across the primary − cathode "
                + volts(idle.leastCathodeVolts());
        SwapRow row = Held.row(
                Criterion.PLATE_VOLTS,
                question.candidate(),
                List.of(
                        held(
                                Limit.PLATE_VOLTS,
                                after.lowest().plateToCathodeVolts(),
                                before.lowest().plateToCathodeVolts(),
                                false,
                                low(),
                                idleFormula),
                        held(
                                Limit.PLATE_VOLTS,
                                idle.plateToCathodeVolts(),
                                before.drive().idle().plateToCathodeVolts(),
                                false,
                                "at idle",
                                idleFormula),
                        held(
                                Limit.PLATE_VOLTS,
                                high.plateToCathodeVolts(),
                                before.highest().idle().plateToCathodeVolts(),
                                true,
                                "idle at " + up + " mains",
                                "B+ " + volts(high.supplyVolts()) + " at " + up + " mains − drop across the primary −"
                                        + " cathode " + volts(high.leastCathodeVolts()))));
        double cold = after.stage().supplyVolts() * question.present().highest();
        return cold(row, cold, Limit.PLATE_VOLTS, "plates");
    }

    /** Before the tubes conduct nothing loads the supply; makers publish no limit for that. */
    private SwapRow cold(SwapRow row, double cold, Limit limit, String what) {
        double most = question.candidate().editions().stream()
                .flatMap(e ->
                        e.figure(limit).stream().map(f -> f.value() * e.system().allowanceAtHighestMains(Unit.VOLT)))
                .mapToDouble(v -> v)
                .min()
                .orElse(Double.POSITIVE_INFINITY);
        if (cold <= most) {
            return row;
        }
        return new SwapRow(
                row.criterion(),
                row.verdict().worse(SwapVerdict.NOTE),
                row.value(),
                row.limit(),
                row.share(),
                row.reason() + " Before the tubes conduct the " + what + " stand at " + volts(cold) + " at " + up
                        + " mains, above that limit: none is published for a cold tube; with the present tubes it is "
                        + volts(before.stage().supplyVolts()
                                * question.present().highest()) + ".",
                row.mend(),
                row.formula());
    }

    private SwapRow peakVolts() {
        List<Held> all = new ArrayList<>();
        for (boolean high : new boolean[] {false, true}) {
            all.add(new Held(
                    DriveLimit.PEAK_PLATE_VOLTS,
                    (high ? after.highest() : after.drive()).plateMost(),
                    (high ? before.highest() : before.drive()).plateMost(),
                    ModelTrust.PEAK_BAND,
                    high,
                    "into a resistor, highest over the drive" + (high ? " at " + up + " mains" : ""),
                    "highest plate volts to chassis over a cycle and over the drive; a speaker's inductance can raise"
                            + " it by a fifth"));
        }
        return Held.row(Criterion.PEAK_VOLTS, question.candidate(), all);
    }

    private SwapRow screenVolts() {
        Cycle idle = after.drive().idle();
        Cycle high = after.highest().idle();
        String formula = "screens " + volts(idle.screenVolts()) + " − cathode " + volts(idle.leastCathodeVolts())
                + "; the drop across screen resistors is left out";
        SwapRow row = Held.row(
                Criterion.SCREEN_VOLTS,
                question.candidate(),
                List.of(
                        held(
                                Limit.SCREEN_VOLTS,
                                after.lowest().screenToCathodeVolts(),
                                before.lowest().screenToCathodeVolts(),
                                false,
                                low(),
                                formula),
                        held(
                                Limit.SCREEN_VOLTS,
                                idle.screenToCathodeVolts(),
                                before.drive().idle().screenToCathodeVolts(),
                                false,
                                "at idle",
                                formula),
                        held(
                                Limit.SCREEN_VOLTS,
                                high.screenToCathodeVolts(),
                                before.highest().idle().screenToCathodeVolts(),
                                true,
                                "idle at " + up + " mains",
                                "screens " + volts(high.screenVolts()) + " − cathode "
                                        + volts(high.leastCathodeVolts()))));
        Stage stage = after.stage();
        boolean own = stage.connection() == Connection.PENTODE && !Double.isNaN(stage.screenSupplyVolts());
        double cold = (own ? stage.screenSupplyVolts() : stage.supplyVolts())
                * question.present().highest();
        return cold(row, cold, Limit.SCREEN_VOLTS, "screens");
    }

    private SwapRow cathodeCurrent() {
        double band = after.bands().plate();
        String formula = "mean of Ip + Ig2 over a cycle, highest over the drive and the tubes";
        return Held.row(
                Criterion.CATHODE_CURRENT,
                question.candidate(),
                List.of(
                        new Held(
                                Limit.CATHODE_AMPERES,
                                after.drive().cathodeAmperes(),
                                before.drive().cathodeAmperes(),
                                band,
                                false,
                                "highest average over the drive",
                                formula),
                        new Held(
                                Limit.CATHODE_AMPERES,
                                after.highest().cathodeAmperes(),
                                before.highest().cathodeAmperes(),
                                band,
                                true,
                                "highest average over the drive at " + up + " mains",
                                formula)));
    }

    private SwapRow plateHeat() {
        ModelTrust.Bands bands = after.bands();
        List<Held> all = new ArrayList<>();
        for (boolean high : new boolean[] {false, true}) {
            DriveSweep drive = high ? after.highest() : after.drive();
            DriveSweep present = high ? before.highest() : before.drive();
            String mains = high ? " at " + up + " mains" : "";
            all.add(new Held(
                    Limit.PLATE_WATTS,
                    drive.idle().hottestPlateWatts(),
                    present.idle().hottestPlateWatts(),
                    bands.plate(),
                    high,
                    "at idle" + mains,
                    "Vpk · Ip = " + volts(drive.idle().plateToCathodeVolts()) + " · "
                            + Show.si(drive.idle().tubes().get(0).plateAmperes(), Unit.AMPERE, 3)));
            Cycle hottest = drive.hottestPlate();
            if (hottest.drive() > 0) {
                all.add(new Held(
                        Limit.PLATE_WATTS,
                        hottest.hottestPlateWatts(),
                        present.hottestPlate().hottestPlateWatts(),
                        bands.plate(),
                        high,
                        "at " + Show.si(hottest.watts(), Unit.WATT, 3) + " into the load" + mains,
                        "mean of Vpk · Ip over a cycle, highest over the drive"));
            }
            if (combined()) {
                all.add(new Held(
                        Limit.COMBINED_WATTS,
                        SolvedStage.combinedWatts(drive),
                        SolvedStage.combinedWatts(present),
                        bands.plate(),
                        high,
                        "plate and screen together, highest over the drive" + mains,
                        "mean of Vpk · Ip + Vg2k · Ig2 over a cycle, highest over the drive"));
            }
        }
        return Held.row(Criterion.PLATE_HEAT, question.candidate(), all);
    }

    private boolean combined() {
        return question.candidate().editions().stream()
                .anyMatch(e -> e.combinedWatts().isPresent());
    }

    /** At idle the limit for DC operation holds; with signal the one that a maker gives for it, where there is one. */
    private SwapRow screenHeat() {
        List<Held> all = new ArrayList<>();
        for (boolean high : new boolean[] {false, true}) {
            DriveSweep drive = high ? after.highest() : after.drive();
            DriveSweep present = high ? before.highest() : before.drive();
            String mains = high ? " at " + up + " mains" : "";
            all.add(screens(Limit.SCREEN_WATTS, drive.idle(), present.idle(), high, "at idle" + mains));
            Cycle hottest = drive.hottestScreen();
            if (hottest.drive() > 0) {
                all.add(screens(
                        DriveLimit.SCREEN_WATTS,
                        hottest,
                        present.hottestScreen(),
                        high,
                        "at " + Show.si(hottest.watts(), Unit.WATT, 3) + " into the load" + mains));
            }
        }
        return Held.row(Criterion.SCREEN_HEAT, question.candidate(), all);
    }

    private Held screens(PublishedLimit limit, Cycle cycle, Cycle present, boolean high, String where) {
        return new Held(
                limit,
                cycle.hottestScreenWatts(),
                present.hottestScreenWatts(),
                after.bands().screen(),
                high,
                where,
                "mean of Vg2k · Ig2 over a cycle, highest over the drive");
    }

    private static Held held(Limit limit, double volts, double present, boolean highest, String where, String formula) {
        return new Held(limit, volts, present, ModelTrust.VOLTS_BAND, highest, where, formula);
    }

    private String low() {
        return "idle at " + percent(question.present().lowest()) + " mains";
    }

    private static String percent(double share) {
        return Show.fixed(100 * share, 0) + " %";
    }

    private static String volts(double volts) {
        return Show.si(volts, Unit.VOLT, 3);
    }
}
