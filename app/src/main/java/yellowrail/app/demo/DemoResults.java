package yellowrail.app.demo;

import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import yellowrail.app.results.BenchResult;
import yellowrail.app.results.ResultStore;
import yellowrail.core.amp.Topology;
import yellowrail.core.experiment.MeasuredPoint;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageIdle;
import yellowrail.core.stage.StageTube;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.TubeModel;

/** Two measured tables of the demo pair, one factor apart: a simulated stage with what a driver adds. */
final class DemoResults {
    private static final double RATED = 35;

    private DemoResults() {}

    static void keep(ResultStore results, UUID ampId, UUID first, UUID second) {
        results.keep(result(first, ampId, "2026-05-16T19:10:00", 0.52, "52 %"));
        results.keep(result(second, ampId, "2026-05-16T19:55:00", 0.62, "62 %"));
    }

    private static BenchResult result(UUID id, UUID ampId, String at, double share, String idle) {
        Map<String, String> factors = new LinkedHashMap<>();
        List<String> said = List.of(
                idle, "6550, as fitted", "8 Ω on the 8 Ω tap", "230 V", "none", "silicon", "unchanged", "sound card");
        for (int i = 0; i < said.size(); i++) {
            factors.put(BenchResult.FACTORS.get(i), said.get(i));
        }
        return new BenchResult(
                id,
                ampId,
                OffsetDateTime.parse(at + "Z").withOffsetSameInstant(ZoneOffset.UTC),
                factors,
                points(share),
                "",
                null);
    }

    private static List<MeasuredPoint> points(double share) {
        TubeModel model = DemoAmps.model("6550");
        DriveSweep sweep = DriveSweep.of(
                StageIdle.at(
                        new Stage(
                                Topology.PUSH_PULL,
                                Connection.PENTODE,
                                0,
                                452,
                                70,
                                319,
                                0,
                                67,
                                0,
                                4200,
                                List.of(new StageTube(model, 0, 1.02, 470, 0), new StageTube(model, 1, 0.9, 470, 0)),
                                Biasing.fixed(-36)),
                        share * RATED),
                24);
        double[] watts = {1, 5, 15, 30, 45};
        String[] levels = {"0.2 V", "0.45 V", "0.8 V", "1.1 V", "1.4 V"};
        List<MeasuredPoint> points = new ArrayList<>();
        for (int i = 0; i < watts.length; i++) {
            double driver = 0.0006 * Math.sqrt(watts[i]);
            double stage = sweep.distortionAt(watts[i]).orElseThrow();
            double both = Math.round(1e4 * Math.hypot(1.15 * stage, driver)) / 1e4;
            points.add(new MeasuredPoint(levels[i], Optional.of(1000.0), watts[i], both));
        }
        return points;
    }
}
