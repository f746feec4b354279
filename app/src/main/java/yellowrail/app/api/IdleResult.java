package yellowrail.app.api;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.idle.Formula;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.idle.LimitCheck;
import yellowrail.core.idle.OpenQuestion;
import yellowrail.core.idle.Permitted;
import yellowrail.core.idle.Slip;
import yellowrail.core.idle.Statement;
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
                        "The same at highest mains, for the worst tube of a stated spread and everything the bias can be")
        Value judgedShare,

        @Schema(description = "What judgedShare refers to") String judgedAt,

        @Schema(description = "Unloaded B+ from a tubes-out reading, V")
        Double unloadedSupply,

        @Schema(description = "Where it stands: the worse of the two statements")
        Verdict.Place verdict,

        @Schema(description = "The verdict in words") String words,

        @Schema(description = "The statement as read") Said now,

        @Schema(description = "The statement at nominal and highest mains")
        Said raised,

        @Schema(description = "What the verdict hangs on; null when no question is open")
        Question question,

        @Schema(description = "What keeps the verdict from being final")
        List<Verdict.Qualifier> qualifiers,

        @Schema(description = "In the window with nothing to qualify it")
        boolean allClear,

        @Schema(description = "Sentences behind the verdict, the two statements first")
        List<String> reasons,

        @Schema(description = "The hottest idle at which nothing is passed; null when there is none to tell")
        Most highestPermitted,

        @Schema(description = "Targets as meter readings") List<Target> targets,
        @Schema(description = "Other limits") List<LimitCheck> limits,

        @Schema(description = "What is not known, weightiest first")
        List<Gap> missing,

        @Schema(description = "What is said or read twice and not alike")
        List<Contradicted> contradictions,

        @Schema(description = "Likely slips") List<Doubt> slips,
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
            boolean chosen,

            @Schema(description = "The limit that would be passed there; null when the setting may stay")
            String above,

            @Schema(
                    description =
                            "Whether plate volts will have moved so far that it is a step on the way: turn, then read again")
            boolean step) {
        static Target of(TargetReading t) {
            return new Target(
                    t.name(),
                    t.share(),
                    t.watts(),
                    t.plateAmperes(),
                    t.reading().map(Typed::value).orElse(null),
                    t.plusMinus(),
                    t.chosen(),
                    t.above().orElse(null),
                    t.step());
        }
    }

    /** A likely slip. */
    @Schema(description = "A likely slip behind a reading")
    record Doubt(
            @Schema(description = "Which reading it is about")
            Slip.About about,

            @Schema(description = "The question") String question,

            @Schema(description = "What could have been meant, likeliest first")
            List<String> choices,

            @Schema(description = "Whether it is asked about before the reading counts")
            boolean asks,

            @Schema(description = "Whether the reading, if it is real, asks for power off")
            boolean dangerous) {
        static Doubt of(Slip slip) {
            return new Doubt(
                    slip.about(),
                    slip.question(),
                    slip.choices().stream().map(Typed::echo).toList(),
                    slip.asks(),
                    slip.dangerous());
        }
    }

    /** One of the two statements. */
    @Schema(description = "One of the two statements of a verdict")
    record Said(
            @Schema(description = "Where it stands there") Verdict.Place place,

            @Schema(description = "The statement with its numbers")
            String sentence) {
        static Said of(Statement statement) {
            return new Said(statement.place(), statement.sentence());
        }
    }

    /** An open question. */
    @Schema(description = "A question whose answer decides the verdict")
    record Question(
            @Schema(description = "The question with every outcome in it")
            String sentence,

            @Schema(description = "What each answer would mean")
            List<Outcome> outcomes) {
        static Question of(OpenQuestion q) {
            return new Question(
                    q.sentence(),
                    q.outcomes().stream()
                            .map(o -> new Outcome(o.bias(), o.place(), o.words(), o.lowShare(), o.highShare()))
                            .toList());
        }
    }

    /** What one answer would mean. */
    @Schema(description = "What one answer would mean")
    record Outcome(
            @Schema(description = "How the bias would behave")
            BiasScheme bias,

            @Schema(description = "Where the point would stand")
            Verdict.Place verdict,

            @Schema(description = "The answer in words") String words,

            @Schema(description = "Share of the rating at highest mains, low end, 1 = 100 %")
            double lowShare,

            @Schema(description = "The high end") double highShare) {}

    /** The hottest permitted idle. */
    @Schema(description = "The hottest idle at which nothing is passed, error bands and a margin included")
    record Most(
            @Schema(description = "Share of the plate rating, 1 = 100 %")
            double share,

            @Schema(description = "Plate dissipation, W") double watts,

            @Schema(description = "Plate current of one tube, A")
            double plateCurrent,

            @Schema(description = "What the meter shows there, in the base unit of the method; null when it has none")
            Double reading,

            @Schema(description = "What ends it") String limit) {
        static Most of(Permitted p) {
            return new Most(
                    p.share(),
                    p.watts(),
                    p.plateAmperes(),
                    p.reading().map(Typed::value).orElse(null),
                    p.limit());
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
                a.verdict().words(),
                Said.of(a.verdict().now()),
                Said.of(a.verdict().raised()),
                a.verdict().question().map(Question::of).orElse(null),
                List.copyOf(a.verdict().qualifiers()),
                a.verdict().allClear(),
                a.verdict().sentences(),
                a.permitted().map(Most::of).orElse(null),
                a.targets().stream().map(Target::of).toList(),
                a.limits(),
                a.missing().stream()
                        .map(m -> new Gap(
                                m.what(), Double.isFinite(m.effect()) ? m.effect() : null, m.sentence(), m.blocks()))
                        .toList(),
                Contradicted.of(a.contradictions()),
                a.slips().stream().map(Doubt::of).toList(),
                a.notes(),
                a.formulas());
    }
}
