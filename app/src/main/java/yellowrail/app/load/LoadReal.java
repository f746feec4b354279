package yellowrail.app.load;

import java.util.ArrayList;
import java.util.List;
import yellowrail.core.load.Instrument;
import yellowrail.core.load.LoadMap;
import yellowrail.core.load.LoadWords;
import yellowrail.core.load.MeasuredTransformer;
import yellowrail.core.load.RealLoad;
import yellowrail.core.load.Windings;
import yellowrail.core.reading.Show;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSetting;

/** What copper, inductance and core of the transformer make of one load, in words with their numbers. */
final class LoadReal {
    private LoadReal() {}

    /** The stage with the copper that was read of this transformer; as it was described where none was. */
    static StageSetting copper(StageSetting setting, Windings windings, LoadMap.Cell cell, double speakerOhms) {
        Stage stage = setting.described();
        double secondary = windings.secondary()
                .map(r -> r * cell.reflected().value() / speakerOhms)
                .orElse(stage.secondaryOhms());
        return setting.of(stage.withCopper(windings.half().orElse(stage.halfPrimaryOhms()), secondary));
    }

    /** @param loadOhms what the tubes see, Ω */
    static List<LoadView.RemarkLine> lines(RealFigures real, FittedParts parts, double loadOhms, Instrument band) {
        List<LoadView.RemarkLine> lines = new ArrayList<>();
        real.copper().ifPresent(c -> lines.add(copper(c)));
        real.magnetising().ifPresent(low -> lines.add(magnetised(low)));
        real.carried().ifPresent(c -> lines.add(carried(c, parts.rated().orElseThrow(), band)));
        real.outputOhms().ifPresent(output -> {
            lines.add(stiffness(output, loadOhms));
            real.cornerHertz()
                    .ifPresent(corner -> lines.add(
                            corner(corner, output, parts.primaryHenries().orElseThrow(), band)));
        });
        if (!real.trouble().isEmpty()) {
            lines.add(note("Output resistance and low corner: " + real.trouble()));
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
    private static LoadView.RemarkLine magnetised(double low) {
        boolean much = low > MeasuredTransformer.AGREE;
        return new LoadView.RemarkLine(
                much ? "caution" : "note",
                much ? "warm" : "open",
                "A ratio read at 50 Hz with the primary driven comes out " + Show.significant(100 * low, 2)
                        + " % off by magnetising current in its copper, (R / (2π f L))² / 2"
                        + (much ? ": measure at a few hundred hertz." : "."));
    }

    private static LoadView.RemarkLine stiffness(double output, double loadOhms) {
        return note("At small signals the stage shows " + LoadWords.plainOhms(output) + " to its load, "
                + Show.significant(output / loadOhms, 2) + " times the load: without feedback the level "
                + (output > 2 * loadOhms
                        ? "follows the speaker's impedance, louder at the resonance and in the treble."
                        : output > loadOhms / 2
                                ? "follows the speaker's impedance in part."
                                : "hardly follows the speaker's impedance."));
    }

    private static LoadView.RemarkLine corner(double corner, double output, double henries, Instrument band) {
        boolean high = corner > band.lowHertz();
        return new LoadView.RemarkLine(
                high ? "caution" : "note",
                high ? "warm" : "open",
                "Low corner at small signals " + Show.significant(corner, 2)
                        + " Hz (−3 dB): the load beside "
                        + LoadWords.plainOhms(output) + ", over 2π · " + Show.plain(henries, 3) + " H. "
                        + (high
                                ? "That is above the lowest note of a " + band.words() + ", "
                                        + Show.plain(band.lowHertz(), 2)
                                        + " Hz. "
                                : "")
                        + "Inductance read by a meter at millivolts is a lower bound; feedback lowers the corner.");
    }

    private static LoadView.RemarkLine carried(RealFigures.Carried carried, FittedParts.Rated rated, Instrument band) {
        boolean less = carried.wattsThere() < carried.fullWatts();
        return new LoadView.RemarkLine(
                less ? "caution" : "note",
                less ? "warm" : "open",
                "The " + Show.significant(carried.fullWatts(), 3) + " W of this stage pass the core down to "
                        + Show.significant(carried.lowestHertz(), 2) + " Hz; at " + Show.plain(band.lowHertz(), 2)
                        + " Hz, the lowest note of a " + band.words() + ", it carries "
                        + Show.significant(carried.wattsThere(), 3) + " W: " + Show.plain(rated.watts(), 3) + " W · ("
                        + Show.plain(band.lowHertz(), 2) + " Hz / " + Show.plain(rated.hertz(), 3) + " Hz)².");
    }

    private static LoadView.RemarkLine note(String sentence) {
        return new LoadView.RemarkLine("note", "open", sentence);
    }
}
