package yellowrail.planted;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;

/**
 * An evening at the bench as data, a line each: {@code steps :: outcome :: why}, with {@code base NAME: steps} for what
 * several have in common and {@code amp=NAME} for another amp than a pair. Steps are parted by semicolons:
 *
 * <ul>
 *   <li>{@code 9m}, {@code 30s}: time passes; {@code @phone -40m}: what follows was made on the phone so long ago,
 *       {@code @desk} goes back to the desk and the present
 *   <li>{@code off}, {@code on}, {@code out}; {@code enter STOP}; {@code skip STOP}; {@code tick CHECK}
 *   <li>{@code i 31.6 31.3} currents of both tubes, mA; {@code i1 31.6}; {@code v 398} plate volts of both; {@code v1 398};
 *       {@code mains 230}; {@code heater 6.3}; {@code dead 0.5} every node; {@code read QUANTITY POINT text}
 *   <li>{@code watch 5 9m 230 31.6 31.3 398}: so often, after so long, at this mains, a whole pass
 *   <li>{@code turn V1}, {@code swap}, {@code place V1 T7}, {@code part …}, {@code stop …}, {@code resume …}, {@code cause KEY
 *       …}, {@code void …} and {@code fix VALUE …} of the last reading, {@code move V2} of it, {@code limiter yes}
 *   <li>{@code preflight}, {@code drain}, {@code play}, {@code close}: what an honest builder does there
 *   <li>a step with a question mark before it may be refused
 * </ul>
 */
public final class Script {
    private static final String[] BEFORE = {"LOAD", "CONTROLS_DOWN", "ONE_HAND", "JEWELLERY", "TUBES_COOL"};

    /** One line of a file; {@code end} is when it ends, milliseconds since it began. */
    public record Evening(int line, String amp, List<Step> steps, long end, String outcome, String why) {
        @Override
        public String toString() {
            return "line " + line + ", " + outcome + ": " + why;
        }
    }

    private final String seed;
    private final List<Step> steps = new ArrayList<>();
    private long now;
    private String device = "desk";
    private long back;
    private boolean tried;
    private String lastRead = "";
    private Map<String, String> lastFields = Map.of();

    private Script(String seed) {
        this.seed = seed;
    }

