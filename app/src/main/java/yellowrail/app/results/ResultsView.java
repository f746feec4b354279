package yellowrail.app.results;

import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.stream.Collectors;
import yellowrail.core.experiment.Matrix;
import yellowrail.core.experiment.MeasuredPoint;
import yellowrail.core.experiment.OneFactor;
import yellowrail.core.reading.Show;

/** Results of an amp as a table: a row for each with what changed since the one before. */
record ResultsView(List<String> columns, List<Row> rows) {
    private static final DateTimeFormatter DAY =
            DateTimeFormatter.ofLocalizedDate(FormatStyle.MEDIUM).withLocale(Locale.UK);

    /** A cell in words; empty where it was not measured. */
    record Cell(String watts, String distortion, boolean best) {}

    /**
     * One result.
     *
     * @param guard what changed since the one before; empty for the first
     * @param creditable whether a difference may be credited to one factor
     */
    record Row(
            UUID id,
            String day,
            String factors,
            String note,
            boolean corrects,
            String guard,
            boolean creditable,
            List<Cell> cells) {}

    static ResultsView of(List<BenchResult> results) {
        Matrix matrix = Matrix.of(results.stream().map(BenchResult::points).toList());
        List<Row> rows = new ArrayList<>();
        for (int i = 0; i < results.size(); i++) {
            BenchResult r = results.get(i);
            OneFactor since = i == 0
                    ? null
                    : OneFactor.between(BenchResult.FACTORS, results.get(i - 1).factors(), r.factors());
            rows.add(new Row(
                    r.id(),
                    DAY.format(r.takenAt()),
                    BenchResult.FACTORS.stream()
                            .filter(f -> !r.factors().getOrDefault(f, "").isEmpty())
                            .map(f -> f + ": " + r.factors().get(f))
                            .collect(Collectors.joining("; ")),
                    r.note(),
                    r.supersedes() != null,
                    since == null ? "" : since.sentence(),
                    since != null && since.creditable(),
                    matrix.rows().get(i).cells().stream()
                            .map(c -> c.map(ResultsView::cell).orElse(new Cell("", "", false)))
                            .toList()));
        }
        return new ResultsView(matrix.columns().stream().map(ResultsView::name).toList(), rows);
    }

    private static String name(Matrix.Column column) {
        String frequency = column.hertz()
                .map(h -> h >= 1000 ? Show.plain(h / 1000, 4) + " kHz" : Show.plain(h, 4) + " Hz")
                .orElse("");
        return column.level().isEmpty()
                ? frequency.isEmpty() ? "level not said" : frequency
                : column.level() + (frequency.isEmpty() ? "" : ", " + frequency);
    }

    private static Cell cell(Matrix.Cell cell) {
        MeasuredPoint p = cell.point();
        return new Cell(
                Show.significant(p.watts(), 3) + " W", Show.significant(100 * p.distortion(), 2) + " %", cell.best());
    }
}
