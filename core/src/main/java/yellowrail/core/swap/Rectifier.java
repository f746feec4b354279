package yellowrail.core.swap;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.table.Row;
import yellowrail.core.table.Table;
import yellowrail.core.tube.Figure;

/**
 * A full-wave rectifier; what is not known for sure is empty. The table is {@code rectifiers.csv}.
 *
 * @param heaterAmperes A at {@code heaterVolts}; empty for diodes
 * @param amperes direct current it may give, A
 * @param firstFarads largest capacitor right behind it, F
 * @param peakAmperes largest peak of one plate, A
 * @param inverseVolts largest peak inverse volts between plate and cathode, V
 * @param ohms its drop over the direct current it was published at, Ω: an estimate, since a capacitor draws in peaks
 * @param slow whether its cathode warms up with the tubes, so that B+ comes with their current
 */
public record Rectifier(
        String designation,
        List<String> aliases,
        Optional<Figure> heaterVolts,
        Optional<Figure> heaterAmperes,
        Optional<Figure> amperes,
        Optional<Figure> firstFarads,
        Optional<Figure> peakAmperes,
        Optional<Figure> inverseVolts,
        Optional<Double> ohms,
        boolean slow) {
    private static final List<String> COLUMNS = List.of(
            "designation",
            "aliases",
            "heater V",
            "heater A",
            "DC mA",
            "first capacitor uF",
            "peak mA",
            "inverse V",
            "drop V",
            "drop at mA",
            "slow",
            "source");
    private static final double MILLI = 1e-3;
    private static final double MICRO = 1e-6;
    private static final Map<String, Boolean> YES_NO = Map.of("yes", true, "no", false);

    /** All that are known, in the order of the table. */
    public static final List<Rectifier> ALL = Table.beside(Rectifier.class, "rectifiers.csv", COLUMNS).stream()
            .map(row -> row.made(() -> of(row)))
            .toList();

    public Rectifier {
        aliases = List.copyOf(aliases);
    }

    /** By designation or alias, whatever the case. */
    public static Optional<Rectifier> find(String name) {
        String asked = normalised(name);
        return ALL.stream()
                .filter(r -> normalised(r.designation).equals(asked)
                        || r.aliases.stream().map(Rectifier::normalised).anyMatch(asked::equals))
                .findFirst();
    }

    /** Whether it has no heater. */
    public boolean solidState() {
        return heaterVolts.isEmpty();
    }

    private static String normalised(String name) {
        return name.toUpperCase(Locale.ROOT).replaceAll("[\\s./_-]", "");
    }

    private static Rectifier of(Row row) {
        row.needed("source");
        Optional<Figure> volts = figure(row, "drop V", 1);
        Optional<Figure> at = figure(row, "drop at mA", MILLI);
        return new Rectifier(
                row.needed("designation"),
                row.parts("aliases"),
                figure(row, "heater V", 1),
                figure(row, "heater A", 1),
                figure(row, "DC mA", MILLI),
                figure(row, "first capacitor uF", MICRO),
                figure(row, "peak mA", MILLI),
                figure(row, "inverse V", 1),
                volts.flatMap(v -> at.map(a -> v.value() / a.value())),
                row.word("slow", YES_NO));
    }

    private static Optional<Figure> figure(Row row, String column, double unit) {
        String text = row.text(column);
        if (text.isEmpty()) {
            return Optional.empty();
        }
        boolean verify = text.endsWith("?");
        return Optional.of(new Figure(
                unit * row.parsed(column, verify ? text.substring(0, text.length() - 1) : text), verify));
    }
}
