package yellowrail.core.fit;

import java.util.List;
import java.util.Map;
import yellowrail.core.amp.Topology;
import yellowrail.core.fit.Operation.Currents;
import yellowrail.core.table.Row;
import yellowrail.core.table.Table;
import yellowrail.core.tube.Connection;

/** Makers' published typical operations, {@code operations.csv} beside this class. */
public final class Operations {
    private static final List<String> COLUMNS = List.of(
            "type",
            "stage",
            "connection",
            "plate V",
            "screen V",
            "grid V",
            "Rk ohm",
            "screen feed ohm",
            "peak drive V",
            "idle plate mA",
            "idle screen mA",
            "idle cathode mA",
            "gm mA/V",
            "rp ohm",
            "load ohm",
            "power W",
            "THD %",
            "full plate mA",
            "full screen mA",
            "full cathode mA",
            "to be verified",
            "source");

    private static final List<Operation> ALL = Table.beside(Operations.class, "operations.csv", COLUMNS).stream()
            .map(Operations::read)
            .toList();

    private Operations() {}

    public static List<Operation> all() {
        return ALL;
    }

    public static List<Operation> of(String type) {
        return ALL.stream().filter(o -> o.type().equals(type)).toList();
    }

    private static Operation read(Row row) {
        boolean pushPull = row.word("stage", Map.of("pp", true, "se", false));
        double perTube = pushPull ? 2 : 1;
        String connection = row.needed("connection");
        boolean ultralinear = connection.startsWith("UL");
        String cathode = row.text("Rk ohm");
        row.needed("source");
        return new Operation(
                row.needed("type"),
                pushPull ? Topology.PUSH_PULL : Topology.SINGLE_ENDED,
                ultralinear
                        ? Connection.ULTRALINEAR
                        : row.word("connection", Map.of("pentode", Connection.PENTODE, "triode", Connection.TRIODE)),
                ultralinear ? row.parsed("connection", connection.substring(2)) / 100 : Double.NaN,
                row.neededNumber("plate V"),
                row.orNaN("screen V"),
                row.orNaN("grid V"),
                cathode.isEmpty() ? Double.NaN : row.parsed("Rk ohm", cathode.replace("e", "")),
                !cathode.endsWith("e"),
                row.orNaN("screen feed ohm"),
                row.orNaN("peak drive V"),
                currents(row, "idle", perTube),
                row.orNaN("gm mA/V"),
                row.orNaN("rp ohm"),
                row.orNaN("load ohm"),
                row.orNaN("power W"),
                row.orNaN("THD %") / 100,
                currents(row, "full", perTube),
                row.text("to be verified").equals("?"));
    }

    private static Currents currents(Row row, String when, double perTube) {
        return new Currents(
                row.orNaN(when + " plate mA") / 1e3 / perTube,
                row.orNaN(when + " screen mA") / 1e3 / perTube,
                row.orNaN(when + " cathode mA") / 1e3 / perTube);
    }
}
