package yellowrail.app.api;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import yellowrail.app.stage.StageSweeps;
import yellowrail.core.stage.Sweep;
import yellowrail.core.stage.SweepPoint;

/** The sweeps of a stage. */
@Schema(description = "What a stage does while one thing is moved and all else stays")
record SweepsResult(
        @Schema(description = "Every place of every sweep") List<PointResult> points,

        @Schema(description = "Hottest idle that keeps the plates inside")
        List<String> target,

        @Schema(description = "Coldest idle with little distortion at 1 W")
        List<String> clean,

        @Schema(description = "What the screens go through and what would help")
        List<String> screens) {

    /** One place of a sweep; every figure is null where there is no answer. */
    @Schema(description = "One place of a sweep; figures are null where there is no answer")
    record PointResult(
            @Schema(description = "Which sweep") Sweep sweep,

            @Schema(description = "The place: share of the rating, of the load, of nominal mains, or mismatch")
            double at,

            @Schema(description = "Hottest plate at idle, W")
            Double idleWatts,

            @Schema(description = "Power at full drive, W") Double watts,

            @Schema(description = "THD at full drive, share")
            Double distortion,

            @Schema(description = "THD at 1 W, share") Double distortionAtOneWatt,

            @Schema(description = "Second harmonic at 1 W, share")
            Double secondAtOneWatt,

            @Schema(description = "Hottest average plate by what is played, W")
            Double plateWatts,

            @Schema(description = "Hottest average screen by what is played, W")
            Double screenWatts,

            @Schema(description = "Highest plate volts to chassis, V")
            Double plateVolts,

            @Schema(description = "Largest average cathode current, A")
            Double cathodeAmperes,

            @Schema(description = "Why there is no answer, or empty")
            String trouble) {
        static PointResult of(Sweep sweep, SweepPoint p) {
            return new PointResult(
                    sweep,
                    p.at(),
                    orNull(p.idleWatts()),
                    orNull(p.watts()),
                    orNull(p.distortion()),
                    orNull(p.distortionAtOneWatt()),
                    orNull(p.secondAtOneWatt()),
                    orNull(p.plateWatts()),
                    orNull(p.screenWatts()),
                    orNull(p.plateVolts()),
                    orNull(p.cathodeAmperes()),
                    p.trouble());
        }

        private static Double orNull(double value) {
            return Double.isNaN(value) ? null : value;
        }
    }

    static SweepsResult of(List<StageSweeps.Piece> pieces) {
        return new SweepsResult(
                pieces.stream()
                        .filter(p -> p.kind() == StageSweeps.Kind.POINT)
                        .map(p -> PointResult.of(p.sweep(), p.point()))
                        .toList(),
                words(pieces, StageSweeps.Kind.TARGET),
                words(pieces, StageSweeps.Kind.CLEAN),
                words(pieces, StageSweeps.Kind.SCREENS));
    }

    private static List<String> words(List<StageSweeps.Piece> pieces, StageSweeps.Kind kind) {
        return pieces.stream()
                .filter(p -> p.kind() == kind)
                .flatMap(p -> p.words().stream())
                .toList();
    }
}
