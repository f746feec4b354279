package yellowrail.core.stage;

import java.util.List;
import java.util.Optional;
import yellowrail.core.judging.Judge;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.Publications;
import yellowrail.core.tube.RatingSystem;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;

/** Judges for the tests of stages. */
final class JudgedBy {
    private JudgedBy() {}

    /** Every publication of a type. */
    static StageJudge type(String designation, double highest) {
        TubeType type = Catalogue.shippedType(designation).orElseThrow();
        return new StageJudge(
                Judge.by(type.editions(Optional.empty()), type.hasScreen()),
                ModelTrust.of(designation).orElseThrow(),
                highest);
    }

    /** A design-maximum publication of plate and screen watts alone, by a model whose error is taken as this. */
    static StageJudge watts(double plate, double screen, double band, double highest) {
        Ratings ratings = Publications.with(
                Publications.of(RatingSystem.DESIGN_MAXIMUM, "for the test", plate), Limit.SCREEN_WATTS, screen);
        return new StageJudge(
                Judge.by(List.of(ratings), true),
                new ModelTrust(9, 1, 5000, 1, 5000, band / 2, band / 2, 0.05, band / 2, band / 2, 0.3),
                highest);
    }
}
