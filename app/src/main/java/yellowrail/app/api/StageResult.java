package yellowrail.app.api;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import yellowrail.app.stage.StageEngine;
import yellowrail.app.stage.StageJudgements;
import yellowrail.app.stage.TubeFacts;
import yellowrail.core.idle.Statement;
import yellowrail.core.judging.Standing;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.tube.ModelTrust;

/** A computed stage. */
@Schema(description = "A computed stage: a model, not a measurement")
record StageResult(
        @Schema(description = "Designation of the tube type")
        String tube,

        @Schema(description = "Plate dissipation of the hottest tube at idle, share of its rating")
        double idleShare,

        @Schema(description = "Grid supply, V; 0 with cathode bias alone")
        double gridVolts,

        @Schema(description = "Cathode resistor, Ω; 0 for none")
        double cathodeOhms,

        @Schema(description = "No drive") LevelResult idle,

        @Schema(description = "Rising drive; the last one is full, where the first grid reaches 0 V")
        List<LevelResult> levels,

        @Schema(description = "The drive that gives 1 W, or null")
        LevelResult oneWatt,

        @Schema(description = "Power at which a tube falls below 10 % of its idle current, W; null when none does")
        Double classAWatts,

        @Schema(description = "Highest plate volts to chassis over the drive, V")
        double peakPlateVolts,

        @Schema(description = "Largest plate current of a tube, A")
        double peakPlateAmperes,

        @Schema(description = "The idle at this mains against the limits, in a sentence")
        String now,

        @Schema(description = "The idle at highest mains against the limits, in a sentence")
        String raised,

        @Schema(description = "Figures against their ratings")
        List<LimitResult> limits,

        @Schema(description = "How far the model can be trusted")
        TrustResult trust) {

    /** One level of drive. */
    @Schema(description = "One driven cycle, or idle")
    record LevelResult(
            @Schema(description = "Peak grid volts of each side, V")
            double driveVolts,

            @Schema(description = "Power into the load, W") double watts,

            @Schema(description = "THD from harmonics 2 to 9, share")
            double distortion,

            @Schema(description = "Harmonics 2 to 9, share of the fundamental")
            List<Double> harmonics,

            @Schema(description = "Average B+, V") double supplyVolts,

            @Schema(description = "Average screen node, V") double screenVolts,

            @Schema(description = "Every tube, sides in turn")
            List<TubeLevelResult> tubes) {
        static LevelResult of(Cycle c) {
            return new LevelResult(
                    c.drive(),
                    c.watts(),
                    c.distortion(),
                    c.harmonics(),
                    c.supplyVolts(),
                    c.screenVolts(),
                    c.tubes().stream().map(TubeLevelResult::of).toList());
        }
    }

    /** One tube at one level. */
    @Schema(description = "One tube over the cycle")
    record TubeLevelResult(
            @Schema(description = "Average plate current, A")
            double plateAmperes,

            @Schema(description = "Average screen current, A")
            double screenAmperes,

            @Schema(description = "Average plate dissipation, W")
            double plateWatts,

            @Schema(description = "Average screen dissipation, W")
            double screenWatts,

            @Schema(description = "Largest plate current, A")
            double mostAmperes,

            @Schema(description = "Smallest plate current, A")
            double leastAmperes) {
        static TubeLevelResult of(Cycle.TubeCycle t) {
            return new TubeLevelResult(
                    t.plateAmperes(),
                    t.screenAmperes(),
                    t.plateWatts(),
                    t.screenWatts(),
                    t.plateMost(),
                    t.plateLeast());
        }
    }

    /** A figure against its rating. */
    @Schema(description = "A figure against its rating, in words")
    record LimitResult(
            @Schema(description = "The limit and when it is judged; empty for what has no published limit")
            String code,

            @Schema(description = "Which figure") String name,
            @Schema(description = "Computed, with its unit") String figure,

            @Schema(description = "Its share of the rating, or not published")
            String rating,

            @Schema(description = "Figure over what is allowed at its mains; null where nothing is published")
            Double share,

            @Schema(description = "How it stands, at the mains where that is gravest; a model gives no all-clear")
            Standing standing) {}

    /** How far a model can be trusted. */
    @Schema(description = "Bands of the model, share to either side; null at volts it was not fitted near")
    record TrustResult(
            @Schema(description = "Of plate current and heat")
            Double plate,

            @Schema(description = "Of screen current and heat")
            Double screen,

            @Schema(description = "Of power at full drive") Double watts,

            @Schema(description = "How many operations or points stand behind it")
            int operations,

            @Schema(description = "Whether the builder fitted it")
            boolean own) {}

    static StageResult of(StageSetting setting, StageEngine.Computed c, double highest, TubeFacts facts) {
        ModelTrust trust = facts.curves().trust();
        ModelTrust.Bands bands = facts.bands(c);
        List<Statement> statements = StageJudgements.statements(setting, c, highest, facts);
        return new StageResult(
                facts.designation(),
                setting.idleShare(),
                c.stage().biasing().gridA(),
                c.stage().biasing().cathodeOhms(),
                LevelResult.of(c.drive().idle()),
                c.drive().levels().stream().map(LevelResult::of).toList(),
                c.drive().oneWatt().map(LevelResult::of).orElse(null),
                optional(c.drive().classAWatts()),
                c.drive().plateMost(),
                c.drive().plateAmperes(),
                statements.get(0).sentence(),
                statements.get(1).sentence(),
                Stream.concat(
                                StageJudgements.rows(setting, c, highest, facts).stream(),
                                StageJudgements.unlimited(setting, c, highest).stream())
                        .map(l -> new LimitResult(l.code(), l.name(), l.figure(), l.rating(), l.share(), l.standing()))
                        .toList(),
                new TrustResult(
                        orNull(bands.plate()),
                        orNull(bands.screen()),
                        orNull(bands.watts()),
                        trust.operations(),
                        facts.curves().own()));
    }

    private static Double orNull(double band) {
        return Double.isInfinite(band) ? null : band;
    }

    private static Double optional(Optional<Double> value) {
        return value.orElse(null);
    }
}
