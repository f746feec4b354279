package yellowrail.app.fuzz;

import java.util.List;
import java.util.Random;

/** Texts that somebody pastes, mistypes or means ill with; the same seed gives the same ones. */
final class Nasty {
    private static final String[] TEXTS = {
        "",
        " ",
        "\u0000",
        "a\u0000b",
        "left\fright",
        "\u001b[31m",
        "\ud800",
        "x\udc00y",
        "\ufffe\uffff",
        "\u202eabc",
        "two\nlines",
        "\r\n\r\n",
        "\t",
        "𝛺 🔥 e\u0301",
        "<script>alert(1)</script>",
        "\"><img src=x onerror=alert(1)>",
        "'; drop table amp; --",
        "${7*7}",
        "__${new java.util.Date()}__::x",
        "{{7*7}}",
        "../../etc/passwd",
        "%00",
        "%ZZ",
        "=1+1",
        "@cmd",
        "null",
        "undefined",
        "true",
        "yes",
        "no",
        "NaN",
        "Infinity",
        "-0",
        "1e308",
        "1e-320",
        "99999999999999999999999999",
        "-1",
        "0",
        "0.0 V",
        "38,6 mV",
        "1.234,5 V",
        "٣٨ V",
        "4.7k",
        "2M2",
        "10 Ω",
        "430 V",
        "38.6 mA",
        "2026-02-30",
        "275760-09-13",
        "EL34",
        "6L6",
        "V1",
        "V2",
        "OFF",
        "ON_TUBES_IN",
        "MEASURE",
        "PLATE",
        "CURRENT",
        "handheld",
        "middle",
        "tracking"
    };

    private final Random random;
    private final List<String> ids;

    /** @param ids what exists meanwhile; may grow */
    Nasty(Random random, List<String> ids) {
        this.random = random;
        this.ids = ids;
    }

    boolean sometimes(int oneIn) {
        return random.nextInt(oneIn) == 0;
    }

    int below(int bound) {
        return random.nextInt(bound);
    }

    <T> T one(List<T> of) {
        return of.get(random.nextInt(of.size()));
    }

    String text() {
        return switch (random.nextInt(12)) {
            case 0 -> TEXTS[random.nextInt(TEXTS.length)].repeat(1 + random.nextInt(3));
            case 1 -> " ".repeat(random.nextInt(5_000)) + "Hz";
            case 2 -> "9".repeat(random.nextInt(400)) + (random.nextBoolean() ? " V" : "");
            case 3 -> letters(random.nextInt(3_000));
            case 4 -> Double.toString(Double.longBitsToDouble(random.nextLong()));
            case 5 -> id();
            case 6 -> String.valueOf(random.nextInt(1_000) / 10.0) + " mV";
            default -> TEXTS[random.nextInt(TEXTS.length)];
        };
    }

    String id() {
        return ids.isEmpty() || sometimes(6)
                ? new java.util.UUID(random.nextLong(), random.nextLong()).toString()
                : one(ids);
    }

    private String letters(int count) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < count; i++) {
            text.appendCodePoint(sometimes(20) ? random.nextInt(0x10FFFF) : 32 + random.nextInt(95));
        }
        return text.toString();
    }

    /** A JSON value that holds texts, numbers, lists and objects where others are awaited. */
    String json(List<String> names, int depth) {
        return switch (random.nextInt(depth > 2 ? 4 : 7)) {
            case 0 -> "null";
            case 1 -> sometimes(2) ? "true" : String.valueOf(random.nextLong());
            case 2 -> "1e" + random.nextInt(400);
            case 3 -> quoted(text());
            case 4 -> "[" + json(names, depth + 1) + "," + json(names, depth + 1) + "]";
            default -> object(names, depth);
        };
    }

    String object(List<String> names, int depth) {
        StringBuilder object = new StringBuilder("{");
        int count = 1 + random.nextInt(8);
        for (int i = 0; i < count; i++) {
            object.append(i == 0 ? "" : ",")
                    .append(quoted(names.isEmpty() || sometimes(10) ? text() : one(names)))
                    .append(":")
                    .append(json(names, depth + 1));
        }
        return object.append("}").toString();
    }

    static String quoted(String text) {
        StringBuilder quoted = new StringBuilder("\"");
        for (char c : text.toCharArray()) {
            if (c == '"' || c == '\\') {
                quoted.append('\\').append(c);
            } else if (c < ' ' || Character.isSurrogate(c) || c > 0xFFF0) {
                quoted.append(String.format("\\u%04x", (int) c));
            } else {
                quoted.append(c);
            }
        }
        return quoted.append("\"").toString();
    }
}
