package yellowrail.app.load;

import java.util.Optional;
import yellowrail.core.load.Instrument;
import yellowrail.core.load.LowNotes;
import yellowrail.core.load.RealLoad;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.OutputResistance;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSetting;

/**
 * What copper, inductance and core of a transformer make of a load; each empty where it was not told.
 *
 * @param copper what its windings' ohms add and lose
 * @param magnetising share by which a ratio read with the primary driven at {@value #MEASURED_HERTZ} Hz comes out low
 * @param carried what its core carries
 * @param outputOhms what the stage shows to its load at small signals, Ω; empty where it cannot be computed
 * @param cornerHertz low corner at small signals, −3 dB, Hz
 * @param trouble why the stage cannot be computed; empty where it can
 */
public record RealFigures(
        Optional<RealLoad> copper,
        Optional<Double> magnetising,
        Optional<Carried> carried,
        Optional<Double> outputOhms,
        Optional<Double> cornerHertz,
        String trouble) {
    static final double MEASURED_HERTZ = 50;

    /**
     * The core at the lowest note.
     *
     * @param fullWatts power of this stage at clipping, W
     * @param lowestHertz down to which that power passes, Hz
     * @param wattsThere what it carries at the lowest note of the instrument, W
     */
    public record Carried(double fullWatts, double lowestHertz, double wattsThere) {}

    /**
     * @param setting the stage at this load
     * @param turns whole primary over the tap in use
     * @param speakerOhms nominal, Ω
     */
    static RealFigures of(
            FittedParts parts,
            StageSetting setting,
            double turns,
            double speakerOhms,
            double fullWatts,
            Instrument band) {
        Optional<Double> output = Optional.empty();
        Optional<Double> corner = Optional.empty();
        String trouble = "";
        try {
            Stage stage = setting.stage();
            double ohms = OutputResistance.of(stage);
            output = Optional.of(ohms);
            corner = parts.primaryHenries().map(h -> LowNotes.corner(stage.loadOhms(), ohms, h));
        } catch (NoSolution none) {
            trouble = none.getMessage();
        }
        return new RealFigures(
                RealLoad.of(parts.windings(), turns, speakerOhms),
                parts.windings()
                        .primary()
                        .flatMap(ohms -> parts.primaryHenries()
                                .map(henries -> LowNotes.magnetising(ohms, henries, MEASURED_HERTZ))),
                parts.rated()
                        .map(rated -> new Carried(
                                fullWatts,
                                LowNotes.lowestFor(fullWatts, rated.watts(), rated.hertz()),
                                LowNotes.carried(rated.watts(), rated.hertz(), band.lowHertz()))),
                output,
                corner,
                trouble);
    }
}
