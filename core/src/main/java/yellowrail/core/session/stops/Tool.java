package yellowrail.core.session.stops;

/** What a stop offers beside its readings. */
public enum Tool {
    /** Declaring power on with the output tubes out. */
    POWER_TUBES_OUT,
    /** Declaring power on with the tubes in. */
    POWER_TUBES_IN,
    /** Saying that a limiter is in series, or out. */
    LIMITER,
    /** Which turn of a control is hotter. */
    TURN_DIRECTIONS,
    /** Moving the one adaptor to the next position. */
    ADAPTOR,
    /** Moving tubes and changing parts. */
    TUBES_AND_PARTS,
    /** The tubes as they stand now. */
    TUBES_NOW,
    /** The same before the fields. */
    TUBES_NOW_FIRST,
    /** What the readings mean before the fields. */
    FINDINGS_FIRST,
    /** Target and next turn. */
    TURN,
    /** Currents over time. */
    DRIFT_CHART,
    /** When the soak is whole, from its first reading on. */
    SOAK_END,
    /** Notes and listening. */
    LISTENING,
    /** The same, unfolded. */
    LISTENING_FIRST,
    /** Reading the sheet, tiers and signing. */
    SIGNING
}
