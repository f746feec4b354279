package yellowrail.core.experiment;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * Results side by side: a row for each, a column for each level and frequency.
 *
 * @param columns in the order they first appear
 * @param rows in the order of the results
 */
public record Matrix(List<Column> columns, List<Row> rows) {
    /** Distortion is told to two digits at best: closer than this share is no better. */
    private static final double TELLS = 0.05;

    /** Where a cell was measured. */
    public record Column(String level, Optional<Double> hertz) {}

    /**
     * A measured cell; best when its distortion is the lowest of at least two in its column by more than 5 %.
     *
     * @param point the last measured there, for a column measured twice
     */
    public record Cell(MeasuredPoint point, boolean best) {}

    /** One result's cells; empty where it was not measured. */
    public record Row(List<Optional<Cell>> cells) {}

    public static Matrix of(List<List<MeasuredPoint>> results) {
        Set<Column> places = new LinkedHashSet<>();
        results.forEach(r -> r.forEach(p -> places.add(new Column(p.level(), p.hertz()))));
        List<Column> columns = List.copyOf(places);
        List<Row> rows = new ArrayList<>();
        for (List<MeasuredPoint> result : results) {
            rows.add(new Row(columns.stream()
                    .map(c -> at(result, c).map(p -> new Cell(p, best(results, c, p))))
                    .toList()));
        }
        return new Matrix(columns, rows);
    }

    private static Optional<MeasuredPoint> at(List<MeasuredPoint> result, Column column) {
        return result.stream()
                .filter(p -> p.level().equals(column.level()) && p.hertz().equals(column.hertz()))
                .reduce((first, second) -> second);
    }

    private static boolean best(List<List<MeasuredPoint>> results, Column column, MeasuredPoint point) {
        List<MeasuredPoint> others = results.stream()
                .flatMap(r -> at(r, column).stream())
                .filter(p -> p != point)
                .toList();
        return !others.isEmpty() && others.stream().allMatch(p -> point.distortion() < p.distortion() * (1 - TELLS));
    }
}
