package yellowrail.app.fuzz;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import yellowrail.core.amp.sensing.Parameter;
import yellowrail.core.amp.sensing.Way;
import yellowrail.core.amp.sensing.Ways;
import yellowrail.core.round.Quantity;

/** Amps, types, rounds, results and settings as somebody could send them. */
final class Things extends Generated {
    private static final List<String> TYPES =
            List.of("EL34", "EL84", "6L6GC", "6V6GT", "KT88", "6550", "KT120", "EL34");
    private static final List<Way<?>> WAYS = Ways.kept();
    private static final List<String> GROUPINGS = List.of("", "tube", "side", "channel", "all");
    private static final List<String> CONTROLS = List.of(
            "",
            "none",
            "level",
            "balance",
            "level_and_balance",
            "per_side",
            "per_tube",
            "cathode_own",
            "cathode_shared");
    private static final List<String> BIASES = List.of("", "unknown", "tracking", "constant", "cathode", "mixed");

    private static final List<Quantity> OF_ROUNDS = List.of(
            Quantity.CURRENT, Quantity.CURRENT, Quantity.PLATE, Quantity.PLATE, Quantity.SCREEN, Quantity.CATHODE);

    Things(Random random, Nasty nasty) {
        super(random, nasty);
    }

    private List<String> times(int count, java.util.function.IntFunction<String> of) {
        List<String> list = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            list.add(of.apply(i));
        }
        return list;
    }

    String amp(UUID id, int seen) {
        calm = nasty.sometimes(3) ? 20 : 300;
        boolean cathode = nasty.sometimes(4);
        int sockets = one(List.of(1, 2, 2, 2, 4, 8));
        Map<String, Object> amp = new LinkedHashMap<>();
        amp.put("name", nasty.sometimes(8) ? nasty.text() : "Amp " + random.nextInt(1000));
        amp.put("topology", sockets % 2 == 1 ? "se" : "pp");
        String connection = one(List.of("", "pentode", "ul", "triode"));
        amp.put("connection", connection);
        amp.put("tap", connection.equals("ul") ? perhaps(40, "%") : "");

        amp.put("bias", nasty.sometimes(8) ? one(BIASES) : cathode ? "cathode" : "tracking");
        amp.put("controls", nasty.sometimes(8) ? one(CONTROLS) : cathode ? "cathode_own" : "per_tube");
        amp.put("socketName", times(sockets, i -> nasty.sometimes(5 * calm) ? nasty.text() : "V" + (i + 1)));
        amp.put("socketChannel", times(sockets, i -> nasty.sometimes(calm) ? "2" : "1"));
        amp.put("socketSide", times(sockets, i -> i % 2 == 0 ? "A" : "B"));
        String type = one(TYPES);
        amp.put("socketType", times(sockets, i -> nasty.sometimes(calm) ? one(TYPES) : type));
        Way<?> way = nasty.sometimes(3)
                ? one(WAYS)
                : Ways.of(cathode ? "cathode" : "own").orElseThrow();
        amp.put("method", way.id());
        amp.put("grouping", nasty.sometimes(3) ? one(GROUPINGS) : "");
        for (Parameter parameter : way.parameters()) {
            if (parameter.kind() == Parameter.Kind.QUANTITY) {
                double middle = way.id().equals("cathode") && parameter.name().equals("r")
                        ? 300
                        : Math.sqrt(parameter.field().orElseThrow().low()
                                * parameter.field().orElseThrow().high());
                amp.put(
                        parameter.name(),
                        figure(middle, parameter.field().orElseThrow().unit().symbol()));
            }
        }
        amp.put("nominal", nasty.sometimes(3) ? "120" : "230");
        amp.put("lowest", nasty.sometimes(5) ? figure(210, "V") : "");
        amp.put("highest", nasty.sometimes(5) ? figure(250, "V") : "");
        int nodes = random.nextInt(4);
        amp.put("nodeLabel", times(nodes, i -> nasty.sometimes(calm) ? nasty.text() : "node " + i));
        amp.put("nodeStands", times(nodes, i -> one(List.of("", "above", "below"))));
        amp.put("nodeFarads", times(nodes, i -> perhaps(100, "µF")));
        amp.put("nodeVolts", times(nodes, i -> perhaps(500, "V")));
        amp.put("screenOhms", perhaps(470, "Ω"));
        amp.put("chokeOhms", perhaps(100, "Ω"));
        amp.put("zaa", perhaps(4000, "Ω"));
        amp.put("heaterVolts", perhaps(6.3, "V"));
        amp.put("heaterAmperes", perhaps(6, "A"));
        amp.put("supplyAmperes", perhaps(0.25, "A"));
        amp.put("quirks", words());
        amp.put("maker", perhaps(40, "mA"));
        amp.put("target", one(List.of("", "middle", "cathode-bias usual", "middle")));
        amp.put("judgeBy", one(List.of("", "DESIGN_CENTRE", "DESIGN_MAXIMUM", "ABSOLUTE")));
        amp.put("ceiling", perhaps(80, "%"));
        return json(Map.of(
                "id",
                id.toString(),
                "versionId",
                UUID.randomUUID().toString(),
                "seenVersion",
                seen,
                "description",
                amp));
    }

    String round(List<String> points) {
        calm = nasty.sometimes(2) ? 20 : 200;
        Map<String, String> values = new LinkedHashMap<>();
        int count = 1 + random.nextInt(12);
        for (int i = 0; i < count; i++) {
            Quantity quantity = nasty.sometimes(30) ? one(Arrays.asList(Quantity.values())) : one(OF_ROUNDS);
            String point = nasty.sometimes(60) ? nasty.text() : one(points);
            values.put(quantity + "." + (quantity == Quantity.CHOKE ? "" : point), reading(quantity));
        }
        values.put("MAINS.", figure(230, "V"));
        Map<String, Object> round = new LinkedHashMap<>();
        round.put("id", UUID.randomUUID().toString());
        round.put("meter", one(List.of("basic", "handheld", "fine", "bench", "")));
        round.put("ref", one(List.of("", "chassis", "cathode", "node", "out")));
        round.put("limiter", one(List.of("", "yes", "no")));
        round.put("reduced", one(List.of("", "yes", "no")));
        round.put("pair", one(List.of("", "together", "before")));
        round.put("spread", perhaps(10, "%"));
        round.put("note", words());
        round.put("values", values);
        List<String> confirmed = new ArrayList<>();
        values.forEach((point, text) -> confirmed.add(point + "=" + text));
        round.put("confirmed", confirmed);
        return json(round);
    }

    /** A type as a form sends it. */
    Map<String, String> type() {
        calm = nasty.sometimes(3) ? 20 : 200;
        Map<String, String> type = new LinkedHashMap<>();
        type.put("id", UUID.randomUUID().toString());
        type.put("designation", nasty.sometimes(8) ? nasty.text() : "Z" + random.nextInt(100_000));
        type.put("aliases", nasty.sometimes(12) ? nasty.text() : "");
        type.put("kind", one(List.of("PENTODE", "BEAM_TETRODE", "TRIODE", "UNKNOWN")));
        type.put("source", "own sheet " + (nasty.sometimes(5) ? nasty.text() : ""));
        type.put("system", one(List.of("UNSTATED", "DESIGN_CENTRE", "DESIGN_MAXIMUM", "ABSOLUTE")));
        type.put("plateWatts", figure(25, "W"));
        type.put("screenWatts", figure(4, "W"));
        type.put("combinedWatts", figure(30, "W"));
        type.put("plateVolts", figure(500, "V"));
        type.put("screenVolts", figure(400, "V"));
        type.put("cathodeAmperes", figure(150, "mA"));
        type.put("heaterVolts", perhaps(6.3, "V"));
        type.put("heaterAmperes", perhaps(1.5, "A"));
        type.put("share", perhaps(6, "%"));
        type.put("band", perhaps(2, "%"));
        return type;
    }

    Map<String, String> result() {
        Map<String, String> result = new LinkedHashMap<>();
        result.put("id", UUID.randomUUID().toString());
        StringBuilder lines = new StringBuilder();
        for (int i = 1 + random.nextInt(5); i > 0; i--) {
            lines.append(nasty.sometimes(4) ? nasty.text().replace(',', ' ') : "200 mV")
                    .append(",")
                    .append(perhaps(1000, ""))
                    .append(",")
                    .append(figure(12, ""))
                    .append(",")
                    .append(figure(1, ""))
                    .append("\n");
        }
        result.put("points", lines.toString());
        result.put("note", words());
        return result;
    }

    Map<String, String> target() {
        Map<String, String> target = new LinkedHashMap<>();
        target.put("id", UUID.randomUUID().toString());
        target.put("name", nasty.sometimes(2) ? nasty.text() : "target " + random.nextInt(30));
        target.put("lo", figure(50, ""));
        target.put("hi", figure(65, ""));
        target.put("why", words());
        return target;
    }

    Map<String, String> meter() {
        Map<String, String> meter = new LinkedHashMap<>();
        meter.put("id", UUID.randomUUID().toString());
        meter.put("meterName", nasty.sometimes(2) ? nasty.text() : "meter " + random.nextInt(30));
        for (String of : List.of("v", "a", "o")) {
            meter.put(of + "Percent", figure(0.5, ""));
            meter.put(of + "Counts", String.valueOf(random.nextInt(9)));
        }
        return meter;
    }
}
