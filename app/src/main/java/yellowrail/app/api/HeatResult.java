package yellowrail.app.api;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import yellowrail.app.load.LoadAnswers;
import yellowrail.core.judging.Judgement;
import yellowrail.core.judging.Standing;
import yellowrail.core.load.OverFrequency;
import yellowrail.core.stage.ReactiveCycle;

/** Heat of a stage over frequency into speakers. */
@Schema(description = "A full sine at every frequency into the open cell's speakers: a model, not a measurement")
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
                        "What hides a hotter point: a curve that ends within the band, frequencies without a solution")
        List<String> cautions,

        @Schema(description = "Plate, screen and peak at their gravest in the band of the instrument")
        List<Limited> limits) {
    @Schema(description = "One frequency")
    record Point(
            @Schema(description = "Frequency, Hz") double hertz,
            @Schema(description = "Into the speakers, W") double watts,
            @Schema(description = "Hottest plate, W") double plateWatts,
            @Schema(description = "Hottest screen, W") double screenWatts,

            @Schema(description = "Highest plate volts to chassis, V")
            double peakPlateVolts) {
        static Point of(ReactiveCycle cycle) {
            return new Point(
                    cycle.hertz(),
                    cycle.watts(),
                    cycle.hottestPlateWatts(),
                    cycle.hottestScreenWatts(),
                    cycle.plateMost());
        }
    }

    @Schema(description = "One limit")
    record Limited(
            @Schema(description = "Which, by its key in the catalogue")
            String limit,

            @Schema(description = "How it stands") Standing standing,
            @Schema(description = "Figure, W or V") double figure,
            @Schema(description = "Where it is, Hz") double hertz,

            @Schema(description = "Mains there, share of nominal")
            double mains,

            @Schema(description = "Figure over what is allowed; null where no rating is published or known")
            Double share) {
        static Limited of(OverFrequency judged) {
            return new Limited(
                    judged.limit().printed().key(),
                    judged.standing(),
                    judged.figure(),
                    judged.hertz(),
                    judged.mains(),
                    judged.worst().map(Judgement::share).orElse(null));
        }
    }

    static HeatResult of(LoadAnswers.HeatedCell heated) {
        return new HeatResult(
                heated.opened().row().text(),
                heated.opened().cell().tap(),
                heated.heat().drive(),
                heated.heat().points().stream().map(Point::of).toList(),
                heated.heat().cautions(),
                heated.heat().judged().stream().map(Limited::of).toList());
    }
}
