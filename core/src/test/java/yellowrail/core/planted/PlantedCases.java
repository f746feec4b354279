package yellowrail.core.planted;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Planted situations as data, a line each: {@code base + field=value; field=value :: why}. A line {@code base NAME: …} says
 * what the base holds; a value left empty takes the field away. The fields are those of the JSON interface.
 */
final class PlantedCases {
    /**
     * One situation.
     *
     * @param why what is planted
     * @param fields what is asked, by field
     */
    record Case(int line, String why, Map<String, String> fields) {
        String get(String field) {
            return fields.getOrDefault(field, "");
        }

        @Override
        public String toString() {
            return "line " + line + ": " + why;
        }
    }

    private PlantedCases() {}

    static List<Case> of(String file) {
        Map<String, Map<String, String>> bases = new LinkedHashMap<>();
        List<Case> cases = new ArrayList<>();
        int number = 0;
        for (String line : lines(file)) {
            number++;
            if (line.isBlank() || line.startsWith("#")) {
                continue;
            }
            if (line.startsWith("base ")) {
                String[] parts = line.substring(5).split(":", 2);
                bases.put(parts[0].strip(), fields(Map.of(), parts[1]));
                continue;
            }
            String[] parts = line.split("::", 2);
            String[] asked = parts[0].split("\\+", 2);
            Map<String, String> base = bases.get(asked[0].strip());
            if (base == null || parts.length < 2) {
                throw new IllegalStateException(file + " line " + number + " is no case: " + line);
            }
            cases.add(new Case(number, parts[1].strip(), fields(base, asked.length > 1 ? asked[1] : "")));
        }
        return cases;
    }

    private static Map<String, String> fields(Map<String, String> base, String text) {
        Map<String, String> fields = new LinkedHashMap<>(base);
        for (String part : text.split(";")) {
            String[] pair = part.split("=", 2);
            if (pair.length == 2) {
                fields.put(pair[0].strip(), pair[1].strip());
                if (pair[1].isBlank()) {
                    fields.remove(pair[0].strip());
                }
            }
        }
        return fields;
    }

    private static List<String> lines(String file) {
        try (var in = PlantedCases.class.getResourceAsStream("/planted/" + file)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList();
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }
}
