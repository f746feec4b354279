package yellowrail.app.stage;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Known;
import yellowrail.core.stage.StageJudge;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.PublishedLimit;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;
import yellowrail.core.tube.TypeCurves;

/**
 * What the stage needs of a type: its curves, and the publications it is judged by.
 *
 * @param type with a publication that gives a plate rating
 * @param picked the publication that alone counts; empty where every one has to hold
 * @param read how the tubes of this very stage were read, for each thing the bias can turn out to be; empty for a stage that
 *     is computed alone
 */
public record TubeFacts(TubeType type, TypeCurves curves, Optional<Ratings> picked, List<Known> read) {
    /** The same with how the tubes were read. */
    TubeFacts read(List<Known> idle) {
        return new TubeFacts(type, curves, picked, idle);
    }

    public String designation() {
        return type.designation();
    }

    /** The publication every per cent refers to. */
    public Ratings ratings() {
        return picked.or(type::strictest).orElseThrow();
    }

    public Judge judge() {
        return Judge.by(type.editions(picked), type.hasScreen());
    }

    /** @param highest highest mains, share of nominal */
    public StageJudge judge(double highest) {
        return new StageJudge(judge(), curves.trust(), highest);
    }

    /** Plate rating that every per cent refers to, W. */
    public double plateWatts() {
        return ratings().plateWatts().orElseThrow().value();
    }

    /** What the screens may take with signal, averaged over a cycle, W; NaN where it is not known. */
    public double screenWatts() {
        return least(DriveLimit.SCREEN_WATTS);
    }

    public double plateVolts() {
        return least(Limit.PLATE_VOLTS);
    }

    public double cathodeAmperes() {
        return least(Limit.CATHODE_AMPERES);
    }

    /** The least that any publication permits as it stands; NaN where none gives it. */
    private double least(PublishedLimit limit) {
        OptionalDouble least = judge().allowed(limit, At.NOW);
        return least.isPresent() && judge().gives(limit) ? least.getAsDouble() : Double.NaN;
    }

    /** How far computed figures of this stage may be off; infinite where the model was not fitted near its volts. */
    public ModelTrust.Bands bands(StageEngine.Computed computed) {
        return judge(1).bands(computed.drive());
    }
}
