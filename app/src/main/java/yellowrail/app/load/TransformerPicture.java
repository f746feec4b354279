package yellowrail.app.load;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.load.LoadWords;
import yellowrail.core.load.Transformer;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.tube.Connection;

/** The transformer as drawn. */
final class TransformerPicture {
    private static final int SECONDARY_STEP = 46;
    /** Letters that fit beside a tap. */
    private static final int WIRED = 13;

    private TransformerPicture() {}

    static String screenTap(Estimate share) {
        return "Screen taps at " + Show.plusMinus(100 * share.value(), 100 * share.likely())
                + " % of their half: V(centre to screen tap) / V(centre to plate).";
    }

    /** What fits beside a tap; the whole wiring is drawn below. */
    private static String shortened(String wiring) {
        return wiring.length() > WIRED ? wiring.substring(0, WIRED - 1) + "…" : wiring;
    }

    private static String volts(double watts, double ohms) {
        return Show.si(Math.sqrt(watts * ohms), Unit.VOLT, 3);
    }

    /** @param watts power at clipping of the open cell, W */
    static LoadView.Picture picture(
            Transformer transformer,
            Optional<OpenCell> opened,
            Optional<StageSetting> setting,
            Optional<Double> watts) {
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
                    used ? shortened(opened.get().row().text()) : "",
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
