package yellowrail.core.bench;

import yellowrail.core.amp.Duty;
import java.util.List;
import yellowrail.core.tube.Connection;
import yellowrail.core.amp.Topology;
import yellowrail.core.stage.GridSupply;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.stage.StageTube;
import yellowrail.core.tube.TubeModels;

/** Stages to measure. */
final class Stages {
    private Stages() {}

    /** A push-pull pair at 70 %. */
    static StageSetting pair(Connection connection, Biasing biasing) {
        var model = TubeModels.of("6L6GC").orElseThrow();
        Stage stage = new Stage(
                Topology.PUSH_PULL,
                connection,
                0.43,
                460,
                90,
                Double.NaN,
                200,
                70,
                0,
                4200,
                List.of(new StageTube(model, 0, 1, 470, 0), new StageTube(model, 1, 1, 470, 0)),
                biasing);
        return new StageSetting(stage, 30, 0.7, 1, 1, GridSupply.FOLLOWS, Duty.TONE);
    }
}
