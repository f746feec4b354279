package yellowrail.core.soak;

/** A current at a time: minutes on one scale, A above zero. */
public record Sample(double minutes, double amperes) {}
