package yellowrail.app.api;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Optional;
import yellowrail.core.idle.Formula;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.idle.LimitCheck;
import yellowrail.core.idle.Slip;
import yellowrail.core.idle.TargetReading;
import yellowrail.core.idle.Verdict;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Typed;

/** The answer to an idle check. A quantity that could not be computed is null, never zero. */
@Schema(description = "Answer to an idle check; null is not known")
record IdleResult(
        @Schema(description = "Cathode current of one tube, A")
        Value cathodeCurrent,

        @Schema(description = "Plate current of one tube, A")
        Value plateCurrent,

        @Schema(description = "Screen current of one tube, A")
        Value screenCurrent,

        @Schema(description = "Plate to cathode, V") Value plateToCathode,
        @Schema(description = "Plate dissipation used, W") Value plateDissipation,

        @Schema(description = "Plate dissipation with all seen current counted as plate current, W")
        Double upperBound,

        @Schema(description = "Screen dissipation, W") Value screenDissipation,
        @Schema(description = "Plate rating judged by, W") Double rating,
        @Schema(description = "Its rating system") String ratingSystem,
        @Schema(description = "Its edition") String edition,

        @Schema(description = "Plate dissipation as read over the rating, 1 = 100 %")
        Value share,

        @Schema(
                description =
                        "The same as judged: at the mains the rating system asks for, worst tube of a stated spread")
        Value judgedShare,

        @Schema(description = "What judgedShare refers to") String judgedAt,

        @Schema(description = "Unloaded B+ from a tubes-out reading, V")
        Double unloadedSupply,

        @Schema(
                description =
                        "UNKNOWN, NO_TARGET, BELOW_WINDOW, IN_WINDOW, ABOVE_WINDOW, ABOVE_CEILING or ABOVE_RATING")
        Verdict.Place verdict,

        @Schema(description = "Whether only the error band reaches the ceiling or rating")
        boolean possibly,

        @Schema(description = "What keeps the verdict from being final")
        List<Verdict.Qualifier> qualifiers,

        @Schema(description = "In the window with nothing to qualify it")
        boolean allClear,

        @Schema(description = "Sentences behind the verdict")
        List<String> reasons,

        @Schema(description = "Targets as meter readings") List<Target> targets,
        @Schema(description = "Other limits") List<LimitCheck> limits,

        @Schema(description = "What is not known, weightiest first")
        List<Gap> missing,

        @Schema(description = "Likely slips") List<Slip> slips,
        @Schema(description = "What to keep in mind") List<String> notes,
        @Schema(description = "Every figure opened") List<Formula> formulas) {
    /** A value with its errors. */
    @Schema(description = "A value in the unit of its field")
    record Value(
            @Schema(description = "The value") double value,

            @Schema(description = "Half width of the 95 % band, same unit")
            double likely,

            @Schema(description = "Half width of the worst case, same unit")
            double worst) {
        static Value of(Optional<Estimate> estimate) {
            return estimate.map(e -> new Value(e.value(), e.likely(), e.worst()))
                    .orElse(null);
        }
    }

    /** A target as a meter reading. */
    @Schema(description = "A target as a meter reading at the present plate volts")
    record Target(
            @Schema(description = "Name") String name,

            @Schema(description = "Share of the plate rating, 1 = 100 %")
            double share,

            @Schema(description = "Plate dissipation, W") double watts,

            @Schema(description = "Plate current of one tube, A")
            double plateCurrent,

            @Schema(description = "What the meter shows there, in the base unit of the method (V, A or divisions)")
            Double reading,

            @Schema(description = "Half width of its 95 % band, same unit")
            double plusMinus,

            @Schema(description = "Whether it is the chosen target")
            boolean chosen) {
        static Target of(TargetReading t) {
            return new Target(
                    t.name(),
                    t.share(),
                    t.watts(),
                    t.plateAmperes(),
                    t.reading().map(Typed::value).orElse(null),
                    t.plusMinus(),
                    t.chosen());
        }
    }

    /** Something not known. */
    @Schema(description = "Something not known yet")
    record Gap(
            @Schema(description = "What is missing") String what,

            @Schema(
                    description =
                            "How far it could move the result, 1 = 100 %; null when there is no result without it")
            Double effect,

            @Schema(description = "What it could change") String sentence,

            @Schema(description = "Whether no all-clear is given without it")
            boolean blocks) {}

    static IdleResult of(IdleAnswer a) {
        return new IdleResult(
                Value.of(a.cathodeAmperes()),
                Value.of(a.plateAmperes()),
                Value.of(a.screenAmperes()),
                Value.of(a.plateToCathodeVolts()),
                Value.of(a.plateWatts()),
                a.upperBoundWatts().orElse(null),
                Value.of(a.screenWatts()),
                a.ratings().flatMap(r -> r.plateWatts()).map(f -> f.value()).orElse(null),
                a.ratings().map(r -> r.system().words()).orElse(null),
                a.ratings().map(r -> r.edition()).orElse(null),
                Value.of(a.share()),
                Value.of(a.judgedShare()),
                a.judgedAt(),
                a.unloadedSupplyVolts().orElse(null),
                a.verdict().place(),
                a.verdict().possibly(),
                List.copyOf(a.verdict().qualifiers()),
                a.verdict().allClear(),
                a.verdict().reasons(),
                a.targets().stream().map(Target::of).toList(),
                a.limits(),
                a.missing().stream()
                        .map(m -> new Gap(
                                m.what(), Double.isFinite(m.effect()) ? m.effect() : null, m.sentence(), m.blocks()))
                        .toList(),
                a.slips(),
                a.notes(),
                a.formulas());
    }
}
