package yellowrail.app.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import yellowrail.core.amp.Duty;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Standing;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.Cycle.TubeCycle;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageJudgement;
import yellowrail.core.stage.When;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.PublishedLimit;

/** The stage's tiles. */
final class Tiles {
    private final Stage stage;
    private final DriveSweep sweep;
    private final TubeFacts facts;
    private final ModelTrust.Bands bands;

    private final List<StageJudgement> judged;

    private final Duty duty;

    private Tiles(StageEngine.Computed computed, Duty duty, TubeFacts facts, List<StageJudgement> judged) {
        this.duty = duty;
        this.stage = computed.stage();
        this.sweep = computed.drive();
        this.facts = facts;
        this.bands = facts.bands(computed);
        this.judged = judged;
    }

    /** @param duty what is played */
    static List<Tile> of(StageEngine.Computed computed, Duty duty, TubeFacts facts, List<StageJudgement> judged) {
        Tiles tiles = new Tiles(computed, duty, facts, judged);
        List<Tile> all = new ArrayList<>();
        all.add(tiles.idle());
        all.add(tiles.power());
        all.add(tiles.oneWatt());
        all.add(tiles.classA());
        all.add(tiles.plate());
        all.add(tiles.screen());
        all.add(tiles.peak());
        if (computed.stage().pushPull()) {
            all.add(tiles.standing());
        }
        return all;
    }

    private Tile idle() {
        Cycle idle = sweep.idle();
        TubeCycle hottest = hottest(idle);
        double volts = hottest.plateWatts() / hottest.plateAmperes();
        double share = hottest.plateWatts() / facts.plateWatts();
        return new Tile(
                "Idle",
                Show.si(hottest.plateAmperes(), Unit.AMPERE, 3),
                Show.fixed(100 * share, 0) + " % of " + rating(facts.plateWatts()) + ", " + bias(idle),
                tone(Limit.PLATE_WATTS, When.IDLE),
                "Pp = Vpk · Ip = " + Show.fixed(volts, 1) + " V · " + Show.si(hottest.plateAmperes(), Unit.AMPERE, 3)
                        + " = " + watts(hottest.plateWatts()) + "; screen " + watts(hottest.screenWatts())
                        + ", B+ " + Show.si(idle.supplyVolts(), Unit.VOLT, 3),
                List.of());
    }

    private String bias(Cycle idle) {
        String grid = stage.biasing().gridA() < 0
                ? "grid −" + Show.fixed(-stage.biasing().gridA(), 1) + " V"
                : "";
        if (stage.biasing().cathodeOhms() == 0) {
            return grid;
        }
        String cathode = "cathode " + Show.fixed(idle.cathodeVolts().get(0), 1) + " V over "
                + Show.si(stage.biasing().cathodeOhms(), Unit.OHM, 3);
        return grid.isEmpty() ? cathode : grid + ", " + cathode;
    }

    private Tile power() {
        Cycle full = sweep.full();
        double volts = Math.sqrt(full.watts() * stage.loadOhms());
        return new Tile(
                "Power at clipping",
                watts(full.watts()),
                band(bands.watts()) + ", where the first grid reaches 0 V; distortion " + percent(full.distortion()),
                "open",
                "P = V² / Z = (" + Show.fixed(volts, 1) + " V rms)² / " + Show.si(stage.loadOhms(), Unit.OHM, 3) + " = "
                        + watts(full.watts()) + ", of it " + watts(full.fundamentalWatts())
                        + " fundamental; " + Show.si(full.drive(), Unit.VOLT, 3) + " peak at each grid",
                List.of());
    }

    private Tile oneWatt() {
        Optional<Cycle> at = sweep.oneWatt();
        return new Tile(
                "Distortion at 1 W",
                at.map(c -> percent(c.distortion())).orElse("–"),
                at.isPresent() ? "its shape is to be trusted, its size is not" : "1 W is not reached",
                at.isPresent() ? "open" : "unknown",
                at.map(c -> "THD = √(H2² + … + H9²), H2 "
                                + percent(c.harmonics().get(0)) + ", H3 "
                                + percent(c.harmonics().get(1)) + ", H5 "
                                + percent(c.harmonics().get(3))
                                + " of the fundamental")
                        .orElse(""),
                at.map(Cycle::harmonics).orElse(List.of()));
    }

    private Tile classA() {
        Optional<Double> ends = sweep.classAWatts();
        return new Tile(
                "Class A up to",
                ends.map(Tiles::watts).orElse("full drive"),
                "until a tube's current falls below " + Show.fixed(100 * DriveSweep.CUT_OFF, 0)
                        + " % of its idle current",
                "open",
                "least plate current over the cycle / idle current = "
                        + Show.fixed(100 * least(sweep.full()), 0) + " % at full drive; 10 % is reached at "
                        + ends.map(Tiles::watts).orElse("no level"),
                List.of());
    }

    private double least(Cycle level) {
        double least = 1;
        for (int t = 0; t < level.tubes().size(); t++) {
            least = Math.min(
                    least,
                    level.tubes().get(t).plateLeast()
                            / sweep.idle().tubes().get(t).plateAmperes());
        }
        return least;
    }

