package yellowrail.core.load;

/** What is played through an amp: the band in which its stage is looked at. Round figures of ours about what strings give. */
public enum Instrument {
    /** The low E of a guitar is 82 Hz; its speakers end about 5 kHz. */
    GUITAR("guitar", 80, 5000),
    /** The low E of a bass is 41 Hz. */
    BASS("bass", 40, 4000),
    FULL_RANGE("full range", 20, 20_000);

    private final String words;
    private final double lowHertz;
    private final double highHertz;

    Instrument(String words, double lowHertz, double highHertz) {
        this.words = words;
        this.lowHertz = lowHertz;
        this.highHertz = highHertz;
    }

    public String words() {
        return words;
    }

    public double lowHertz() {
        return lowHertz;
    }

    public double highHertz() {
        return highHertz;
    }
}
