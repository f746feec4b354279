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
 * @param dropAmperes that current, A
 * @param supply up to which volts it may give that current, and how little above
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
        Optional<Double> dropAmperes,
        Derating supply,
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
            "full to V RMS",
            "reduced mA",
            "reduced at V RMS",
            "source");
    /**
     * How the direct current falls with the winding's volts.
     *
     * @param fullVolts RMS volts of one half of the winding up to which all of it may be drawn, V
     * @param amperes what is left of it at {@code volts}, A
     * @param volts the most that its makers allow at all, V RMS
     */
    public record Derating(Optional<Figure> fullVolts, Optional<Figure> amperes, Optional<Figure> volts) {}

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

    /**
     * Direct current that it may give.
     *
     * @param rms volts of one half of the winding, V RMS
     * @return A; 0 above all volts it may have; empty where it is not known
     */
    Optional<Double> amperesFrom(double rms) {
        if (amperes.isEmpty() || supply.fullVolts().isEmpty()) {
            return Optional.empty();
        }
        double most = amperes.get().value();
        double full = supply.fullVolts().get().value();
        if (rms <= full) {
            return Optional.of(most);
        }
        if (supply.amperes().isEmpty() || supply.volts().isEmpty()) {
            return Optional.empty();
        }
        double end = supply.volts().get().value();
        return Optional.of(
                rms > end ? 0 : most + (supply.amperes().get().value() - most) * (rms - full) / (end - full));
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
                at.map(Figure::value),
                new Derating(
                        figure(row, "full to V RMS", 1),
                        figure(row, "reduced mA", MILLI),
                        figure(row, "reduced at V RMS", 1)),
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
