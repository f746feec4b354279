package yellowrail.app.store;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;
import yellowrail.core.load.FirstCurveText;
import yellowrail.core.load.ImpedanceCurve;
import yellowrail.core.tube.TubeKind;

/**
 * How a document of an earlier version becomes one of the next. Documents of the first version were written by several
 * versions of the application and do not say by which: what a later one already wrote is left as it is.
 */
final class Upgrades {
    private Upgrades() {}

    /** Since the second version a document says its version; nothing else changed. */
    static ObjectNode same(ObjectNode first) {
        return first;
    }

    /** A tube that was put in was of the type that was there. */
    static ObjectNode typeOfPlaced(ObjectNode event) {
        if (event.path("event").asString("").equals("Placed")) {
            unlessThere(event, "type", JsonNodeFactory.instance.stringNode(""));
        }
        return event;
    }

    /** A speaker was its text alone, read again by whatever rules there were. */
    static ObjectNode pointsOfSpeaker(ObjectNode speaker) {
        String text = speaker.path("curve").asString("");
        ArrayNode points = speaker.putArray("points");
        for (ImpedanceCurve.Point p : FirstCurveText.points(text)) {
            ObjectNode point = points.addObject().put("hertz", p.hertz()).put("ohms", p.ohms());
            if (Double.isNaN(p.degrees())) {
                point.putNull("degrees");
            } else {
                point.put("degrees", p.degrees());
            }
        }
        return speaker.put("columns", "as the first version read it");
    }

    private static void unlessThere(ObjectNode document, String property, JsonNode value) {
        if (document.path(property).isMissingNode() || document.path(property).isNull()) {
            document.set(property, value);
        }
    }

    private static void noneUnlessThere(ObjectNode document, String... properties) {
        for (String property : properties) {
            unlessThere(document, property, JsonNodeFactory.instance.arrayNode());
        }
    }

    /** Amps picked no rating system, and their capacitors stood alone. */
    static ObjectNode seriesAndSystem(ObjectNode amp) {
        unlessThere(amp, "judgeBy", JsonNodeFactory.instance.stringNode(""));
        amp.path("nodes").forEach(n -> unlessThere((ObjectNode) n, "series", JsonNodeFactory.instance.numberNode(1)));
        return amp;
    }

    /** Types were told to be pentodes or beam tetrodes by words alone, and could not declare a limit as not published. */
    static ObjectNode kindOfTube(ObjectNode type) {
        unlessThere(
                type,
                "kind",
                JsonNodeFactory.instance.stringNode(
                        TubeKind.of(type.path("construction").asString()).name()));
        type.path("ratings").forEach(r -> noneUnlessThere((ObjectNode) r, "nonePublished"));
        return type;
    }

    /** A base had no cap on top, and a type no transconductance. */
    static ObjectNode capAndTransconductance(ObjectNode type) {
        if (type.path("pinout").isObject()) {
            ((ObjectNode) type.get("pinout")).putNull("cap");
        }
        return type.putNull("transconductance");
    }

    /** A publication gave nothing for operation with signal. */
    static ObjectNode withSignal(ObjectNode type) {
        type.path("ratings")
                .forEach(r -> ((ObjectNode) r)
                        .putObject("withSignal")
                        .putNull("peakPlateVolts")
                        .putNull("screenWatts"));
        return type;
    }

    /** The limits of a publication by the properties they had, and by the names those known not to be given had. */
    private static final Map<String, String> LIMITS = Map.of(
            "PLATE_WATTS", "plateWatts",
            "SCREEN_WATTS", "screenWatts",
            "COMBINED_WATTS", "combinedWatts",
            "PLATE_VOLTS", "plateVolts",
            "SCREEN_VOLTS", "screenVolts",
            "CATHODE_AMPERES", "cathodeAmperes");

