package yellowrail.app.forms;

import java.util.LinkedHashMap;
import java.util.Map;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Topology;
import yellowrail.core.idle.PlateVolts.Reference;
import yellowrail.core.reading.Meter;
import yellowrail.core.session.Access;
import yellowrail.core.tube.Connection;

/** The words that stand in forms, addresses and JSON for the core's alternatives. */
public final class Words {
    public static final Map<String, Topology> TOPOLOGY = ordered("pp", Topology.PUSH_PULL, "se", Topology.SINGLE_ENDED);
    public static final Map<String, Connection> CONNECTION =
            ordered("pentode", Connection.PENTODE, "ul", Connection.ULTRALINEAR, "triode", Connection.TRIODE);
    public static final Map<String, BiasScheme> BIAS = ordered(
            "unknown", BiasScheme.FIXED_UNKNOWN,
            "tracking", BiasScheme.FIXED_TRACKING,
            "constant", BiasScheme.FIXED_CONSTANT,
            "cathode", BiasScheme.CATHODE,
            "mixed", BiasScheme.MIXED);
    public static final Map<String, Reference> REFERENCE = ordered(
            "chassis", Reference.CHASSIS,
            "cathode", Reference.CATHODE,
            "node", Reference.SUPPLY_NODE,
            "out", Reference.TUBES_OUT);
    public static final Map<String, Meter> METER =
            ordered("basic", Meter.BASIC, "handheld", Meter.HANDHELD, "fine", Meter.FINE, "bench", Meter.BENCH);

    public static final Map<String, Access> ACCESS =
            ordered("points", Access.TEST_POINTS, "adaptors", Access.ADAPTORS, "open", Access.OPEN);

    public static final Map<String, Boolean> YES_NO = ordered("yes", true, "no", false);

    private Words() {}

    @SuppressWarnings("unchecked")
    private static <T> Map<String, T> ordered(Object... pairs) {
        Map<String, T> map = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            map.put((String) pairs[i], (T) pairs[i + 1]);
        }
        return map;
    }
}
