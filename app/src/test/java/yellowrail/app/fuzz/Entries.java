package yellowrail.app.fuzz;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Power;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.events.Noted;
import yellowrail.core.session.stops.Stops;

/** Sessions and what is entered in them, as somebody could send it. */
final class Entries extends Generated {
    Entries(Random random, Nasty nasty) {
        super(random, nasty);
    }

    String session(UUID id, String amp) {
        calm = 60;
        Map<String, Object> session = new LinkedHashMap<>();
        session.put("id", id.toString());
        session.put("amp", amp);
        session.put("purpose", name(Purpose.class));
        session.put("meter", one(List.of("handheld", "basic", "fine handheld", "bench")));
        session.put("ref", one(List.of("chassis", "cathode", "node", "")));
        session.put("hands", perhaps(10, "V"));
        session.put("soak", perhaps(30, ""));
        session.put("heaterAmber", perhaps(5, "%"));
        session.put("heaterRed", perhaps(10, "%"));
        return json(session);
    }

    /** An entry: most often a reading or what makes readings possible. */
    String entry(List<String> points, List<String> entries) {
        Map<String, Object> fields = new LinkedHashMap<>();
        String kind = one(List.of(
                "read",
                "read",
                "read",
                "read",
                "read",
                "read",
                "declare",
                "declare",
                "tick",
                "tick",
                "tick",
                "skip",
                "skip",
                "enter",
                "enter",
                "note",
                "turn",
                "place",
                "exchange",
                "change",
                "limiter",
                "void",
                "move",
                "label",
                "hear",
                "choose",
                "aim",
                "drawer",
                "tier",
                "stop",
                "resume",
                "cause",
                "direction",
                "bias",
                "close",
                "sign"));
        switch (kind) {
            case "read" -> {
                Quantity quantity = one(Arrays.asList(Quantity.values()));
                fields.put("quantity", quantity.name());
                fields.put("point", nasty.sometimes(25) ? nasty.text() : one(points));
                fields.put("text", reading(quantity));
                fields.put("confirmed", "yes");
                if (nasty.sometimes(10) && !entries.isEmpty()) {
                    fields.put("supersedes", one(entries));
                    fields.put("reason", words());
                }
            }
            case "declare" -> fields.put("power", name(Power.class));
            case "enter" -> fields.put("stop", name(Stops.RAIL.stops()));
            case "skip" -> {
                fields.put("stop", name(Stops.RAIL.stops()));
                fields.put("reason", words());
            }
            case "tick" -> {
                fields.put("check", name(Stops.RAIL.checks()));
                fields.put("point", nasty.sometimes(3) ? one(points) : "");
                fields.put("done", nasty.sometimes(8) ? "no" : "yes");
            }
            case "note" -> {
                fields.put("topic", name(Noted.Topic.class));
                fields.put("text", words());
            }
            case "turn" -> {
                fields.put("control", one(points) + " control");
                fields.put("reason", words());
            }
            case "place" -> {
                fields.put("socket", one(points));
                fields.put("tube", words());
            }
            case "exchange" -> {
                fields.put("a", one(points));
                fields.put("b", one(points));
            }
            case "change" -> {
                fields.put("what", words());
                fields.put("from", words());
                fields.put("to", words());
                fields.put("reason", words());
            }
            case "limiter" -> fields.put("on", one(List.of("yes", "no")));
            case "void", "move" -> {
                fields.put("reading", entries.isEmpty() ? "x" : one(entries));
                fields.put("reason", words());
                if (kind.equals("move")) {
                    fields.put("point", one(points));
                }
            }
            case "label" -> {
                fields.put("label", one(List.of("A", "B", "H", "Z")));
                fields.put("blind", one(List.of("", "yes", "no")));
            }
            case "hear" -> {
                fields.put("label", one(List.of("A", "B")));
                fields.put("text", words());
            }
            case "choose" -> fields.put("label", one(List.of("A", "B")));
            case "aim" -> {
                fields.put("target", one(List.of("middle", "hot", "cool", "computed", "x")));
                fields.put("reason", words());
            }
            case "drawer" -> fields.put("values", perhaps(220, "") + "; " + perhaps(1, "k"));
            case "tier" -> {
                fields.put("tier", one(List.of("minimal", "recommended", "thorough", "x")));
                fields.put("items", words());
                fields.put("chosen", one(List.of("", "yes", "no")));
            }
            case "stop" -> fields.put("what", words());
            case "resume" -> fields.put("found", words());
            case "cause" -> {
                fields.put("finding", one(List.of("LEAK/V1", "CREEP/V1", "STOPPED/amp", "EXCURSION/V2", "x")));
                fields.put("fact", words());
            }
            case "direction" -> {
                fields.put("control", one(points) + " control");
                fields.put("direction", one(List.of("CLOCKWISE", "COUNTER_CLOCKWISE", "UNKNOWN")));
            }
            case "bias" -> fields.put("bias", one(List.of("tracking", "constant")));
            case "close" -> fields.put("reason", nasty.sometimes(4) ? words() : "");
            default -> {
                fields.put("by", words());
                fields.put("remarks", words());
            }
        }
        Map<String, Object> entry = new LinkedHashMap<>();
        entry.put("id", UUID.randomUUID().toString());
        entry.put("kind", kind);
        entry.put("device", nasty.sometimes(30) ? nasty.text() : "desk");
        long now = System.currentTimeMillis();
        entry.put("sentAt", now);
        entry.put("madeAt", now - (nasty.sometimes(6) ? random.nextInt(7_200_000) : 0));
        entry.put("fields", fields);
        return json(entry);
    }
}
