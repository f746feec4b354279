package yellowrail.core.swap;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Duty;
import yellowrail.core.amp.Topology;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.Copper;
import yellowrail.core.stage.GridSupply;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageIdle;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.stage.StageTube;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.Lookup;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.TubeModels;
import yellowrail.core.tube.TubeType;
import yellowrail.core.tube.TypeCurves;

/** Stages and chassis of our own for the tests of swaps. */
final class Swaps {
    private Swaps() {}

    static TubeType type(String name) {
        return ((Lookup.Found) Catalogue.shipped().find(name)).type();
    }

    /**
     * A push-pull pentode stage with fixed bias that follows the mains.
     *
     * @param tubes of one channel
     * @param supply B+ without load, V
     * @param load plate to plate, Ω
     * @param idle share of the plate rating
     */
    static Present fixed(String type, int tubes, double supply, double load, double idle) {
        return present(
                type, Topology.PUSH_PULL, tubes, supply, load, Biasing.fixed(-40), BiasScheme.FIXED_TRACKING, idle);
    }

    /** A push-pull pentode stage whose cathodes share one resistor, Ω. */
    static Present cathode(String type, int tubes, double supply, double load, double ohms) {
        return present(
                type,
                Topology.PUSH_PULL,
                tubes,
                supply,
                load,
                Biasing.cathode(ohms, true),
                BiasScheme.CATHODE,
                Double.NaN);
    }

    /** One tube alone with its cathode resistor, Ω. */
    static Present single(String type, double supply, double load, double ohms) {
        return present(
                type,
                Topology.SINGLE_ENDED,
                1,
                supply,
                load,
                Biasing.cathode(ohms, true),
                BiasScheme.CATHODE,
                Double.NaN);
    }

    private static Present present(
            String name,
            Topology topology,
            int tubes,
            double supply,
            double load,
            Biasing biasing,
            BiasScheme scheme,
            double idle) {
        TubeType type = type(name);
        List<StageTube> fitted = new ArrayList<>();
        for (int t = 0; t < tubes; t++) {
            fitted.add(new StageTube(
                    TubeModels.of(name).orElseThrow(), topology == Topology.PUSH_PULL ? t % 2 : 0, 1, 470, 0));
        }
        Stage stage = new Stage(
                topology,
                Connection.PENTODE,
                0.5,
                supply,
                90,
                Double.NaN,
                200,
                Copper.assumedOhms(load, topology),
                0,
                load,
                fitted,
                biasing);
        double rated = type.strictest().orElseThrow().plateWatts().orElseThrow().value();
        double share = Double.isNaN(idle) ? StageIdle.watts(stage) / rated : idle;
        return new Present(
                type,
                type.strictest().orElseThrow(),
                ModelTrust.of(name).orElseThrow(),
                new StageSetting(stage, rated, share, 1, 1, GridSupply.FOLLOWS, Duty.TONE),
                scheme,
                0.9,
                1.1,
                1,
                List.of());
    }

    /** As many of a type, connected as now, at the share of its rating that the present tubes idle at. */
    static SwapCandidate candidate(Present present, String name) {
        TubeType type = type(name);
        return new SwapCandidate(
                type,
                type.editions(Optional.empty()),
                TubeModels.of(name)
                        .map(m -> new TypeCurves(m, ModelTrust.of(name).orElseThrow(), "", false)),
                present.tubes(),
                Connection.PENTODE,
                0.5,
                Math.min(1, present.setting().idleShare()),
                Optional.empty());
    }

    static SwapSheet sheet(Present present, String name, Chassis chassis) {
        return SwapSheet.of(new SwapQuestion(present, chassis, candidate(present, name)));
    }

    static SwapRow row(SwapSheet sheet, Criterion criterion) {
        return sheet.rows().stream()
                .filter(r -> r.criterion() == criterion)
                .findFirst()
                .orElseThrow(() -> new AssertionError(criterion + " is not on the sheet"));
    }
}
