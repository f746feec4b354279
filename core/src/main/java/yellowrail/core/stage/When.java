package yellowrail.core.stage;

/** When in a computed stage a figure holds. */
public enum When {
    /** Without signal: direct-current limits, and what a load does not move. */
    IDLE,
    /** The highest average over the drive from idle to full, and peaks. */
    DRIVE
}
