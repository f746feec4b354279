package yellowrail.core.amp.sensing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Every way of taking current. A new one is a file of its own and a line here. */
public final class Ways {
    /** In the order they are offered. */
    public static final List<Way<?>> ALL = List.of(
            OwnResistor.WAY,
            SocketAdaptor.WAY,
            SharedResistor.WAY,
            CombinedPoint.WAY,
            CathodeResistor.WAY,
            HalfPrimary.WAY,
            CathodeMilliamps.WAY,
            PlateMilliamps.WAY,
            PanelMeter.WAY,
            SupplyResistor.WAY,
            GridVoltsOnly.WAY);

    /** The way a blank stands for. */
    public static final Way<?> USUAL = OwnResistor.WAY;

    /** Words that addresses and JSON of earlier versions hold. */
    private static final Map<String, String> FORMER = Map.of("maplate", PlateMilliamps.WAY.id());

    private Ways() {}

    public static Optional<Way<?>> of(String id) {
        String word = FORMER.getOrDefault(id, id);
        return ALL.stream().filter(w -> w.id().equals(word)).findFirst();
    }

    public static List<String> ids() {
        return ALL.stream().map(Way::id).toList();
    }

    /** Those by which the rounds of an amp can be read. */
    public static List<Way<?>> kept() {
        return ALL.stream().filter(Way::kept).toList();
    }

    /** Every parameter, each name once, in the order they are asked. */
    public static List<Parameter> parameters() {
        Map<String, Parameter> byName = new LinkedHashMap<>();
        ALL.forEach(w -> w.parameters().forEach(p -> byName.putIfAbsent(p.name(), p)));
        return new ArrayList<>(byName.values());
    }

    /** Ways that ask for this parameter. */
    public static List<Way<?>> asking(String parameter) {
        return ALL.stream().filter(w -> w.asks(parameter)).toList();
    }
}
