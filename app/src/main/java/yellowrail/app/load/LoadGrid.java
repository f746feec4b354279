package yellowrail.app.load;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.load.LoadMap;
import yellowrail.core.load.LoadWords;
import yellowrail.core.load.Remark;
import yellowrail.core.load.Speaker;
import yellowrail.core.load.Transformer;
import yellowrail.core.load.Wiring;
import yellowrail.core.reading.Show;

/** The load map as shown: every cell with its factor and the limit that is worst. */
final class LoadGrid {
    /** Where speakers are about their nominal ohms. */
    private static final double MIDDLE_HERTZ = 400;
    /** From this ratio on it is told how the power is shared. */
    private static final double UNEQUAL = 1.05;

    private final LoadEffects effects;

    LoadGrid(LoadEffects effects) {
        this.effects = effects;
    }

    LoadView.Grid of(LoadMap map, Transformer transformer, LoadEffects.Judge judge, Optional<OpenCell> opened) {
        List<LoadView.GridRow> rows = new ArrayList<>();
        for (int i = 0; i < map.rows().size(); i++) {
            LoadMap.Row row = map.rows().get(i);
            Optional<LoadMap.Cell> nearest = row.nearest();
            List<LoadView.GridCell> cells = new ArrayList<>();
            for (double tap : transformer.taps()) {
                int set = i;
                cells.add(row.cells().stream()
                        .filter(c -> c.tap() == tap)
                        .findFirst()
                        .map(c -> cell(
                                c,
                                LoadQuestions.key(c, set),
                                judge,
                                nearest.filter(c::equals).isPresent(),
                                opened.filter(o -> o.cell() == c).isPresent()))
                        .orElse(new LoadView.GridCell(
                                "", "?", "", "", "unknown", "?", "ratio not known", false, false)));
            }
            rows.add(new LoadView.GridRow(
                    row.text(), LoadWords.plainOhms(row.nominalOhms()), known(row.speakers()), cells));
        }
        Optional<LoadEffects.Worst> any = effects.atAnyLoad(judge);
        return new LoadView.Grid(
                LoadWords.plainOhms(map.wantedOhms()),
                transformer.taps().stream()
                        .map(t -> Show.plain(t, 4) + " Ω tap")
                        .toList(),
                rows,
                any.map(LoadEffects.Worst::words).orElse(""),
                any.map(LoadEffects.Worst::tone).orElse("open"));
    }

    private static List<String> known(Wiring speakers) {
        List<String> known = new ArrayList<>(speakers.drivers().stream()
                .filter(d -> !(d.speaker() instanceof Speaker.Nominal))
                .map(d -> d.name() + ": " + d.speaker().words())
                .distinct()
                .toList());
        List<Double> shares = speakers.shares(MIDDLE_HERTZ);
        double most = shares.stream().mapToDouble(s -> s).max().orElse(1);
        double least = shares.stream().mapToDouble(s -> s).min().orElse(1);
        if (most > UNEQUAL * least) {
            List<String> parts = new ArrayList<>();
            for (int i = 0; i < shares.size(); i++) {
                parts.add(Show.fixed(100 * shares.get(i), 0) + " % in "
                        + speakers.drivers().get(i).name());
            }
            known.add("Power: " + String.join(", ", parts) + ".");
        }
        return known;
    }

    private LoadView.GridCell cell(
            LoadMap.Cell cell, String key, LoadEffects.Judge judge, boolean nearest, boolean open) {
        String ohms = LoadWords.plainOhms(cell.reflected().value());
        if (cell.stop().isPresent()) {
            boolean shorted = cell.stop().get().code() == Remark.Code.SHORTED_LOAD;
            return new LoadView.GridCell(
                    key,
                    LoadWords.times(cell.factor()),
                    LoadWords.way(cell.factor()),
                    ohms,
                    "stop",
                    "■",
                    shorted ? "stop: as good as shorted" : "stop: as good as open",
                    nearest,
                    open);
        }
        LoadEffects.Worst worst = effects.worst(cell, judge);
        return new LoadView.GridCell(
                key,
                LoadWords.times(cell.factor()),
                LoadWords.way(cell.factor()),
                ohms,
                worst.tone(),
                LoadEffects.mark(worst.tone()),
                worst.words()
                        + cell.twofold()
                                .map(r -> cell.factor() > 1
                                        ? "; caution: twice the wanted load or more"
                                        : "; caution: half the wanted load or less")
                                .orElse(""),
                nearest,
                open);
    }
}
