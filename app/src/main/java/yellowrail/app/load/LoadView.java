package yellowrail.app.load;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.pictures.FrequencyPlot;
import yellowrail.app.stage.DutyQuestion;
import yellowrail.app.transformers.TapLine;

/**
 * All that the answer of the load page shows.
 *
 * @param said sentences at fields
 * @param rows what each typed drive puts on the other winding, by row
 * @param remarks gravest first
 * @param wired the open cell's speakers as they are wired; null for a single one
 * @param duty what is played, where it is not said and decides; null where it does not
 * @param real what copper, inductance and core make of the open cell
 * @param impedance of the open cell's speakers over frequency; null where only their marking is known
 * @param heats whether heat over frequency can be asked for
 * @param stageTrouble why the stage is not computed, or empty
 */
record LoadView(
        Map<String, FieldErrors.Complaint> said,
        Map<Integer, Expected> rows,
        List<TapLine> taps,
        String screenTap,
        List<RemarkLine> remarks,
        Picture picture,
        WiringDrawing wired,
        DutyQuestion duty,
        Grid grid,
        Consequences consequences,
        List<RemarkLine> real,
        Frequencies impedance,
        boolean heats,
        String stageTrouble) {
    /**
     * The form that keeps a transformer.
     *
     * @param id of what is kept by it, made once so that a repeated press keeps once
     * @param seen the version that was seen; 0 for a new one
     * @param amp whose transformer it is; null for none
     * @param known whether it is one that is kept already
     */
    record Keep(UUID id, int seen, String name, UUID amp, boolean known) {}

    /** What a drive puts on the other winding. */
    record Expected(boolean refused, String words) {}

    /** A remark with its weight as a word for the page. */
    record RemarkLine(String weight, String tone, String sentence) {}

    /**
     * The map: a column for each tap, a row for each set of speakers.
     *
     * @param anyLoad the limit that the stage passes whatever hangs on it; empty when none
     */
    record Grid(String wanted, List<String> taps, List<GridRow> rows, String anyLoad, String anyTone) {}

    /**
     * One set of speakers.
     *
     * @param known where its ohms come from when not from a marking, and how unequal speakers share the power
     */
    record GridRow(String text, String nominal, List<String> known, List<GridCell> cells) {}

    /**
     * One cell.
     *
     * @param key {@code tap:set} for the address; empty where there is nothing to open
     * @param tone over, near, open, unknown or stop
     * @param worst the limit that is worst, named
     */
    record GridCell(
            String key,
            String factor,
            String way,
            String ohms,
            String tone,
            String mark,
            String worst,
            boolean nearest,
            boolean open) {}

    /** What a load does, beside others. */
    record Consequences(String title, List<String> heads, List<FigureRow> rows, List<Claim> claims, String accuracy) {}

    /** One figure over all loads. */
    record FigureRow(String name, List<Figure> figures) {}

    /** One figure at one load. */
    record Figure(String text, String against, String tone, String mark, String formula) {}

    /** What builders hold, beside what this stage says. */
    record Claim(String held, String here) {}

    /**
     * The transformer as drawn.
     *
     * @param volts AC across the whole primary at clipping; empty where the stage is not computed
     * @param screenTaps where the screens are tapped, in per cent of a half; empty without
     */
    record Picture(
            boolean pushPull,
            String primary,
            String half,
            String volts,
            String screenTaps,
            List<Secondary> secondaries,
            int height,
            String words) {}

    /** One secondary tap as drawn; {@code key} is its ohms as a cell names them. */
    record Secondary(String key, String tap, String turns, String wired, String volts, int y, boolean used) {}

    /**
     * Curves over frequency.
     *
     * @param told what the curves say, with their numbers
     */
    record Frequencies(FrequencyPlot plot, String words, List<RemarkLine> told) {}

    /**
     * The stage over the loads it could have.
     *
     * @param marks what a load is best at, in words, with how to get it from taps and speakers at hand
     * @param tone whether a speaker's curve is known, so that its change of tone is told
     */
    record Choice(List<ChoiceRow> rows, List<String> marks, boolean tone, FrequencyPlot plot, String words) {}

    /** The stage at one load. */
    record ChoiceRow(
            String factor,
            String ohms,
            String power,
            String second,
            String third,
            String change,
            String tone,
            String mark,
            String worst,
            List<String> best,
            boolean open) {}
}