    public static List<Evening> of(Path file) {
        Map<String, String> bases = new LinkedHashMap<>();
        List<Evening> evenings = new ArrayList<>();
        int number = 0;
        try {
            for (String line : Files.readAllLines(file)) {
                number++;
                if (line.startsWith("base ")) {
                    String[] parts = line.substring(5).split(":", 2);
                    bases.put(parts[0].strip(), parts[1].strip());
                } else if (!line.isBlank() && !line.startsWith("#")) {
                    evenings.add(evening(number, line.split("::"), bases));
                }
            }
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
        return evenings;
    }

    private static Evening evening(int number, String[] parts, Map<String, String> bases) {
        if (parts.length != 3) {
            throw new IllegalStateException("line " + number + " is no evening");
        }
        Script script = new Script(parts[2]);
        String[] amp = {"pair"};
        script.take(parts[0], bases, amp);
        return new Evening(number, amp[0], script.steps, script.now, parts[1].strip(), parts[2].strip());
    }

    private void take(String text, Map<String, String> bases, String[] amp) {
        for (String part : text.split(";")) {
            String step = part.strip();
            if (step.startsWith("amp=")) {
                amp[0] = step.substring(4);
            } else if (bases.containsKey(step)) {
                take(bases.get(step), bases, amp);
            } else if (!step.isEmpty()) {
                tried = step.startsWith("?");
                step((tried ? step.substring(1) : step).strip());
                tried = false;
            }
        }
    }

    private void step(String step) {
        String[] w = step.split("\\s+");
        if (w[0].matches("\\d+(\\.\\d+)?[ms]")) {
            now += millis(w[0]);
            return;
        }
        if (w[0].startsWith("@")) {
            device = w[0].substring(1);
            back = w.length > 1 ? -millis(w[1].substring(1)) : 0;
            return;
        }
        switch (w[0]) {
            case "off" -> add("declare", "power", "OFF");
            case "on" -> add("declare", "power", "ON_TUBES_IN");
            case "out" -> add("declare", "power", "ON_TUBES_OUT");
            case "enter" -> add("enter", "stop", w[1]);
            case "skip" -> add("skip", "stop", w[1], "reason", "planted");
            case "tick" -> add("tick", "check", w[1], "point", w.length > 2 ? w[2] : "", "done", "yes");
            case "untick" -> add("tick", "check", w[1], "point", "", "done", "no");
            case "limiter" -> add("limiter", "on", w[1]);
            case "i" -> {
                current("V1", w[1]);
                current("V2", w[2]);
            }
            case "i1" -> current("V1", w[1]);
            case "i2" -> current("V2", w[1]);
            case "v" -> {
                read("PLATE", "V1", w[1] + " V");
                read("PLATE", "V2", w[1] + " V");
            }
            case "v1" -> read("PLATE", "V1", w[1] + " V");
            case "v2" -> read("PLATE", "V2", w[1] + " V");
            case "vk" -> {
                read("CATHODE", "V1", w[1] + " V");
                read("CATHODE", "V2", w[1] + " V");
            }
            case "mains" -> read("MAINS", "", w[1] + " V");
            case "heater" -> read("HEATER", "", w[1] + " V");
            case "dead" -> {
                read("RESIDUAL", "reservoir", w[1] + " V");
                read("RESIDUAL", "bias", w[1] + " V");
            }
            case "read" -> read(w[1], w[2].equals("-") ? "" : w[2], rest(w, 3));
            case "watch" -> watch(w);
            case "turn" -> add("turn", "control", w[1] + " control", "way", "", "reason", "");
            case "swap" -> add("exchange", "a", "V1", "b", "V2");
            case "place" -> add("place", "socket", w[1], "tube", w[2]);
            case "part" -> add("change", "what", rest(w, 1), "from", "", "to", "", "reason", "");
            case "stop" -> add("stop", "what", rest(w, 1));
            case "resume" -> add("resume", "found", rest(w, 1));
            case "cause" -> add("cause", "finding", w[1], "fact", rest(w, 2));
            case "void" -> add("void", "reading", lastRead, "reason", rest(w, 1));
            case "move" -> add("move", "reading", lastRead, "point", w[1], "reason", "wrong socket");
            case "fix" -> {
                Map<String, String> fields = new LinkedHashMap<>(lastFields);
                fields.put("text", w[1].equals("mA") ? milli(w[2]) : rest(w, 1));
                fields.put("supersedes", lastRead);
                fields.put("reason", "misread");
                add("read", fields);
            }
            case "sign" -> add("sign", "by", "E", "remarks", "");
            default -> macro(step);
        }
    }

    private void macro(String name) {
        boolean was = tried;
        switch (name) {
            case "preflight" -> {
                step("off");
                for (String check : BEFORE) {
                    step("tick " + check);
                }
                step("read LOAD_OHMS - 8");
            }
            case "drain" -> {
                for (String part :
                        List.of("tick STANDBY_PLAY", "dead 0.5", "61s", "dead 0.6", "tick METER_PROVEN")) {
                    step(part);
                }
            }
            case "play" -> {
                for (String part : List.of(
                        "enter MEASURE", "enter SOAK", "enter PLAY", "tick GLOW_IDLE", "tick GLOW_LOUD")) {
                    step(part);
                }
            }
            case "close" -> {
                for (String part : List.of(
                        "enter CLOSE",
                        "off",
                        "5m",
                        "drain",
                        "tick RESTORED",
                        "tick LIMITER_OUT",
                        "tick CLAMPS",
                        "enter SIGN_OFF")) {
                    step(part);
                }
            }
            default -> throw new IllegalStateException("no step: " + name);
        }
        tried = was;
    }

    private void watch(String[] w) {
        for (int i = 0; i < Integer.parseInt(w[1]); i++) {
            step(w[2]);
            if (!w[3].equals("-")) {
                step("mains " + w[3]);
            }
            if (!w[6].equals("-")) {
                step("v " + w[6]);
            }
            step("i " + w[4] + " " + w[5]);
        }
    }

    private static String rest(String[] words, int from) {
        return String.join(" ", List.of(words).subList(from, words.length));
    }

    private static long millis(String text) {
        double value = Double.parseDouble(text.substring(0, text.length() - 1));
        return Math.round(value * (text.endsWith("m") ? 60_000 : 1000));
    }

    /** What a meter across 10 Ω shows, to a tenth of a millivolt. */
    private static String milli(String milliamperes) {
        double volts = Double.parseDouble(milliamperes) * 10;
        return String.format(Locale.ROOT, "%.1f mV", volts);
    }

    private void current(String socket, String milliamperes) {
        read("CURRENT", socket, milliamperes.endsWith("mV") ? milliamperes.replace("mV", " mV") : milli(milliamperes));
    }

    private void read(String quantity, String point, String text) {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("quantity", quantity);
        fields.put("point", point);
        fields.put("text", text);
        lastFields = fields;
        lastRead = add("read", fields);
    }

    private String add(String kind, String... fields) {
        Map<String, String> map = new LinkedHashMap<>();
        for (int i = 0; i < fields.length; i += 2) {
            map.put(fields[i], fields[i + 1]);
        }
        return add(kind, map);
    }

    private String add(String kind, Map<String, String> fields) {
        String id = UUID.nameUUIDFromBytes((seed + steps.size()).getBytes(StandardCharsets.UTF_8))
                .toString();
        steps.add(new Step(id, now + back, device, kind, fields, tried));
        // An entry takes two seconds: of now, or of the time that a device tells late.
        if (back < 0) {
            back = Math.min(0, back + 2000);
        } else {
            now += 2000;
        }
        return id;
    }
}