    private Tile plate() {
        Cycle at = sweep.hottestPlate(duty);
        double value = at.hottestPlateWatts();
        return new Tile(
                "Hottest plate",
                watts(value),
                Show.fixed(100 * value / facts.plateWatts(), 0) + " % of " + rating(facts.plateWatts()) + ", "
                        + sweep.where(at) + near(Limit.PLATE_WATTS),
                tone(Limit.PLATE_WATTS, When.DRIVE),
                "mean of Vpk · Ip: " + levels(Cycle::hottestPlateWatts) + "; " + band(bands.plate()),
                List.of());
    }

    private Tile screen() {
        Cycle at = sweep.hottestScreen(duty);
        double value = at.hottestScreenWatts();
        double limit = facts.screenWatts();
        boolean known = !Double.isNaN(limit);
        return new Tile(
                "Hottest screen",
                watts(value),
                (known
                                ? Show.fixed(100 * value / limit, 0) + " % of " + rating(limit) + ", "
                                : "no limit is known here, ")
                        + sweep.where(at)
                        + (known ? near(DriveLimit.SCREEN_WATTS) : ""),
                tone(DriveLimit.SCREEN_WATTS, When.DRIVE),
                "mean of Vg2k · Ig2: " + levels(Cycle::hottestScreenWatts) + "; " + band(bands.screen()),
                List.of());
    }

    /** A figure at idle, by each thing that may be played, and with a tone at full drive. */
    private String levels(ToDoubleFunction<Cycle> figure) {
        return watts(figure.applyAsDouble(sweep.idle())) + " at idle, "
                + Duty.PLAYED.stream()
                        .map(d -> watts(figure.applyAsDouble(sweep.played().get(d))) + " with " + d.words())
                        .collect(Collectors.joining(", "))
                + ", " + watts(figure.applyAsDouble(sweep.full())) + " with a full sine";
    }

    private Tile peak() {
        Cycle full = sweep.full();
        JudgedRow row = judgement(DriveLimit.PEAK_PLATE_VOLTS, When.DRIVE)
                .map(JudgedRow::of)
                .orElseThrow();
        return new Tile(
                "Peak plate volts",
                row.figure(),
                "to chassis, into this load; " + row.rating()
                        + (row.standing() == Standing.NONE_PUBLISHED ? " of the peak" : ""),
                row.tone(),
                "B+ " + Show.si(full.supplyVolts(), Unit.VOLT, 3) + " at full drive and the swing above it, "
                        + Show.si(sweep.plateMost() - full.supplyVolts(), Unit.VOLT, 3)
                        + "; largest plate current " + Show.si(sweep.plateAmperes(), Unit.AMPERE, 3),
                List.of());
    }

    private Tile standing() {
        double apart = small(sweep.idle().standingDifference());
        return new Tile(
                "Standing DC in the core",
                Show.si(apart, Unit.AMPERE, 2),
                "difference of the two sides at idle",
                "open",
                "ΣIp of side A − ΣIp of side B = " + Show.si(apart, Unit.AMPERE, 3) + " at idle, "
                        + Show.si(small(sweep.full().standingDifference()), Unit.AMPERE, 3) + " at full drive",
                List.of());
    }

    /** What the solver leaves of a balanced stage is none. */
    private static double small(double amperes) {
        return Math.abs(amperes) < 1e-6 ? 0 : Math.abs(amperes);
    }

    private static TubeCycle hottest(Cycle cycle) {
        return cycle.tubes().stream()
                .max(java.util.Comparator.comparingDouble(TubeCycle::plateWatts))
                .orElseThrow();
    }

    /** At the mains the stage stands at: that is what the tile's figure is of. */
    private Optional<StageJudgement> judgement(PublishedLimit limit, When when) {
        return judged.stream()
                .filter(j -> j.limit() == limit && j.when() == when && j.at() == At.NOW)
                .findFirst();
    }

    private String tone(PublishedLimit limit, When when) {
        return judgement(limit, when)
                .map(j -> JudgedRow.tone(j.standing()))
                .orElse(JudgedRow.tone(Standing.NOT_APPLICABLE));
    }

    private String near(PublishedLimit limit) {
        return judgement(limit, When.DRIVE)
                .map(j -> switch (j.standing()) {
                    case UNKNOWN -> "; not told: the model is not fitted near these volts";
                    case TOO_CLOSE -> "; too close to call: inside the model's band";
                    case OPEN_QUESTION -> "; " + j.hangsOn();
                    default -> "";
                })
                .orElse("");
    }

    private static String band(double share) {
        return Double.isInfinite(share) ? "how far off is not known" : "± " + Show.plain(100 * share, 2) + " %";
    }

    private static String watts(double value) {
        return Show.significant(value, 3) + " W";
    }

    private static String rating(double value) {
        return Show.plain(value, 3) + " W";
    }

    private static String percent(double share) {
        return Show.significant(100 * share, 2) + " %";
    }
}
