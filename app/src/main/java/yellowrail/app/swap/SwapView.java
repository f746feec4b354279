package yellowrail.app.swap;

import java.util.List;
import java.util.Map;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.pictures.WattStrip;
import yellowrail.app.stage.DutyQuestion;

/**
 * All that the page of swaps shows.
 *
 * @param said sentences at fields
 * @param unusual what is unusual of the stage and was confirmed, in sentences
 * @param duty what is played, where it is not said and decides; null where it does not
 * @param heads a column for each candidate that is understood
 * @param rows every criterion that applies to one of them
 */
record SwapView(
        Map<String, FieldErrors.Complaint> said,
        List<String> unusual,
        DutyQuestion duty,
        List<Head> heads,
        List<Row> rows) {
    /**
     * One candidate.
     *
     * @param verdict pass, note, unknown or fail
     * @param power what power would do, in a sentence
     * @param idle before and after
     * @param figures before and after; empty where it cannot be computed
     * @param trouble why it is not computed, or empty
     */
    record Head(
            int place,
            String name,
            String verdict,
            String mark,
            String overall,
            String deciding,
            String reason,
            String power,
            List<Strip> idle,
            List<Figure> figures,
            String trouble) {}

    /** An idle on the watt strip, with its words. */
    record Strip(String words, WattStrip strip) {}

    /** A figure of the stage before and after, with a bar of each up to their common end, per cent. */
    record Figure(String name, String before, String after, double beforeBar, double afterBar) {}

    /**
     * One criterion over all candidates.
     *
     * @param id its name for addresses and scripts
     * @param cells one for each column
     */
    record Row(String id, String title, List<Cell> cells) {}

    /**
     * One criterion of one candidate.
     *
     * @param bar value over limit in per cent of a bar that ends at 150 %; below 0 where the two are not one quantity
     * @param whole whether the bar ends before the value does
     */
    record Cell(
            String name,
            String verdict,
            String mark,
            String words,
            String value,
            String limit,
            double bar,
            boolean whole,
            String reason,
            String mend,
            String formula) {}
}
