package yellowrail.core.session.stops;

import java.util.List;
import yellowrail.core.session.Rail;
import yellowrail.core.session.Stop;

/** The rail. A new stop is a file of its own and its place in this list. */
public final class Stops {
    public static final Stop BEFORE_POWER = new BeforePower();
    public static final Stop DRAINED = new Drained();
    public static final Stop TUBES_OUT = new TubesOut();
    public static final Stop TUBES_IN = new TubesIn();
    public static final Stop MAINS = new MainsAndHeaters();
    public static final Stop WARM_UP = new WarmUp();
    public static final Stop MEASURE = new MeasureAndSet();
    public static final Stop SOAK = new SoakStop();
    public static final Stop PLAY = new Play();
    public static final Stop CLOSE = new DrainAndClose();
    public static final Stop SIGN_OFF = new SignOff();

    public static final Rail RAIL = new Rail(
            List.of(BEFORE_POWER, DRAINED, TUBES_OUT, TUBES_IN, MAINS, WARM_UP, MEASURE, SOAK, PLAY, CLOSE, SIGN_OFF));

    private Stops() {}
}