    /** Each limit of a publication had a property of its own. */
    static ObjectNode limitsByKey(ObjectNode type) {
        for (JsonNode r : type.path("ratings")) {
            ObjectNode rating = (ObjectNode) r;
            ObjectNode withSignal = (ObjectNode) rating.remove("withSignal");
            ObjectNode figures = JsonNodeFactory.instance.objectNode();
            List<String> own = Stream.concat(
                            LIMITS.values().stream(), Stream.of("gridOhmsFixedBias", "gridOhmsCathodeBias"))
                    .toList();
            own.forEach(key -> given(figures, key, rating.remove(key)));
            given(figures, "peakPlateVolts", withSignal.get("peakPlateVolts"));
            given(figures, "signalScreenWatts", withSignal.get("screenWatts"));
            ArrayNode none = JsonNodeFactory.instance.arrayNode();
            rating.path("nonePublished").forEach(n -> none.add(LIMITS.get(n.asString())));
            rating.set("figures", figures);
            rating.set("nonePublished", none);
        }
        return type;
    }

    private static void given(ObjectNode figures, String key, JsonNode figure) {
        if (figure != null && !figure.isNull()) {
            figures.set(key, figure);
        }
    }

    /** A yes or no was stored as true or false, where false stood for every word but “yes”: it tells nothing. */
    static ObjectNode answers(ObjectNode state) {
        for (String question : List.of("limiter", "reduced", "apart")) {
            JsonNode answer = state.path(question);
            if (answer.isBoolean() || answer.isNull() || answer.isMissingNode()) {
                state.put(question, answer.asBoolean(false) ? "YES" : "NOT_ASKED");
            }
        }
        return state;
    }

    /** The hashes stood alone. */
    static ObjectNode hashes(ObjectNode alone) {
        ObjectNode named = JsonNodeFactory.instance.objectNode();
        named.set("byDesignation", alone);
        return named;
    }

    /** Milliamperes of cathode and plate were one way of taking current, told apart by a word. */
    static ObjectNode milliampsOfAmp(ObjectNode amp) {
        for (JsonNode group : amp.path("groups")) {
            ObjectNode method = (ObjectNode) group.get("method");
            if (method.path("method").asString().equals("ma")) {
                boolean plate = method.path("where").asString().equals("PLATE");
                method.put("method", plate ? "plate-ma" : "ma").remove("where");
                if (!plate) {
                    method.remove(List.of("across", "acknowledged"));
                }
            }
        }
        return amp;
    }

    /** An amp was one list of figures; it is parts now. */
    static ObjectNode partsOfAmp(ObjectNode amp) {
        JsonNodeFactory make = JsonNodeFactory.instance;
        ObjectNode stage = moved(amp, make.objectNode(), "topology", "connection", "tap", "sockets", "screenOhms");
        ObjectNode bias = make.objectNode();
        bias.set("scheme", amp.remove("bias"));
        bias.set("controls", amp.remove("controls"));
        ObjectNode transformers = (ObjectNode) amp.remove("transformers");
        ObjectNode output = moved(transformers, make.objectNode(), "plateToPlateOhms");
        ObjectNode windings = make.objectNode();
        windings.putObject("heater")
                .<ObjectNode>set("volts", transformers.get("heaterVolts"))
                .set("amperes", transformers.get("heaterAmperes"));
        windings.putObject("highTension").set("amperes", transformers.get("supplyAmperes"));
        windings.putObject("bias").putNull("volts");
        ObjectNode supply = moved(amp, make.objectNode(), "mains", "nodes", "chokeOhms");
        supply.set("windings", windings);
        ObjectNode judging = moved(amp, make.objectNode(), "target", "ceiling", "makersFigure");
        judging.set("system", amp.remove("judgeBy"));
        amp.set("stage", stage);
        amp.set("bias", bias);
        amp.set("supply", supply);
        amp.set("output", output);
        amp.set("judging", judging);
        return amp;
    }

    /** That a node is a bias supply's, below the chassis, was told by its name. */
    static ObjectNode belowByName(ObjectNode amp) {
        amp.path("supply")
                .path("nodes")
                .forEach(n -> ((ObjectNode) n)
                        .put(
                                "below",
                                n.path("name")
                                        .asString()
                                        .toLowerCase(Locale.ROOT)
                                        .contains("bias")));
        return amp;
    }

    static ObjectNode belowByNameOfPlan(ObjectNode plan) {
        belowByName((ObjectNode) plan.get("amp"));
        return plan;
    }

    /** What is played was not asked. */
    static ObjectNode dutyOfAmp(ObjectNode amp) {
        ((ObjectNode) amp.get("judging")).put("duty", "NOT_SAID");
        return amp;
    }

    static ObjectNode dutyOfPlan(ObjectNode plan) {
        dutyOfAmp((ObjectNode) plan.get("amp"));
        return plan;
    }

