package yellowrail.app.api;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import yellowrail.app.load.LoadAnswers;
import yellowrail.core.judging.Judgement;
import yellowrail.core.judging.Standing;
import yellowrail.core.load.FrequencyFigures;
import yellowrail.core.load.HeatOverFrequency;
import yellowrail.core.load.OverFrequency;
import yellowrail.core.stage.Heat;

/** Heat of a stage over frequency into speakers. */
@Schema(
        description =
                "Heat at every frequency into the open cell's speakers, by what is played: a model, not a measurement")
record HeatResult(
        @Schema(description = "The set of speakers as written")
        String speakers,

        @Schema(description = "Tap, Ω") double tap,

        @Schema(description = "Peak grid volts: full drive into the nominal ohms, V")
        double driveVolts,

        @Schema(description = "At this mains, by rising frequency, as far as the speakers were measured")
        List<Point> points,

        @Schema(
                description =
                        "What hides a hotter point: a curve that ends within the band, frequencies without a solution, an"
                                + " inductance that is not known")
        List<String> cautions,

        @Schema(description = "Plate, screen and peak at their gravest in the band of the instrument")
        List<Limited> limits) {
    @Schema(description = "One frequency")
    record Point(
            @Schema(description = "Frequency, Hz") double hertz,

            @Schema(description = "Into the speakers at a full sine, W")
            double watts,

            @Schema(description = "Hottest plate around this frequency alone, by what is played, idle included, W")
            double plateWatts,

            @Schema(description = "Hottest screen, likewise, W")
            double screenWatts,

            @Schema(description = "Highest plate volts to chassis at a full sine, V")
            double peakPlateVolts) {
        static Point of(HeatOverFrequency.Point point, Heat heat) {
            return new Point(
                    point.hertz(),
                    point.full().watts(),
                    heat.plateWatts(),
                    heat.screenWatts(),
                    point.full().plateMost());
        }
    }

    @Schema(description = "One limit")
    record Limited(
            @Schema(description = "Which, by its key in the catalogue")
            String limit,

            @Schema(description = "How it stands") Standing standing,
            @Schema(description = "Figure, W or V") double figure,

            @Schema(
                    description =
                            "Lowest frequency it is the average of, Hz; equal to the highest for one frequency; null at idle")
            Double lowHertz,

            @Schema(description = "Highest frequency, Hz") Double highHertz,

            @Schema(description = "Mains there, share of nominal")
            double mains,

            @Schema(description = "Figure over what is allowed; null where no rating is published or known")
            Double share,

            @Schema(description = "The worst octave, where it stands worse than a band that passes; null otherwise")
            Octave octave) {
        static Limited of(OverFrequency judged) {
            FrequencyFigures.Found found = judged.found();
            return new Limited(
                    judged.limit().printed().key(),
                    judged.standing(),
                    judged.value().figure().value(),
                    found.atIdle() ? null : found.lowHertz(),
                    found.atIdle() ? null : found.highHertz(),
                    judged.mains(),
                    judged.worst().map(Judgement::share).orElse(null),
                    judged.octave().map(Octave::of).orElse(null));
        }
    }

    @Schema(description = "One octave by itself")
    record Octave(
            @Schema(description = "How it stands") Standing standing,
            @Schema(description = "Figure, W") double figure,
            @Schema(description = "From, Hz") double lowHertz,
            @Schema(description = "To, Hz") double highHertz) {
        static Octave of(OverFrequency.Octave octave) {
            return new Octave(
                    octave.standing(),
                    octave.found().figure(),
                    octave.found().lowHertz(),
                    octave.found().highHertz());
        }
    }

    static HeatResult of(LoadAnswers.HeatedCell heated) {
        return new HeatResult(
                heated.opened().row().text(),
                heated.opened().cell().tap(),
                heated.heat().heat().drive(),
                heated.heat().points().stream()
                        .map(p -> Point.of(p, heated.heat().at(p)))
                        .toList(),
                heated.heat().cautions(),
                heated.heat().judged().stream().map(Limited::of).toList());
    }
}
