package yellowrail.core.session;

/** Something to be confirmed by the builder's own eyes and hands. */
public enum Check {
    LOAD(Stop.BEFORE_POWER, "A load is connected to the right tap and stays on: an open output can flash over."),
    CONTROLS_DOWN(Stop.BEFORE_POWER, "Volume, tone, reverb and tremolo are down and no signal is fed in."),
    QUIRKS(Stop.BEFORE_POWER, "This amp's own quirks are read."),
    ONE_HAND(Stop.BEFORE_POWER, "Only one hand works inside; the return lead is clipped on first."),
    JEWELLERY(Stop.BEFORE_POWER, "Watch, rings and chains are off."),
    TUBES_COOL(Stop.BEFORE_POWER, "The tubes are cool enough to hold."),
    METER_PROVEN(
            Stop.DRAINED,
            "The meter showed a known source before and after the dead reading, and its leads are rated above the unloaded B+."),
    STANDBY_PLAY(
            Stop.DRAINED,
            "The standby switch stood at play while draining, or there is none: at standby it can cut off part of the"
                    + " filter."),
    CHASSIS_CLOSED(
            Stop.DRAINED,
            "The chassis stays closed: tubes are reached from outside, and no node is. Socket contacts count as live."),
    COLDEST(
            Stop.TUBES_OUT,
            "Every bias control stands at its coldest end, seen on the meter as the most negative grid."),
    FAIL_COLD(
            Stop.TUBES_OUT, "If a wiper opens, the grid goes to its most negative: looked at, or not known and noted."),
    KEYS(Stop.TUBES_IN, "Each tube's key and seat are right; none was forced."),
    GLOWS(Stop.TUBES_IN, "Its heater glows."),
    GLOW_IDLE(Stop.PLAY, "At idle, in the dark, no plate glows."),
    GLOW_LOUD(Stop.PLAY, "Played loud, no plate glows."),
    RESTORED(Stop.CLOSE, "What was removed is back: straps, shields, grounding screws, screws of the right length."),
    LIMITER_OUT(Stop.CLOSE, "The limiter is out of the mains lead, and the fuse is the marked one."),
    CLAMPS(Stop.CLOSE, "Tube clamps and cover are on.");

    private final Stop stop;
    private final String words;

    Check(Stop stop, String words) {
        this.stop = stop;
        this.words = words;
    }

    public Stop stop() {
        return stop;
    }

    public String words() {
        return words;
    }
}