    private static ObjectNode moved(ObjectNode from, ObjectNode to, String... properties) {
        for (String property : properties) {
            to.set(property, from.remove(property));
        }
        return to;
    }

    static ObjectNode milliampsOfPlan(ObjectNode plan) {
        milliampsOfAmp((ObjectNode) plan.get("amp"));
        return plan;
    }

    /** Every session opened the chassis, read all at once, wanted a soak and remembered nothing but tubes and findings. */
    static ObjectNode workedWhole(ObjectNode plan) {
        ObjectNode setup = plan.putObject("setup");
        setup.put("access", "OPEN").put("byTurns", false).put("soaks", true).putArray("changing");
        ObjectNode memory = setup.putObject("memory");
        memory.putObject("turns");
        memory.putObject("ranges");
        memory.putArray("used");
        memory.putNull("drainMinutes");
        memory.putObject("currents");
        return plan;
    }

    /** The amp became parts; and a remembered current did not say by which meter it was read: another one, as exact as the least exact shipped. */
    static ObjectNode partsAndExactness(ObjectNode plan) {
        for (JsonNode current : plan.path("setup").path("memory").path("currents")) {
            ((ObjectNode) current)
                    .putObject("exactness")
                    .put("meter", "")
                    .put("limit", 0.02)
                    .put("rounding", 0.005);
        }
        partsOfAmp((ObjectNode) plan.get("amp"));
        return plan;
    }

    /** How exact the shipped classes of meters were on AC volts when that was first stored: per cent and counts. */
    private static final Map<String, List<Double>> ALTERNATING = Map.of(
            "basic handheld", List.of(1.5, 5.0),
            "handheld", List.of(1.0, 3.0),
            "fine handheld", List.of(0.7, 4.0),
            "bench", List.of(0.2, 20.0));

    /** Nobody was asked how exact a meter is on AC volts: the shipped classes know, of one's own it is not known. */
    static ObjectNode alternating(ObjectNode meter) {
        List<Double> known = ALTERNATING.get(meter.path("name").asString());
        if (known == null) {
            return meter.putNull("acVolts");
        }
        meter.putObject("acVolts").put("percentOfReading", known.get(0)).put("counts", known.get(1));
        return meter;
    }

    /** A document that names its meter. */
    static ObjectNode alternatingWithin(ObjectNode document) {
        alternating((ObjectNode) document.get("meter"));
        return document;
    }

    /** Sessions took over neither tubes nor findings from the one before. */
    static ObjectNode carriedOver(ObjectNode plan) {
        seriesAndSystem((ObjectNode) plan.get("amp"));
        unlessThere(plan, "tubes", JsonNodeFactory.instance.objectNode());
        noneUnlessThere(plan, "carried");
        return plan;
    }

    /**
     * Sheets named no edition of the rules and kept no findings; what keeps a session from being proven was a list of
     * sentences; a figure at other mains was one number, or an estimate whose errors went beside it, and is a band now.
     */
    static ObjectNode findingsOfSheet(ObjectNode sheet) {
        unlessThere(sheet, "edition", JsonNodeFactory.instance.stringNode(""));
        noneUnlessThere(sheet, "findings", "again");
        ObjectNode outcome = (ObjectNode) sheet.get("outcome");
        noneUnlessThere(outcome, "findings");
        outcome.path("tubes").forEach(t -> noneUnlessThere((ObjectNode) t, "statements"));
        ObjectNode proof = (ObjectNode) outcome.get("proof");
        noneUnlessThere(proof, "wants", "again");
        unlessThere(proof, "begunAt", JsonNodeFactory.instance.nullNode());
        unlessThere(proof, "wholeAt", JsonNodeFactory.instance.nullNode());
        for (JsonNode fan : outcome.path("fans")) {
            for (String mains : List.of("lowest", "nominal", "highest", "highestShare")) {
                band((ObjectNode) fan, mains);
            }
        }
        return sheet;
    }

    private static void band(ObjectNode fan, String mains) {
        JsonNode stored = fan.path(mains);
        if (stored.isNumber() || stored.has("value")) {
            double value = (stored.isNumber() ? stored : stored.get("value")).asDouble();
            fan.putObject(mains).put("low", value).put("mid", value).put("high", value);
        }
    }
}
