package yellowrail.app.stage;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import yellowrail.core.idle.ComputedStatements;
import yellowrail.core.idle.Statement;
import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.ModelTrust;

/** The two statements of a computed stage's idle: at the mains it stands at, and at highest mains. */
public final class StageStatements {
    private static final String SOURCE = "the model";

    private StageStatements() {}

    /** @param highest highest mains, share of nominal */
    public static List<Statement> of(
            StageSetting setting, StageEngine.Computed computed, double highest, TubeFacts facts) {
        ModelTrust.Bands bands = facts.bands(computed);
        return ComputedStatements.of(
                facts.ratings(),
                at(setting.mains(), computed.drive().idle(), bands),
                at(highest, computed.atHighest().idle(), bands));
    }

    private static ComputedStatements.At at(double mains, Cycle idle, ModelTrust.Bands bands) {
        double plate = bands.hold() ? bands.plate() : 0;
        double screen = bands.hold() ? bands.screen() : 0;
        Map<Limit, Estimate> values = new EnumMap<>(Limit.class);
        values.put(Limit.PLATE_WATTS, estimate(idle.hottestPlateWatts(), plate));
        values.put(Limit.SCREEN_WATTS, estimate(idle.hottestScreenWatts(), screen));
        values.put(
                Limit.COMBINED_WATTS,
                estimate(idle.hottestPlateWatts(), plate).plus(estimate(idle.hottestScreenWatts(), screen)));
        values.put(Limit.PLATE_VOLTS, estimate(idle.plateToCathodeVolts(), ModelTrust.VOLTS_BAND));
        values.put(Limit.SCREEN_VOLTS, estimate(idle.screenToCathodeVolts(), ModelTrust.VOLTS_BAND));
        values.put(
                Limit.CATHODE_AMPERES,
                estimate(
                        idle.tubes().stream()
                                .mapToDouble(t -> t.plateAmperes() + t.screenAmperes())
                                .max()
                                .orElse(0),
                        plate));
        return new ComputedStatements.At(mains, values, bands.hold());
    }

    private static Estimate estimate(double value, double band) {
        return new Estimate(value, ErrorBudget.exact().and(SOURCE, band));
    }
}
