package yellowrail.app.api;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import yellowrail.core.tube.Correction;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;

/** A catalogue entry; null is not known. */
@Schema(description = "A catalogue entry; null is not known, never zero")
record TubeResult(
        @Schema(description = "Designation") String designation,
        @Schema(description = "Exact equivalents") List<String> aliases,
        @Schema(description = "Construction") String construction,
        @Schema(description = "Base") String base,
        @Schema(description = "Function of each pin") Map<Integer, String> pins,
        @Schema(description = "Heater voltage, V") Value heaterVolts,

        @Schema(description = "Heater current, A; the largest where a range is published")
        Value heaterAmperes,

        @Schema(description = "One entry for each publication")
        List<Edition> ratings,

        @Schema(description = "Usual screen share of the cathode current, 1 = 100 %")
        Double screenShare,

        @Schema(description = "± limit of that share") Double screenShareBand,

        @Schema(description = "Close relatives that are not equivalents")
        Map<String, String> related,

        @Schema(description = "Where the figures come from") String origin,

        @Schema(description = "Entered or corrected by the builder")
        boolean own,

        @Schema(description = "How a correction differs from the shipped entry, in words")
        List<String> differences) {
    /** A published figure. */
    @Schema(description = "A published figure in the unit of its field")
    record Value(
            @Schema(description = "The figure") double value,

            @Schema(description = "To be verified with the maker's sheet")
            boolean toBeVerified) {
        static Value of(Optional<Figure> figure) {
            return figure.map(f -> new Value(f.value(), f.toBeVerified())).orElse(null);
        }
    }

    /** The limits of one publication. */
    @Schema(description = "The limits of one publication")
    record Edition(
            @Schema(description = "Rating system") String system,
            @Schema(description = "Which publication") String edition,
            @Schema(description = "Plate dissipation, W") Value plateWatts,
            @Schema(description = "Screen dissipation, W") Value screenWatts,

            @Schema(description = "Plate plus screen dissipation, W")
            Value combinedWatts,

            @Schema(description = "DC plate voltage, V") Value plateVolts,
            @Schema(description = "DC screen voltage, V") Value screenVolts,
            @Schema(description = "DC cathode current, A") Value cathodeAmperes,

            @Schema(description = "Largest grid-circuit resistance with fixed bias, Ω")
            Value gridOhmsFixedBias,

            @Schema(description = "Largest grid-circuit resistance with cathode bias, Ω")
            Value gridOhmsCathodeBias,

            @Schema(
                    description =
                            "Screen dissipation with signal, averaged over a cycle, W; null where the one for DC operation holds or nothing is known")
            Value signalScreenWatts,

            @Schema(description = "Peak plate voltage at any moment of a cycle, V")
            Value peakPlateVolts,

            @Schema(description = "Limits this publication is known not to give, in words")
            List<String> nonePublished) {
        static Edition of(Ratings r) {
            return new Edition(
                    r.system().words(),
                    r.edition(),
                    Value.of(r.plateWatts()),
                    Value.of(r.screenWatts()),
                    Value.of(r.combinedWatts()),
                    Value.of(r.plateVolts()),
                    Value.of(r.screenVolts()),
                    Value.of(r.cathodeAmperes()),
                    Value.of(r.gridOhmsFixedBias()),
                    Value.of(r.gridOhmsCathodeBias()),
                    Value.of(r.withSignal().screenWatts()),
                    Value.of(r.withSignal().peakPlateVolts()),
                    r.nonePublished().stream().map(Limit::words).sorted().toList());
        }
    }

    static TubeResult of(TubeType t) {
        return new TubeResult(
                t.designation(),
                t.aliases(),
                t.construction(),
                t.pinout().map(p -> p.base().words()).orElse(null),
                t.pinout()
                        .map(p -> p.pins().entrySet().stream()
                                .collect(Collectors.toMap(
                                        Map.Entry::getKey, e -> e.getValue().words())))
                        .orElse(Map.of()),
                Value.of(t.heaterVolts()),
                Value.of(t.heaterAmperes()),
                t.ratings().stream().map(Edition::of).toList(),
                t.screenShare().map(s -> s.share()).orElse(null),
                t.screenShare().map(s -> s.band()).orElse(null),
                t.related(),
                t.origin(),
                t.own(),
                Correction.differences(t));
    }
}
