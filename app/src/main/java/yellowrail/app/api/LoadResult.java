package yellowrail.app.api;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.app.load.LoadAnswers;
import yellowrail.app.load.LoadEffects;
import yellowrail.app.load.OpenCell;
import yellowrail.app.load.RealFigures;
import yellowrail.core.judging.Standing;
import yellowrail.core.load.LoadMap;
import yellowrail.core.load.RealLoad;
import yellowrail.core.load.Remark;
import yellowrail.core.load.Transformer;
import yellowrail.core.reading.Estimate;

/** A transformer, its taps and what speakers on them do to a stage. */
@Schema(description = "Ratio, taps by speakers and what does not fit: a model, not a measurement")
record LoadResult(
        @Schema(description = "The load the stage is meant for, Ω")
        double wantedOhms,

        @Schema(description = "Its secondary taps") List<Tap> taps,

        @Schema(description = "Screen taps, share of their half of the primary; null when not read")
        Figure screenTap,

        @Schema(description = "Every set of speakers on every tap whose ratio is known")
        List<Cell> map,

        @Schema(description = "What the idle alone does not pass; null where it passes all")
        AtAnyLoad atAnyLoad,

        @Schema(description = "What copper, inductance and core make of the open cell; null where it is no operation")
        Real real,

        @Schema(description = "Gravest first") List<Said> remarks) {
    @Schema(
            description =
                    "The open cell with its real transformer; a figure is null where what it hangs on was not sent")
    record Real(
            @Schema(description = "The set of speakers as written")
            String speakers,

            @Schema(description = "Tap, Ω") double tap,

            @Schema(description = "What the tubes see with the copper, Ω")
            Double seenOhms,

            @Schema(description = "Copper of the whole primary, Ω")
            Double primaryCopperOhms,

            @Schema(description = "Copper of the tap as seen from the primary, Ω")
            Double secondaryCopperOhms,

            @Schema(description = "Share of the power that reaches the speakers")
            Double efficiency,

            @Schema(description = "Share by which a ratio read at 50 Hz with the primary driven comes out low")
            Double magnetisingShare,

            @Schema(description = "Power at clipping, W") Double fullWatts,

            @Schema(description = "Down to which the core passes that power, Hz")
            Double lowestHertz,

            @Schema(description = "What the core carries at the lowest note of the instrument, W")
            Double wattsAtLowestNote,

            @Schema(description = "What the stage shows to its load at small signals, Ω")
            Double outputOhms,

            @Schema(description = "Low corner at small signals, −3 dB, Hz")
            Double cornerHertz) {
        static Real of(OpenCell open, RealFigures real) {
            return new Real(
                    open.row().text(),
                    open.cell().tap(),
                    real.copper().map(RealLoad::seenOhms).orElse(null),
                    real.copper().map(RealLoad::primaryCopper).orElse(null),
                    real.copper().map(RealLoad::secondaryCopper).orElse(null),
                    real.copper().map(RealLoad::efficiency).orElse(null),
                    real.magnetising().orElse(null),
                    real.carried().map(RealFigures.Carried::fullWatts).orElse(null),
                    real.carried().map(RealFigures.Carried::lowestHertz).orElse(null),
                    real.carried().map(RealFigures.Carried::wattsThere).orElse(null),
                    real.outputOhms().orElse(null),
                    real.cornerHertz().orElse(null));
        }
    }

    @Schema(description = "A value with the half width of its 95 % band")
    record Figure(
            @Schema(description = "The value, in the unit of the figure")
            double value,

            @Schema(description = "Half width of its 95 % band, in the same unit")
            double likely) {
        static Figure of(Estimate estimate) {
            return new Figure(estimate.value(), estimate.likely());
        }
    }

    @Schema(description = "One secondary tap")
    record Tap(
            @Schema(description = "Nominal load as marked, Ω")
            double ohms,

            @Schema(description = "Whole primary over this tap; null when not known")
            Figure turns,

            @Schema(description = "What the primary shows with its nominal load on it, Ω; null when not known")
            Figure primaryOhms,

            @Schema(description = "Where the ratio comes from")
            Transformer.Source source) {}

    @Schema(description = "One set of speakers on one tap")
    record Cell(
            @Schema(description = "The set as written") String speakers,
            @Schema(description = "From the markings, Ω") double nominalOhms,
            @Schema(description = "Tap, Ω") double tap,

            @Schema(description = "What the primary shows, Ω")
            Figure ohms,

            @Schema(description = "That over the wanted load")
            double factor,

            @Schema(description = "As good as open or shorted: a stop, and no operation")
            boolean stop,

            @Schema(description = "How the worst limit that a load moves stands; null for a stop")
            Standing standing,

            @Schema(description = "The worst limit, or why it is a stop")
            String worst,

            @Schema(
                    description =
                            "What builders hold of twice the wanted load or more, half or less, with this stage's figures; null nearer to it")
            String twofold) {}

    @Schema(description = "What does not pass whatever the load is")
    record AtAnyLoad(
            @Schema(description = "How it stands") Standing standing,

            @Schema(description = "Which limit, with its share")
            String worst) {}

    @Schema(description = "Something that does not fit or is to be known")
    record Said(
            @Schema(description = "What it is") Remark.Code code,
            @Schema(description = "How much it weighs") Remark.Weight weight,

            @Schema(description = "The field or leads it belongs to; empty for the whole")
            String about,

            @Schema(description = "What was found, with its numbers, and what to do")
            String sentence) {}

    static LoadResult of(LoadAnswers.Answered answered) {
        Transformer transformer = answered.transformer();
        List<Tap> taps = transformer.taps().stream()
                .map(ohms -> new Tap(
                        ohms,
                        figure(transformer.turns(ohms)),
                        figure(transformer.reflected(ohms, ohms)),
                        transformer.source(ohms)))
                .toList();
        List<Cell> map = new ArrayList<>();
        for (LoadMap.Row row : answered.map().rows()) {
            for (LoadMap.Cell cell : row.cells()) {
                Optional<LoadEffects.Worst> worst =
                        Optional.ofNullable(answered.judged().get(cell));
                map.add(new Cell(
                        row.text(),
                        row.nominalOhms(),
                        cell.tap(),
                        Figure.of(cell.reflected()),
                        cell.factor(),
                        worst.isEmpty(),
                        worst.map(LoadEffects.Worst::standing).orElse(null),
                        worst.map(LoadEffects.Worst::words)
                                .orElseGet(() -> cell.stop().orElseThrow().sentence()),
                        answered.twofold().get(cell)));
            }
        }
        return new LoadResult(
                answered.map().wantedOhms(),
                taps,
                figure(transformer.measured().screenTap()),
                map,
                answered.atAnyLoad()
                        .map(w -> new AtAnyLoad(w.standing(), w.words()))
                        .orElse(null),
                answered.real()
                        .map(real -> Real.of(answered.opened().orElseThrow(), real))
                        .orElse(null),
                answered.remarks().stream()
                        .map(r -> new Said(r.code(), r.code().weight(), r.about(), r.sentence()))
                        .toList());
    }

    private static Figure figure(Optional<Estimate> estimate) {
        return estimate.map(Figure::of).orElse(null);
    }
}
