package yellowrail.core.load;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;

/**
 * Every tap with every set of speakers: what the tubes see, against the load they want. Two mistakes multiply: the wrong
 * tap by the wrong speakers.
 *
 * @param wantedOhms the load the stage is meant for, Ω
 * @param rows a row for each set of speakers
 */
public record LoadMap(double wantedOhms, List<Row> rows) {
    /** From this many times the wanted load on the output counts as open: it is a stop, not an operation. */
    public static final double OPEN = 4;
    /** From this share of it downward the output counts as shorted. */
    public static final double SHORTED = 0.25;
    /** From this many times the wanted load on, or this part of it downward, builders disagree whether it may be played. */
    private static final double TWOFOLD = 2;

    /** Ohms that are computed differ from those they stand for in their last digits. */
    private static final double WITHIN_ROUNDING = 1 - 1e-9;

    /**
     * One set of speakers.
     *
     * @param nominalOhms of all together, from the markings, Ω
     * @param cells in the order of the taps; one whose tap's ratio is not known is left out
     */
    public record Row(String text, Wiring speakers, double nominalOhms, List<Cell> cells) {
        /** The tap whose load is nearest the wanted one, as a factor. */
        public Optional<Cell> nearest() {
            return cells.stream().min(Comparator.comparingDouble(c -> Math.abs(Math.log(c.factor()))));
        }
    }

    /**
     * One set of speakers at one tap.
     *
     * @param reflected what the whole primary shows, Ω
     * @param factor that over the wanted load
     * @param leastFactor the same at the low end of the load's error
     * @param mostFactor at the high end
     * @param stop why this is not to be run at all; empty when it is an operation
     * @param twofold what builders hold of an operation so far from the wanted load; empty nearer to it
     */
    public record Cell(
            double tap,
            Estimate reflected,
            double factor,
            double leastFactor,
            double mostFactor,
            Optional<Remark> stop,
            Optional<Remark> twofold) {}

    public LoadMap {
        rows = List.copyOf(rows);
    }

    /** Speakers as written, and as understood. */
    public record Set(String text, Wiring speakers) {}

    public static LoadMap of(Transformer transformer, List<Set> sets, double wantedOhms) {
        List<Row> rows = new ArrayList<>();
        for (Set set : sets) {
            double nominal = set.speakers().nominalOhms();
            List<Cell> cells = new ArrayList<>();
            for (double tap : transformer.taps()) {
                transformer
                        .reflected(tap, nominal)
                        .map(seen -> set.speakers().nominalError() > 0
                                ? seen.and(
                                        "coil resistance for a marking",
                                        set.speakers().nominalError())
                                : seen)
                        .ifPresent(seen -> cells.add(cell(tap, nominal, seen, wantedOhms)));
            }
            rows.add(new Row(set.text(), set.speakers(), nominal, List.copyOf(cells)));
        }
        return new LoadMap(wantedOhms, rows);
    }

    private static Cell cell(double tap, double nominal, Estimate seen, double wantedOhms) {
        double least = seen.low() / wantedOhms;
        double most = seen.high() / wantedOhms;
        double factor = seen.value() / wantedOhms;
        Optional<Remark> stop = stop(tap, nominal, factor, least, most);
        return new Cell(
                tap,
                seen,
                factor,
                least,
                most,
                stop,
                stop.isPresent() ? Optional.empty() : twofold(tap, nominal, factor, least, most));
    }

    private static String is(double tap, double nominal, double factor) {
        return LoadWords.plainOhms(nominal) + " on the " + Lead.tap(tap).words() + " is " + Show.significant(factor, 2)
                + " times the wanted load";
    }

    /** Whether it lies so far away, within the load's error. */
    private static Optional<Remark> twofold(double tap, double nominal, double factor, double least, double most) {
        boolean high = most >= TWOFOLD * WITHIN_ROUNDING;
        return high || least * WITHIN_ROUNDING <= 1 / TWOFOLD
                ? Optional.of(new Remark(
                        Remark.Code.TWOFOLD_LOAD,
                        Lead.tap(tap).id(),
                        is(tap, nominal, factor) + ". " + (high ? HIGHER_WORDS : LOWER_WORDS)))
                : Optional.empty();
    }

    /** A stop as soon as it lies within the load's error. */
    private static Optional<Remark> stop(double tap, double nominal, double factor, double least, double most) {
        String load = is(tap, nominal, factor) + ": ";
        if (most >= OPEN * WITHIN_ROUNDING) {
            return Optional.of(new Remark(Remark.Code.OPEN_LOAD, Lead.tap(tap).id(), load + OPEN_WORDS));
        }
        return least * WITHIN_ROUNDING <= SHORTED
                ? Optional.of(new Remark(Remark.Code.SHORTED_LOAD, Lead.tap(tap).id(), load + SHORTED_WORDS))
                : Optional.empty();
    }

    /** What builders hold of a load far above the wanted one. */
    public static final String HIGHER_WORDS =
            "Some builders hold that a higher load is harmless; others that it kills" + " screens and arcs over.";

    /** The same of one far below it. */
    public static final String LOWER_WORDS =
            "Some builders hold that a lower load is the safe side; others that it burns" + " tubes and transformer.";

    /** What an output without a load does. */
    public static final String OPEN_WORDS = "as good as open. With signal the plates swing to more than twice B+, to"
            + " kilovolts with a real transformer, and arc over at the socket or in the winding; the screens carry the"
            + " current. Never play without a load: connect a speaker, or a resistor of the tap's ohms that takes the full"
            + " power.";

    /** What a shorted output does. */
    public static final String SHORTED_WORDS =
            "as good as shorted. The tubes swing their full current at high plate volts"
                    + " and their plates glow within seconds at full drive. Power off, and find the short in plug, cable or"
                    + " speaker.";
}
