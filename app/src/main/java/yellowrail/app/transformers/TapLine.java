package yellowrail.app.transformers;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.load.LoadWords;
import yellowrail.core.load.MeasuredTransformer;
import yellowrail.core.load.TapRatio;
import yellowrail.core.load.Transformer;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;

/** One tap as shown: its ratio, what the primary shows with its load, where that comes from, and how it is worked out. */
public record TapLine(String tap, String turns, String impedance, String primary, String source, String formula) {
    /** Every tap of a transformer, by rising ohms. */
    public static List<TapLine> of(Transformer transformer) {
        List<TapLine> lines = new ArrayList<>();
        for (double tap : transformer.taps()) {
            String name = Show.plain(tap, 4) + " Ω";
            Transformer.Source source = transformer.source(tap);
            Optional<Estimate> turns = transformer.turns(tap);
            lines.add(turns.map(n -> new TapLine(
                            name,
                            plusMinus(n, 4) + " : 1",
                            plusMinus(n.times(n), 3) + " : 1",
                            LoadWords.ohms(n.times(n).times(tap)),
                            source.words(),
                            formula(transformer.measured(), tap, n)))
                    .orElse(new TapLine(
                            name,
                            "?",
                            "?",
                            "?",
                            transformer.measured().agrees()
                                    ? "not known: measure it, or type what the primary is marked for"
                                    : "not told: the readings contradict one another",
                            "")));
        }
        return lines;
    }

    private static String plusMinus(Estimate value, int digits) {
        return value.likely() > 0
                ? Show.plusMinus(value.value(), value.likely())
                : Show.significant(value.value(), digits);
    }

    private static String formula(MeasuredTransformer measured, double tap, Estimate turns) {
        String square = "n² · Z = " + Show.significant(turns.value(), 4) + "² · " + Show.plain(tap, 4) + " Ω = "
                + LoadWords.plainOhms(turns.value() * turns.value() * tap);
        Optional<TapRatio> ratio = measured.tap(tap);
        if (ratio.isEmpty()) {
            return square;
        }
        return "n = "
                + String.join(
                        " and ",
                        ratio.get().from().stream()
                                .map(r -> (r.driven().secondary() ? r.volts() : r.drive()).echo() + " / "
                                        + (r.driven().secondary() ? r.drive() : r.volts()).echo())
                                .toList())
                + (turns.likely() > 0
                        ? ", ±" + Show.plain(100 * turns.errors().likely(), 2) + " % by the meter; ohms twice that"
                        : "")
                + "; " + square;
    }
}
