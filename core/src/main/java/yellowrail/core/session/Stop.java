package yellowrail.core.session;

/** The stops of the rail, in bench order. */
public enum Stop {
    BEFORE_POWER("Before power"),
    DRAINED("Drained"),
    TUBES_OUT("Power with tubes out"),
    TUBES_IN("Tubes in"),
    MAINS("Mains and heaters"),
    WARM_UP("Warm-up"),
    MEASURE("Measure and set"),
    SOAK("Soak"),
    PLAY("Play"),
    CLOSE("Drain and close"),
    SIGN_OFF("Sign off");

    private final String words;

    Stop(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** Whether the amp is under power at this stop, so that an emergency stop belongs on it. */
    public boolean powered() {
        return this != BEFORE_POWER && this != DRAINED && this != CLOSE && this != SIGN_OFF;
    }
}
