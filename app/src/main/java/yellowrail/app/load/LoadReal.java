package yellowrail.app.load;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.load.Instrument;
import yellowrail.core.load.LoadMap;
import yellowrail.core.load.LoadWords;
import yellowrail.core.load.LowNotes;
import yellowrail.core.load.MeasuredTransformer;
import yellowrail.core.load.RealLoad;
import yellowrail.core.load.Windings;
import yellowrail.core.reading.Show;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.OutputResistance;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSetting;

/** What copper, inductance and core of the transformer make of one load, in words with their numbers. */
final class LoadReal {
    private static final double MEASURED_HERTZ = 50;

    private LoadReal() {}

    /** The stage with the copper that was read of this transformer; as it was described where none was. */
    static StageSetting copper(StageSetting setting, Windings windings, LoadMap.Cell cell, double speakerOhms) {
        Stage stage = setting.described();
        double secondary = windings.secondary()
                .map(r -> r * cell.reflected().value() / speakerOhms)
                .orElse(stage.secondaryOhms());
        return setting.of(stage.withCopper(windings.half().orElse(stage.halfPrimaryOhms()), secondary));
    }

    /**
     * @param setting the stage at this load
     * @param turns whole primary over the tap in use
     */
    static List<LoadView.RemarkLine> lines(
            FittedParts read,
            StageSetting setting,
            double turns,
            double speakerOhms,
            double fullWatts,
            Instrument band) {
        List<LoadView.RemarkLine> lines = new ArrayList<>();
        RealLoad.of(read.windings(), turns, speakerOhms).ifPresent(real -> lines.add(copper(real)));
        read.windings()
                .primary()
                .ifPresent(ohms -> read.primaryHenries().ifPresent(henries -> lines.add(magnetised(ohms, henries))));
        read.rated().ifPresent(rated -> lines.add(carried(rated, fullWatts, band)));
        try {
            stiffness(setting, read.primaryHenries(), band, lines);
        } catch (NoSolution none) {
            lines.add(note("Output resistance and low corner: " + none.getMessage()));
        }
        return lines;
    }

    private static LoadView.RemarkLine copper(RealLoad real) {
        return note("With its copper the tubes see " + LoadWords.plainOhms(real.seenOhms()) + " instead of "
                + LoadWords.plainOhms(real.idealOhms()) + ": n² · (Z + Rsec) + Rpri = "
                + LoadWords.plainOhms(real.idealOhms()) + " + " + LoadWords.plainOhms(real.secondaryCopper()) + " + "
                + LoadWords.plainOhms(real.primaryCopper()) + ". "
                + Show.fixed(100 * real.efficiency(), 0) + " % of the power reaches the speakers, "
                + Show.significant(real.lossDecibels(), 2) + " dB are lost; core loss left out.");
    }

    /** Whether a ratio read at the mains' frequency can be trusted. */
    private static LoadView.RemarkLine magnetised(double ohms, double henries) {
        double low = LowNotes.magnetising(ohms, henries, MEASURED_HERTZ);
        boolean much = low > MeasuredTransformer.AGREE;
        return new LoadView.RemarkLine(
                much ? "caution" : "note",
                much ? "warm" : "open",
                "A ratio read at 50 Hz with the primary driven comes out " + Show.significant(100 * low, 2)
                        + " % off by magnetising current in its copper, (R / (2π f L))² / 2"
                        + (much ? ": measure at a few hundred hertz." : "."));
    }

    private static void stiffness(
            StageSetting setting, Optional<Double> henries, Instrument band, List<LoadView.RemarkLine> lines) {
        Stage stage = setting.stage();
        double output = OutputResistance.of(stage);
        lines.add(note("At small signals the stage shows " + LoadWords.plainOhms(output) + " to its load, "
                + Show.significant(output / stage.loadOhms(), 2) + " times the load: without feedback the level "
                + (output > 2 * stage.loadOhms()
                        ? "follows the speaker's impedance, louder at the resonance and in the treble."
                        : output > stage.loadOhms() / 2
                                ? "follows the speaker's impedance in part."
                                : "hardly follows the speaker's impedance.")));
        henries.ifPresent(h -> {
            double corner = LowNotes.corner(stage.loadOhms(), output, h);
            boolean high = corner > band.lowHertz();
            lines.add(
                    new LoadView.RemarkLine(
                            high ? "caution" : "note",
                            high ? "warm" : "open",
                            "Low corner at small signals " + Show.significant(corner, 2)
                                    + " Hz (−3 dB): the load beside "
                                    + LoadWords.plainOhms(output) + ", over 2π · " + Show.plain(h, 3) + " H. "
                                    + (high
                                            ? "That is above the lowest note of a " + band.words() + ", "
                                                    + Show.plain(band.lowHertz(), 2)
                                                    + " Hz. "
                                            : "")
                                    + "Inductance read by a meter at millivolts is a lower bound; feedback lowers the corner."));
        });
    }

    private static LoadView.RemarkLine carried(FittedParts.Rated rated, double watts, Instrument band) {
        double lowest = LowNotes.lowestFor(watts, rated.watts(), rated.hertz());
        double there = LowNotes.carried(rated.watts(), rated.hertz(), band.lowHertz());
        boolean less = there < watts;
        return new LoadView.RemarkLine(
                less ? "caution" : "note",
                less ? "warm" : "open",
                "The " + Show.significant(watts, 3) + " W of this stage pass the core down to "
                        + Show.significant(lowest, 2) + " Hz; at " + Show.plain(band.lowHertz(), 2)
                        + " Hz, the lowest note of a " + band.words() + ", it carries "
                        + Show.significant(there, 3) + " W: " + Show.plain(rated.watts(), 3) + " W · ("
                        + Show.plain(band.lowHertz(), 2) + " Hz / " + Show.plain(rated.hertz(), 3) + " Hz)².");
    }

    private static LoadView.RemarkLine note(String sentence) {
        return new LoadView.RemarkLine("note", "open", sentence);
    }
}
