package yellowrail.app.api;

import com.fasterxml.jackson.annotation.JsonAnyGetter;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import yellowrail.core.tube.Correction;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.PublishedLimit;
import yellowrail.core.tube.PublishedLimits;
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
            @JsonAnyGetter @Schema(hidden = true) Map<String, Value> limits,

            @Schema(description = "Limits this publication is known not to give, in words")
            List<String> nonePublished) {
        /** Every limit by its key, null where it is not known. */
        private static Map<String, Value> each(Ratings r) {
            Map<String, Value> limits = new LinkedHashMap<>();
            PublishedLimits.ALL.forEach(l -> limits.put(l.printed().key(), Value.of(r.figure(l))));
            return limits;
        }

        static Edition of(Ratings r) {
            return new Edition(
                    r.system().words(),
                    r.edition(),
                    each(r),
                    r.nonePublished().stream()
                            .map(PublishedLimit::words)
                            .sorted()
                            .toList());
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
