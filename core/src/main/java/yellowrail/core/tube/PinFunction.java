package yellowrail.core.tube;

/** What a pin is connected to inside the tube. */
public enum PinFunction {
    HEATER("heater"),
    PLATE("plate"),
    SCREEN("screen"),
    GRID("control grid"),
    CATHODE("cathode"),
    SUPPRESSOR("suppressor"),
    INTERNAL("internal"),
    /** Belongs to another tube in the same envelope. */
    OTHER("other section"),
    /** Metal envelope, base ring or sleeve, which a hand touches. */
    SHELL("metal shell"),
    /** The same where a tube of this type has one: many have none. */
    SLEEVE("metal sleeve, if it has one"),
    NONE("not connected");

    private final String words;

    PinFunction(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
