package yellowrail.core.stage;

import java.util.List;

/** How a grid supply, or the part of the bias that comes from one, moves with the mains. */
public enum GridSupply {
    FOLLOWS,
    /** Regulated. */
    HELD,
    /** Either of the two: what they differ in is an open question. Pictures show it held, the hotter at high mains. */
    UNKNOWN;

    /** What this can turn out to be, the one that pictures show first. */
    public List<GridSupply> outcomes() {
        return this == UNKNOWN ? List.of(HELD, FOLLOWS) : List.of(this);
    }
}
