package yellowrail.core.amp;

/** Which controls an amp has to set its idle with. */
public enum ControlLayout {
    NONE("no control"),
    LEVEL("one level control"),
    BALANCE("a balance control"),
    LEVEL_AND_BALANCE("level and balance controls"),
    PER_SIDE("a control for each side"),
    PER_TUBE("a control for each tube"),
    CATHODE_OWN("a cathode resistor for each tube"),
    CATHODE_SHARED("a shared cathode resistor");

    private final String words;

    ControlLayout(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
