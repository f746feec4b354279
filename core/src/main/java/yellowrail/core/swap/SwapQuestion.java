package yellowrail.core.swap;

import yellowrail.core.amp.BiasScheme;

/** A swap asked about: the stage as it is, what is around its tubes, and what is to go in. */
public record SwapQuestion(Present present, Chassis chassis, SwapCandidate candidate) {
    /** How the candidates would get their bias. */
    public BiasScheme scheme() {
        return switch (candidate.bias()) {
            case AS_NOW -> present.scheme();
            case FIXED -> present.setting().biasFollows() ? BiasScheme.FIXED_TRACKING : BiasScheme.FIXED_CONSTANT;
            case CATHODE, CATHODE_EACH -> BiasScheme.CATHODE;
        };
    }

    boolean cathodeBias() {
        return scheme() == BiasScheme.CATHODE;
    }

    /** Whether the tubes that are in stay in, and only what is around them changes: they keep their strength. */
    boolean sameTubes() {
        boolean wired = candidate.connection() != present.setting().described().connection()
                || candidate.bias() != BiasChange.AS_NOW
                || candidate.cathodeOhms().isPresent();
        return wired && candidate.type().equals(present.type()) && candidate.tubes() == present.tubes();
    }
}
