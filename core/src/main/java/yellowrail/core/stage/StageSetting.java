package yellowrail.core.stage;

import java.util.List;
import yellowrail.core.amp.Duty;

/**
 * A stage with the three things a builder can move: idle, load and mains. Equal settings give equal answers.
 *
 * @param described the stage with its load as marked, at the mains it was described at; its bias is still to be set
 * @param ratedWatts plate rating the idle is a share of, W
 * @param idleShare plate dissipation of the hottest tube at idle and described mains, share of the rating
 * @param loadFactor on the marked load
 * @param mains share of the described mains
 * @param grid how a grid supply follows the mains
 * @param duty what it plays, which its heat with signal is judged by
 */
public record StageSetting(
        Stage described,
        double ratedWatts,
        double idleShare,
        double loadFactor,
        double mains,
        GridSupply grid,
        Duty duty) {
    public StageSetting {
        if (!(ratedWatts > 0)) {
            throw new IllegalArgumentException("a plate rating of " + ratedWatts + " W; above 0");
        }
        if (!(idleShare > 0 && idleShare <= 2)) {
            throw new IllegalArgumentException("an idle of " + 100 * idleShare + " %; above 0, at most 200 %");
        }
        if (!(loadFactor > 0 && loadFactor <= 1000)) {
            throw new IllegalArgumentException("a load factor of " + loadFactor + "; above 0, at most 1000");
        }
        if (!(mains >= 0.5 && mains <= 1.5)) {
            throw new IllegalArgumentException("mains of " + 100 * mains + " %; 50 to 150 %");
        }
    }

    /**
     * The stage to compute: idle set at described mains and marked load, then load and mains moved.
     *
     * @throws NoSolution when no bias gives the idle, or load and mains move it beyond what is computed
     */
    public Stage stage() {
        return moved(set());
    }

    /** The described stage with its idle set, load and mains as described. */
    Stage set() {
        return StageIdle.at(described, idleShare * ratedWatts);
    }

    Stage moved(Stage set) {
        return set.withLoad(set.loadOhms() * loadFactor).atMains(mains, grid == GridSupply.FOLLOWS);
    }

    public StageSetting idle(double share) {
        return new StageSetting(described, ratedWatts, share, loadFactor, mains, grid, duty);
    }

    public StageSetting load(double factor) {
        return new StageSetting(described, ratedWatts, idleShare, factor, mains, grid, duty);
    }

    public StageSetting mains(double share) {
        return new StageSetting(described, ratedWatts, idleShare, loadFactor, share, grid, duty);
    }

    public StageSetting with(GridSupply other) {
        return new StageSetting(described, ratedWatts, idleShare, loadFactor, mains, other, duty);
    }

    public StageSetting playing(Duty other) {
        return new StageSetting(described, ratedWatts, idleShare, loadFactor, mains, grid, other);
    }

    /** What its bias can turn out to be, the one that pictures show first; what it plays moves nothing in the stage. */
    public List<StageSetting> outcomes() {
        return grid.outcomes().stream().map(this::with).toList();
    }

    public StageSetting of(Stage other) {
        return new StageSetting(other, ratedWatts, idleShare, loadFactor, mains, grid, duty);
    }
}
