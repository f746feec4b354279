package yellowrail.core.tube;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import yellowrail.core.table.Row;
import yellowrail.core.table.Table;

/**
 * The shipped types, from the makers' published figures: {@code types.csv}, {@code ratings.csv} and {@code families.csv}
 * beside this class. Whatever is wrong in them is found when they are read, which is at the start.
 */
final class PublishedTypes {
    private static final List<String> TYPE_COLUMNS = List.of(
            "designation",
            "construction",
            "aliases",
            "base",
            "basing",
            "pins",
            "pins to be verified",
            "top cap",
            "pin note",
            "heater V",
            "heater A",
            "screen share %",
            "share band %",
            "diameter mm",
            "overall mm",
            "seated mm",
            "related",
            "source");
    private static final List<String> RATING_COLUMNS = Stream.of(
                    Stream.of("designation", "system", "edition"),
                    PublishedLimits.ALL.stream().map(l -> l.printed().column()),
                    Stream.of("source"))
            .flatMap(s -> s)
            .toList();

    private static final Map<String, Base> BASES =
            words(Base.values(), b -> b.name().toLowerCase(Locale.ROOT));
    private static final Map<String, PinFunction> PINS =
            words(PinFunction.values(), f -> f.name().toLowerCase(Locale.ROOT));
    private static final Map<String, RatingSystem> SYSTEMS =
            words(RatingSystem.values(), s -> s.name().toLowerCase(Locale.ROOT).replace('_', ' '));

    private static final String NONE = "none";
    private static final String NOT_APPLICABLE = "n/a";

    private static final List<TubeType> ALL = read();
    private static final Map<String, List<String>> FAMILIES = families();

    private PublishedTypes() {}

    static List<TubeType> all() {
        return ALL;
    }

    /** The variants of a name that means a family, not a type; empty when it means none. */
    static Optional<List<String>> family(String normalised) {
        return Optional.ofNullable(FAMILIES.get(normalised));
    }

    private static <T> Map<String, T> words(T[] values, Function<T, String> word) {
        return Arrays.stream(values).collect(Collectors.toMap(word, v -> v));
    }

    private static List<TubeType> read() {
        Map<String, List<Row>> ratings = Table.beside(PublishedTypes.class, "ratings.csv", RATING_COLUMNS).stream()
                .collect(Collectors.groupingBy(r -> r.needed("designation"), LinkedHashMap::new, Collectors.toList()));
        List<TubeType> types = new ArrayList<>();
        for (Row row : Table.beside(PublishedTypes.class, "types.csv", TYPE_COLUMNS)) {
            List<Row> own = ratings.remove(row.needed("designation"));
            types.add(row.made(() -> type(row, own == null ? List.of() : own)));
        }
        if (!ratings.isEmpty()) {
            throw new IllegalStateException("ratings.csv has types that types.csv has not: " + ratings.keySet());
        }
        return List.copyOf(types);
    }

    private static TubeType type(Row row, List<Row> ratings) {
        TubeKind kind = TubeKind.of(row.needed("construction"));
        if (kind == TubeKind.UNKNOWN) {
            throw row.wrong("construction begins with the kind: beam tetrode, pentode or triode");
        }
        return new TubeType(
                row.needed("designation"),
                row.parts("aliases"),
                row.needed("construction"),
                pinout(row),
                figure(row, "heater V", 1),
                figure(row, "heater A", 1),
                ratings.stream().map(r -> r.made(() -> ratings(r, kind))).toList(),
                share(row),
                new Envelope(figure(row, "diameter mm", 1), figure(row, "overall mm", 1), figure(row, "seated mm", 1)),
                related(row),
                row.needed("source"),
                false,
                kind,
                Optional.empty());
    }

    private static Optional<Pinout> pinout(Row row) {
        if (row.text("base").isEmpty()) {
            return Optional.empty();
        }
        Map<Integer, PinFunction> pins = new TreeMap<>();
        for (String pin : row.text("pins").split(" ")) {
            if (pin.isEmpty()) {
                continue;
            }
            String[] parts = pin.split("=", 2);
            PinFunction function = parts.length == 2 ? PINS.get(parts[1]) : null;
            if (function == null || pins.put((int) row.parsed("pins", parts[0]), function) != null) {
                throw row.wrong("pins: “" + pin + "” is no pin with its function, or stands twice");
            }
        }
        return Optional.of(new Pinout(
                row.word("base", BASES),
                row.text("basing"),
                pins,
                row.text("top cap").isEmpty() ? Optional.empty() : Optional.of(row.word("top cap", PINS)),
                verify(row, "pins to be verified"),
                row.text("pin note")));
    }

    private static Optional<ScreenShare> share(Row row) {
        return row.number("screen share %")
                .map(percent -> new ScreenShare(percent / 100, row.neededNumber("share band %") / 100));
    }

    private static Map<String, String> related(Row row) {
        Map<String, String> related = new LinkedHashMap<>();
        for (String part : row.parts("related")) {
            String[] named = part.split(": ", 2);
            if (named.length < 2) {
                throw row.wrong("related: “" + part + "” is no name with its difference behind a colon");
            }
            related.put(named[0], named[1]);
        }
        return related;
    }

    private static Ratings ratings(Row row, TubeKind kind) {
        Map<PublishedLimit, Figure> figures = new HashMap<>();
        Set<PublishedLimit> none = new HashSet<>();
        for (PublishedLimit limit : PublishedLimits.ALL) {
            Printed printed = limit.printed();
            String text = row.text(printed.column());
            boolean applies = kind != TubeKind.TRIODE || !limit.ofScreen();
            if (printed.declared() && text.equals(NOT_APPLICABLE) == applies) {
                throw row.wrong(printed.column() + " is n/a where a type has no screen, and only there");
            }
            if (!printed.declared() && (text.equals(NONE) || text.equals(NOT_APPLICABLE))) {
                throw row.wrong(printed.column() + " is a figure or blank");
            }
            if (text.equals(NONE)) {
                none.add(limit);
            }
            figure(row, printed.column(), Math.pow(10, printed.in().power())).ifPresent(f -> figures.put(limit, f));
        }
        row.needed("source");
        return new Ratings(row.word("system", SYSTEMS), row.needed("edition"), figures, none);
    }

    /** A fact, or with ? to be verified; empty where it is unknown, or the column says that there is none. */
    private static Optional<Figure> figure(Row row, String column, double unit) {
        String text = row.text(column);
        if (text.isEmpty() || text.equals(NONE) || text.equals(NOT_APPLICABLE)) {
            return Optional.empty();
        }
        boolean verify = text.endsWith("?");
        double value = row.parsed(column, verify ? text.substring(0, text.length() - 1) : text);
        return Optional.of(new Figure(unit < 1 ? value / Math.round(1 / unit) : value * unit, verify));
    }

    private static boolean verify(Row row, String column) {
        return switch (row.text(column)) {
            case "" -> false;
            case "?" -> true;
            default -> throw row.wrong(column + " is ? or blank");
        };
    }

    private static Map<String, List<String>> families() {
        Set<String> known = ALL.stream().map(TubeType::designation).collect(Collectors.toSet());
        Map<String, List<String>> families = new LinkedHashMap<>();
        for (Row row : Table.beside(PublishedTypes.class, "families.csv", List.of("name", "variants"))) {
            List<String> variants = row.parts("variants");
            if (variants.isEmpty() || !known.containsAll(variants)) {
                throw row.wrong("variants are types of types.csv: " + variants);
            }
            families.put(row.needed("name"), variants);
        }
        return families;
    }
}
