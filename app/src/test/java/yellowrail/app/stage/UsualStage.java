package yellowrail.app.stage;

import java.util.List;
import yellowrail.core.amp.Topology;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageTube;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.TubeModels;

/** The stage that the stage's and the load's page begin with, its idle still to be set. */
public final class UsualStage {
    private UsualStage() {}

    public static Stage usual() {
        var model = TubeModels.of("6L6GC").orElseThrow();
        return new Stage(
                Topology.PUSH_PULL,
                Connection.PENTODE,
                0,
                460,
                90,
                Double.NaN,
                200,
                70,
                0,
                4200,
                List.of(new StageTube(model, 0, 1, 470, 0), new StageTube(model, 1, 1, 470, 0)),
                Biasing.fixed(-40));
    }
}
