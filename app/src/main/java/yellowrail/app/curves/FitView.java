package yellowrail.app.curves;

import java.util.ArrayList;
import java.util.List;
import yellowrail.core.fit.ModelFit;
import yellowrail.core.fit.OwnFit;
import yellowrail.core.reading.Show;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.TubeModel;

/**
 * A fit in words: what each published figure became, and the parameters.
 *
 * @param rms of the relative differences, per cent
 * @param bands what the stage will carry as its bands
 */
record FitView(List<Row> rows, List<String> parameters, String rms, String bands) {
    /** One figure; {@code far} where it misses by more than 10 %. */
    record Row(int line, String figure, String published, String fitted, String miss, boolean far) {}

    private static final double FAR = 0.10;

    static FitView of(OwnFit fit) {
        List<Row> rows = new ArrayList<>();
        for (ModelFit.Residual r : fit.fitted().residuals()) {
            rows.add(new Row(
                    r.line() + 1,
                    name(r.figure()),
                    shown(r.figure(), r.published()),
                    shown(r.figure(), r.fitted()),
                    (r.miss() < 0 ? "−" : "+") + Show.fixed(100 * Math.abs(r.miss()), 1) + " %",
                    Math.abs(r.miss()) > FAR));
        }
        ModelTrust trust = fit.trust();
        return new FitView(
                rows,
                parameters(fit.fitted().model()),
                Show.significant(100 * fit.fitted().rms(), 2) + " %",
                "plate current and heat ± " + Show.plain(100 * trust.plateBand(), 2) + " %, screens ± "
                        + Show.plain(100 * trust.screenBand(), 2) + " %, power ± "
                        + Show.plain(100 * trust.wattsBand(), 2) + " %");
    }

    static List<String> parameters(TubeModel m) {
        return List.of(
                "mu " + Show.significant(m.mu(), 4),
                "Ex " + Show.significant(m.ex(), 4),
                "Kg1 " + Show.significant(m.kg1(), 4),
                "Kg2 " + Show.significant(m.kg2(), 4),
                "Kp " + Show.significant(m.kp(), 4),
                "Kvb " + Show.significant(m.kvb(), 4) + " V",
                "VA " + Show.significant(m.va(), 4) + " V",
                "Ks " + Show.significant(m.ks(), 4),
                "Vs " + Show.significant(m.vs(), 4) + " V");
    }

    private static String name(String figure) {
        return switch (figure) {
            case "idle plate" -> "plate current";
            case "idle screen" -> "screen current";
            default -> figure;
        };
    }

    private static String shown(String figure, double value) {
        return switch (figure) {
            case "gm" -> Show.significant(value, 3) + " mA/V";
            case "rp" -> Show.significant(value / 1e3, 3) + " kΩ";
            default -> Show.significant(1e3 * value, 3) + " mA";
        };
    }
}
