package yellowrail.app.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import yellowrail.app.forms.Complaints;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.OperatingChart;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageIdle;

/**
 * All that the stage's page shows, as numbers for the chart and texts for the tiles.
 *
 * @param trouble why there is no picture, or empty
 * @param said sentences at fields
 */
record StagePicture(
        String trouble,
        Map<String, Complaints.Complaint> said,
        OperatingChart chart,
        double ratedWatts,
        double plateVoltsRating,
        List<Tile> tiles,
        List<Point> heat,
        List<Point> distortion,
        String accuracy) {
    private static final int LEVELS = 24;

    /** How far the model's heat may be from a published tube's: plates as full power, screens as published screens. */
    private static final double PLATE_BAND = 0.07;

    private static final double SCREEN_BAND = 0.12;

    /** A tile: a figure with its name and what it means. */
    record Tile(String name, String figure, String under, String tone) {}

    /** A point of a curve: watts into the load against a share. */
    record Point(double watts, double value) {}

    static StagePicture refused(String trouble, Map<String, Complaints.Complaint> said) {
        return new StagePicture(trouble, said, null, 0, 0, List.of(), List.of(), List.of(), "");
    }

    /**
     * @param rated plate rating, W; {@code screenRated} NaN when not published
     * @throws NoSolution when the stage cannot be solved
     */
    static StagePicture of(StageReader.Read read, double rated, double screenRated, double plateVolts) {
        Stage set = StageIdle.at(read.stage().orElseThrow(), read.idleShare() * rated);
        Stage stage = set.withLoad(set.loadOhms() * read.loadFactor()).atMains(read.mains(), read.biasFollows());
        DriveSweep sweep = DriveSweep.of(stage, LEVELS);
        OperatingChart chart = OperatingChart.of(stage, sweep);
        List<Point> heat = new ArrayList<>();
        List<Point> distortion = new ArrayList<>();
        heat.add(new Point(0, sweep.idle().hottestPlateWatts() / rated));
        for (Cycle level : sweep.levels()) {
            heat.add(new Point(level.watts(), level.hottestPlateWatts() / rated));
            distortion.add(new Point(level.watts(), level.distortion()));
        }
        return new StagePicture(
                "",
                Map.of(),
                chart,
                rated,
                plateVolts,
                tiles(stage, sweep, rated, screenRated, plateVolts),
                heat,
                distortion,
                "Model, not measurement: idle within 4 %, full power within 7 % of published operations; distortion only in"
                        + " shape. No grid current, no feedback.");
    }

    private static List<Tile> tiles(
            Stage stage, DriveSweep sweep, double rated, double screenRated, double plateVolts) {
        Cycle idle = sweep.idle();
        Cycle full = sweep.full();
        Cycle plate = sweep.hottestPlate();
        Cycle screen = sweep.hottestScreen();
        List<Tile> tiles = new ArrayList<>();
        double bias = stage.biasing().cathodeOhms() > 0
                ? idle.cathodeVolts().get(0)
                : -stage.biasing().gridA();
        tiles.add(new Tile(
                "Idle",
                Show.si(idle.tubes().get(0).plateAmperes(), Unit.AMPERE, 3),
                Show.fixed(100 * idle.hottestPlateWatts() / rated, 0) + " %, plate "
                        + Show.si(idle.plateMost(), Unit.VOLT, 3) + ", "
                        + (stage.biasing().cathodeOhms() > 0 ? "cathode " : "grid −") + Show.fixed(bias, 1) + " V",
                idle.hottestPlateWatts() > rated ? "over" : "open"));
        tiles.add(new Tile(
                "Power at clipping",
                Show.significant(full.watts(), 3) + " W",
                "where the first grid reaches 0 V; distortion " + Show.significant(100 * full.distortion(), 2) + " %",
                "open"));
        tiles.add(new Tile(
                "Distortion at 1 W",
                sweep.distortionAt(1)
                        .map(d -> Show.significant(100 * d, 2) + " %")
                        .orElse("–"),
                sweep.distortionAt(1).isPresent() ? "shape is to be trusted, size is not" : "1 W is not reached",
                "open"));
        tiles.add(new Tile(
                "Class A up to",
                sweep.classAWatts().map(w -> Show.significant(w, 2) + " W").orElse("not left"),
                "until a tube falls below 10 % of its idle current",
                "open"));
        tiles.add(new Tile(
                "Hottest plate",
                Show.significant(plate.hottestPlateWatts(), 3) + " W",
                Show.fixed(100 * plate.hottestPlateWatts() / rated, 0) + " % of " + Show.plain(rated, 3) + " W, "
                        + where(plate, full) + near(plate.hottestPlateWatts(), rated, PLATE_BAND),
                tone(plate.hottestPlateWatts(), rated)));
        boolean known = !Double.isNaN(screenRated);
        tiles.add(new Tile(
                "Hottest screen",
                Show.significant(screen.hottestScreenWatts(), 2) + " W",
                (known ? "of " + Show.plain(screenRated, 3) + " W, " : "limit not published, ")
                        + where(screen, full)
                        + (known ? near(screen.hottestScreenWatts(), screenRated, SCREEN_BAND) : ""),
                !known ? "unknown" : tone(screen.hottestScreenWatts(), screenRated)));
        boolean volts = !Double.isNaN(plateVolts);
        double highest = Math.max(idle.plateMost(), full.supplyVolts());
        tiles.add(new Tile(
                "Plate volts, DC",
                Show.si(highest, Unit.VOLT, 3),
                (volts ? "of " + Show.si(plateVolts, Unit.VOLT, 3) : "limit not published") + "; peak "
                        + Show.si(sweep.plateMost(), Unit.VOLT, 3) + ", no peak limit published",
                !volts ? "unknown" : tone(highest, plateVolts)));
        return tiles;
    }

    /** Never green: a model at one mains voltage is no all-clear. */
    private static String tone(double value, double limit) {
        return value > limit ? "over" : "open";
    }

    private static String near(double value, double limit, double band) {
        return value <= limit && value * (1 + band) > limit
                ? "; the limit lies inside the model's ±" + Show.plain(100 * band, 2) + " %"
                : "";
    }

    private static String where(Cycle level, Cycle full) {
        return level.drive() == 0
                ? "at idle"
                : "at " + Show.significant(level.watts(), 2) + " W of " + Show.significant(full.watts(), 3) + " W";
    }
}
