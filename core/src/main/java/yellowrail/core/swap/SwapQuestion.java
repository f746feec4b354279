package yellowrail.core.swap;

/** A swap asked about: the stage as it is, what is around its tubes, and what is to go in. */
public record SwapQuestion(Present present, Chassis chassis, SwapCandidate candidate) {}
