package yellowrail.app.load;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.app.load.LoadQuestion.Opened;
import yellowrail.core.load.LoadWords;
import yellowrail.core.load.MeasuredTransformer;
import yellowrail.core.load.TapRatio;
import yellowrail.core.load.Transformer;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.tube.Connection;

/** The transformer as drawn and as a table of ratios. */
final class TransformerPicture {
    private static final int SECONDARY_STEP = 46;

    private TransformerPicture() {}

    static List<LoadView.TapLine> taps(Transformer transformer) {
        List<LoadView.TapLine> lines = new ArrayList<>();
        for (double tap : transformer.taps()) {
            String name = Show.plain(tap, 4) + " Ω";
            Transformer.Source source = transformer.source(tap);
            Optional<Estimate> turns = transformer.turns(tap);
            lines.add(turns.map(n -> new LoadView.TapLine(
                            name,
                            plusMinus(n, 4) + " : 1",
                            plusMinus(n.times(n), 3) + " : 1",
                            LoadWords.ohms(n.times(n).times(tap)),
                            source.words(),
                            formula(transformer.measured(), tap, n)))
                    .orElse(new LoadView.TapLine(
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

    static String screenTap(Estimate share) {
        return "Screen taps at " + Show.plusMinus(100 * share.value(), 100 * share.likely())
                + " % of their half: V(centre to screen tap) / V(centre to plate).";
    }

    private static String volts(double watts, double ohms) {
        return Show.si(Math.sqrt(watts * ohms), Unit.VOLT, 3);
    }

    /** @param watts power at clipping of the open cell, W */
    static LoadView.Picture picture(
            Transformer transformer, Optional<Opened> opened, Optional<StageSetting> setting, Optional<Double> watts) {
        boolean pushPull = setting.map(s -> s.described().pushPull()).orElse(true);
        List<LoadView.Secondary> secondaries = new ArrayList<>();
        int y = 40;
        for (double tap : transformer.taps()) {
            boolean used = opened.filter(o -> o.cell().tap() == tap).isPresent();
            secondaries.add(new LoadView.Secondary(
                    Show.plain(tap, 4),
                    Show.plain(tap, 4) + " Ω",
                    transformer
                            .turns(tap)
                            .map(n -> Show.significant(n.value(), 3) + " : 1")
                            .orElse("ratio ?"),
                    used ? opened.get().row().text() : "",
                    used
                            ? watts.map(w -> volts(w, opened.get().row().nominalOhms()))
                                    .orElse("")
                            : "",
                    y,
                    used));
            y += SECONDARY_STEP;
        }
        Optional<Estimate> first = transformer.taps().stream().findFirst().flatMap(t -> transformer.reflected(t, t));
        String primary = opened.map(
                        o -> LoadWords.plainOhms(o.cell().reflected().value()))
                .orElse(first.map(z -> LoadWords.plainOhms(z.value())).orElse("?"));
        String half = opened.map(o -> LoadWords.plainOhms(o.cell().reflected().value() / 4))
                .orElse("?");
        return new LoadView.Picture(
                pushPull,
                primary,
                half,
                watts.map(w -> volts(w, opened.orElseThrow().cell().reflected().value()) + " AC at "
                                + Show.si(w, Unit.WATT, 3))
                        .orElse(""),
                setting.map(StageSetting::described)
                        .filter(s -> s.connection() == Connection.ULTRALINEAR)
                        .map(s -> Show.fixed(100 * s.screenTap(), 0) + " %")
                        .orElse(""),
                secondaries,
                Math.max(200, y + 40),
                opened.map(o -> "The primary shows " + primary + " with "
                                + o.row().text() + " on the "
                                + Show.plain(o.cell().tap(), 4) + " Ω tap"
                                + (pushPull ? "; half of it alone would show " + half : "") + ".")
                        .orElse("Nothing is connected: pick speakers below."));
    }
}
