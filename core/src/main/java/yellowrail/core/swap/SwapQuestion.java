package yellowrail.core.swap;

import java.util.List;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Duty;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Known;
import yellowrail.core.stage.GridSupply;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.swap.Chassis.Rectification;

/** A swap asked about: the stage as it is, what is around its tubes, and what is to go in. */
public record SwapQuestion(Present present, Chassis chassis, SwapCandidate candidate) {
    /** How the candidates would get their bias. */
    public BiasScheme scheme() {
        return switch (candidate.bias()) {
            case AS_NOW -> present.scheme();
            case FIXED -> BiasScheme.FIXED_UNKNOWN;
            case FIXED_TRACKING -> BiasScheme.FIXED_TRACKING;
            case FIXED_CONSTANT -> BiasScheme.FIXED_CONSTANT;
            case CATHODE, CATHODE_EACH -> BiasScheme.CATHODE;
        };
    }

    /** What the stage plays, with these tubes or others. */
    public Duty duty() {
        return present.setting().duty();
    }

    /** How the grid supply that there will be follows the mains. */
    GridSupply gridSupply() {
        return switch (scheme()) {
            case CATHODE, FIXED_TRACKING -> GridSupply.FOLLOWS;
            case FIXED_CONSTANT -> GridSupply.HELD;
            case FIXED_UNKNOWN -> GridSupply.UNKNOWN;
            case MIXED -> present.setting().grid();
        };
    }

    /** What the candidate's figures are judged by. */
    Judge judge() {
        return candidate.judge();
    }

    /** The same with what is to stay free of every rating: what is proposed keeps it. */
    Judge judgeWithMargin() {
        return judge().within(present.margin());
    }

    boolean cathodeBias() {
        return scheme() == BiasScheme.CATHODE;
    }

    /**
     * Whether nothing changes but that fresh tubes of the same type are set to the present idle by a control: what was read of
     * the present ones holds for them. On a cathode resistor fresh tubes find an idle of their own.
     */
    boolean asItIs() {
        StageSetting now = present.setting();
        double then = candidate.idleShare() * candidate.plateWatts().orElse(0);
        return candidate.type().equals(present.type())
                && candidate.tubes() == present.tubes()
                && candidate.connection() == now.described().connection()
                && candidate.bias() == BiasChange.AS_NOW
                && present.scheme().fixed()
                && chassis.part(Rectification.class).ohmsMore() == 0
                && Math.abs(then - now.idleShare() * now.ratedWatts()) < 1e-9 * then;
    }

    /** How the tubes that this leads to were read; empty where they were not. */
    List<Known> read() {
        return asItIs() ? present.read() : List.of();
    }

    /** Whether the tubes that are in stay in, and only what is around them changes: they keep their strength. */
    boolean sameTubes() {
        boolean wired = candidate.connection() != present.setting().described().connection()
                || candidate.bias() != BiasChange.AS_NOW
                || candidate.cathodeOhms().isPresent();
        return wired && candidate.type().equals(present.type()) && candidate.tubes() == present.tubes();
    }
}
