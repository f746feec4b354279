package yellowrail.core.tube;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yellowrail.core.table.Row;
import yellowrail.core.table.Table;

/** The fitted curves that ship, {@code models.csv} beside this class, by designation. */
final class PublishedModels {
    private static final List<String> COLUMNS = List.of(
            "designation",
            "as",
            "mu",
            "Ex",
            "Kg1",
            "Kg2",
            "Kp",
            "Kvb V",
            "VA V",
            "Ks",
            "Vs V",
            "operations",
            "plate from V",
            "plate to V",
            "screen from V",
            "screen to V",
            "idle plate rms",
            "idle screen rms",
            "power rms",
            "full plate rms",
            "full screen rms",
            "distortion rms",
            "source");

    static final Map<String, TypeCurves> ALL = read();

    private PublishedModels() {}

    private static Map<String, TypeCurves> read() {
        Map<String, TypeCurves> all = new LinkedHashMap<>();
        for (Row row : Table.beside(PublishedModels.class, "models.csv", COLUMNS)) {
            String as = row.text("as");
            TypeCurves curves = as.isEmpty() ? row.made(() -> curves(row)) : all.get(as);
            if (curves == null) {
                throw row.wrong("as: “" + as + "” is no type with curves above");
            }
            row.needed("source");
            all.put(row.needed("designation"), curves);
        }
        return Map.copyOf(all);
    }

    private static TypeCurves curves(Row row) {
        return new TypeCurves(
                new TubeModel(
                        row.neededNumber("mu"),
                        row.neededNumber("Ex"),
                        row.neededNumber("Kg1"),
                        row.neededNumber("Kg2"),
                        row.neededNumber("Kp"),
                        row.neededNumber("Kvb V"),
                        row.neededNumber("VA V"),
                        row.neededNumber("Ks"),
                        row.neededNumber("Vs V")),
                new ModelTrust(
                        (int) row.neededNumber("operations"),
                        row.neededNumber("plate from V"),
                        row.neededNumber("plate to V"),
                        row.neededNumber("screen from V"),
                        row.neededNumber("screen to V"),
                        row.orNaN("idle plate rms"),
                        row.orNaN("idle screen rms"),
                        row.orNaN("power rms"),
                        row.orNaN("full plate rms"),
                        row.orNaN("full screen rms"),
                        row.orNaN("distortion rms")),
                "",
                false);
    }
}
