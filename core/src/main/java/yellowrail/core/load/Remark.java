package yellowrail.core.load;

/**
 * Something to know of a transformer, its speakers or its load.
 *
 * @param about the field or leads it belongs to; empty for the whole
 * @param sentence what was found, with its numbers, and what to do
 */
public record Remark(Code code, String about, String sentence) {
    /** What it is, gravest first. */
    public enum Code {
        /** Not to be done: a drive that would be dangerous, an open or shorted load. */
        UNSAFE_DRIVE(Weight.STOP),
        OPEN_LOAD(Weight.STOP),
        SHORTED_LOAD(Weight.STOP),
        /** Readings that cannot all be so; none of what follows from them is told. */
        SIDES_DISAGREE(Weight.CONTRADICTION),
        UNLIKE_HALVES(Weight.CONTRADICTION),
        TAPS_NOT_AS_MARKED(Weight.CAUTION),
        NOT_AS_MARKED(Weight.CAUTION),
        /** Twice the wanted load or more, half or less. */
        TWOFOLD_LOAD(Weight.CAUTION),
        /** A speaker's marking and its curve disagree. */
        SPEAKER_NOT_AS_MARKED(Weight.CAUTION),
        /** Its ohms are those of other tubes than the ones fitted. */
        OTHER_TUBES(Weight.CAUTION),
        /** Copper, direct current or low notes that do not go with this stage. */
        BAD_WINDING(Weight.CONTRADICTION),
        UNUSUAL_COPPER(Weight.CAUTION),
        /** What is unusual and was confirmed as right. */
        UNUSUAL_CONFIRMED(Weight.CAUTION),
        CORE_CURRENT(Weight.CAUTION),
        LOW_NOTES(Weight.NOTE),
        COARSE_READING(Weight.NOTE),
        ONE_SIDE_ONLY(Weight.NOTE),
        METER_NOT_KNOWN(Weight.NOTE);

        private final Weight weight;

        Code(Weight weight) {
            this.weight = weight;
        }

        public Weight weight() {
            return weight;
        }
    }

    /** How much a remark weighs. */
    public enum Weight {
        STOP,
        CONTRADICTION,
        CAUTION,
        NOTE
    }
}
