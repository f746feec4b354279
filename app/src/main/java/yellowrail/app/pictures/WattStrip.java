package yellowrail.app.pictures;

import java.util.List;
import java.util.Optional;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.idle.Verdict;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.target.Target.Window;

/**
 * The one picture of dissipation: a bar from 0 to 120 % of the plate rating with the window, the ceiling, the rating and
 * a block for each tube. Positions are per cent of the bar's width, ready for the template.
 *
 * @param label what the picture says, in words, for those who do not see it
 */
public record WattStrip(
        List<Block> blocks,
        Optional<Span> window,
        double ceiling,
        double rating,
        String ratingText,
        String windowText,
        String label) {
    /** The bar reaches to this share of the rating. */
    private static final double FULL = 1.2;

    /** A stretch of the bar. */
    public record Span(double from, double width) {}

    /**
     * One tube on the bar.
     *
     * @param at middle of the block
     * @param from where its error band begins
     * @param width how wide the band is
     * @param tone the style of its state
     * @param beyond whether it lies beyond the bar's end
     */
    public record Block(double at, double from, double width, String tone, boolean beyond, String name) {}

    /** The strip of one answer; empty when there is no share to draw. */
    public static Optional<WattStrip> of(IdleAnswer answer, Optional<Window> chosen, double ceiling, String name) {
        if (answer.share().isEmpty()) {
            return Optional.empty();
        }
        Estimate share = answer.share().get();
        Optional<Window> window = answer.window().or(() -> chosen);
        double rated = answer.ratings().orElseThrow().plateWatts().orElseThrow().value();
        Block block = new Block(
                at(share.value()),
                at(share.low()),
                at(share.high()) - at(share.low()),
                Tone.of(answer.verdict()).css(),
                share.value() > FULL,
                name);
        Optional<Span> span = window.map(w -> new Span(at(w.low()), at(w.high()) - at(w.low())));
        String windowText = window.map(w -> Show.plain(100 * w.low(), 3) + "–" + Show.plain(100 * w.high(), 3) + " %")
                .orElse("");
        return Optional.of(new WattStrip(
                List.of(block),
                span,
                at(ceiling),
                at(1),
                Show.plain(rated, 3) + " W",
                windowText,
                (name.isEmpty() ? "" : name + ": ") + Show.plusMinus(100 * share.value(), 100 * share.likely())
                        + " % of " + Show.plain(rated, 3) + " W, "
                        + answer.verdict().words()
                        + (windowText.isEmpty() ? "" : ", window " + windowText)));
    }

    /**
     * The strip of a computed idle. A model gives no all-clear: below its rating it stays open.
     *
     * @param share plate dissipation over the rating
     * @param band of it, share to either side; infinite where nothing tells it
     * @param ceiling share of the rating that is not passed when the idle is set
     * @param name whose it is
     */
    public static WattStrip computed(double share, double band, double ceiling, double ratedWatts, String name) {
        boolean told = Double.isFinite(band);
        double low = told ? at(share * (1 - band)) : at(share);
        double high = told ? at(share * (1 + band)) : at(share);
        Tone tone = share > 1 ? Tone.OVER : told ? Tone.OPEN : Tone.UNKNOWN;
        String rated = Show.plain(ratedWatts, 3) + " W";
        return new WattStrip(
                List.of(new Block(at(share), low, high - low, tone.css(), share > FULL, name)),
                Optional.empty(),
                at(ceiling),
                at(1),
                rated,
                "",
                name + ": " + Show.fixed(100 * share, 0) + " % of " + rated + " at idle, computed");
    }

    /** The same strip in another look. */
    public WattStrip inTone(Tone tone) {
        return new WattStrip(
                blocks.stream()
                        .map(b -> new Block(b.at(), b.from(), b.width(), tone.css(), b.beyond(), b.name()))
                        .toList(),
                window,
                ceiling,
                rating,
                ratingText,
                windowText,
                label);
    }

    private static double at(double share) {
        return Math.round(1e4 * Math.max(0, Math.min(1, share / FULL))) / 100.0;
    }

    /** How a state looks: its style, and the mark that tells it without colour. */
    public enum Tone {
        GOOD("good", "■"),
        COOL("cool", "▾"),
        WARM("warm", "▴"),
        OVER("over", "▲"),
        OPEN("open", "◇"),
        UNKNOWN("unknown", "?");

        private final String css;
        private final String mark;

        Tone(String css, String mark) {
            this.css = css;
            this.mark = mark;
        }

        public String css() {
            return css;
        }

        public String mark() {
            return mark;
        }

        /** Green is for an all-clear only; in the window with a qualifier is open. */
        public static Tone of(Verdict verdict) {
            return verdict.allClear() ? GOOD : of(verdict.place());
        }

        /** The look of a place that is no all-clear. */
        static Tone of(Verdict.Place place) {
            return switch (place) {
                case UNKNOWN, TOO_WIDE -> UNKNOWN;
                case NO_TARGET, IN_WINDOW, WITHIN_LIMITS, OPEN_QUESTION -> OPEN;
                case BELOW_WINDOW -> COOL;
                case ABOVE_WINDOW, TOO_CLOSE -> WARM;
                case ABOVE_CEILING, LIMIT_PASSED, ABOVE_RATING -> OVER;
            };
        }
    }
}
