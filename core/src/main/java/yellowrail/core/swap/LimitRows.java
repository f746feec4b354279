package yellowrail.core.swap;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowrail.core.amp.Duty;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Judgement;
import yellowrail.core.judging.JudgementWords;
import yellowrail.core.judging.Standing;
import yellowrail.core.judging.Value;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.Cycle;
import yellowrail.core.stage.DriveSweep;
import yellowrail.core.stage.ScreenReport;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageFigures;
import yellowrail.core.stage.StageJudgement;
import yellowrail.core.stage.When;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.PublishedLimit;

/** Volts, currents and heat of the candidate in this stage, as the judge finds them, in the words of a sheet. */
final class LimitRows {
    private final SwapQuestion question;
    private final SolvedStage before;
    private final SolvedStage after;
    private final StageFigures present;
    private final Judge judge;
    private final List<StageJudgement> judged;
    private final List<StageJudgement> withMargin;

    LimitRows(SwapQuestion question, SolvedStage before, SolvedStage after) {
        this.question = question;
        this.before = before;
        this.after = after;
        this.present =
                before.figures(question.present(), question.present().read()).get(0);
        this.judge = question.judge();
        List<StageFigures> figures = after.figures(question.present(), question.read());
        this.judged = StageJudgement.of(judge, question.duty(), figures);
        this.withMargin = question.present().margin() < 1
                ? StageJudgement.of(question.judgeWithMargin(), question.duty(), figures)
                : List.of();
    }

    /** What was judged of the candidate's stage. */
    List<StageJudgement> judged() {
        return judged;
    }

    List<SwapRow> rows() {
        List<SwapRow> rows = new ArrayList<>();
        rows.add(cold(row(Criterion.PLATE_VOLTS), after.stage().supplyVolts(), Limit.PLATE_VOLTS, "plates"));
        rows.add(row(Criterion.PEAK_VOLTS));
        boolean screens = question.candidate().type().hasScreen();
        if (screens) {
            Stage stage = after.stage();
            boolean own = stage.connection() == Connection.PENTODE && !Double.isNaN(stage.screenSupplyVolts());
            rows.add(cold(
                    row(Criterion.SCREEN_VOLTS),
                    own ? stage.screenSupplyVolts() : stage.supplyVolts(),
                    Limit.SCREEN_VOLTS,
                    "screens"));
        }
        rows.add(row(Criterion.CATHODE_CURRENT));
        rows.add(row(Criterion.PLATE_HEAT));
        if (screens) {
            rows.add(row(Criterion.SCREEN_HEAT));
        }
        return rows;
    }

    /** What a criterion is about. */
    private static List<PublishedLimit> about(Criterion criterion) {
        return switch (criterion) {
            case PLATE_VOLTS -> List.of(Limit.PLATE_VOLTS);
            case PEAK_VOLTS -> List.of(DriveLimit.PEAK_PLATE_VOLTS);
            case SCREEN_VOLTS -> List.of(Limit.SCREEN_VOLTS);
            case CATHODE_CURRENT -> List.of(Limit.CATHODE_AMPERES);
            case PLATE_HEAT -> List.of(Limit.PLATE_WATTS, Limit.COMBINED_WATTS);
            case SCREEN_HEAT -> List.of(Limit.SCREEN_WATTS, DriveLimit.SCREEN_WATTS);
            default -> List.of();
        };
    }

    /** The gravest of what a criterion is about. */
    private SwapRow row(Criterion criterion) {
        List<PublishedLimit> about = about(criterion);
        StageJudgement worst = judged.stream()
                .filter(j -> about.contains(j.limit()))
                .max(Comparator.comparing(LimitRows::verdict)
                        .thenComparingDouble(j -> j.judgement().isPresent() ? j.share() : 0)
                        .thenComparingDouble(j -> j.value().figure().value()))
                .orElseThrow();
        SwapRow row = worst.judgement().isPresent() ? row(criterion, worst) : unlimited(criterion, worst);
        return row.verdict() == SwapVerdict.PASS || row.verdict() == SwapVerdict.NOTE ? margin(row, about) : row;
    }

    /** What the builder wants to stay free of every rating is no limit: what takes of it is said. */
    private SwapRow margin(SwapRow row, List<PublishedLimit> about) {
        return withMargin.stream()
                .filter(j -> about.contains(j.limit()) && j.judgement().isPresent())
                .filter(j -> SwapVerdict.of(j.standing(), false).compareTo(SwapVerdict.NOTE) > 0)
                .max(Comparator.comparingDouble(StageJudgement::share))
                .map(j -> new SwapRow(
                        row.criterion(),
                        SwapVerdict.NOTE,
                        row.value(),
                        row.limit(),
                        row.share(),
                        row.reason() + " The stage was given "
                                + percent(question.present().margin())
                                + " of its ratings: "
                                + shown(j.limit(), j.value().figure().value()) + " " + where(j)
                                + (j.standing() == Standing.OVER ? " passes " : " may pass ")
                                + shown(j.limit(), j.judgement().orElseThrow().allowed()) + ".",
                        row.mend(),
                        row.formula()))
                .orElse(row);
    }

    private static SwapVerdict verdict(StageJudgement j) {
        boolean verify = j.judgement().filter(Judgement::toBeVerified).isPresent();
        return SwapVerdict.of(j.standing(), verify);
    }

    private SwapRow row(Criterion criterion, StageJudgement j) {
        Judgement judgement = j.judgement().orElseThrow();
        Optional<String> caution =
                criterion == Criterion.SCREEN_HEAT ? StageJudgement.caution(judged) : Optional.empty();
        boolean hot =
                j.limit() == DriveLimit.SCREEN_WATTS && !j.standing().passes() && j.standing() != Standing.UNKNOWN;
        return new SwapRow(
                criterion,
                caution.isPresent() ? verdict(j).worse(SwapVerdict.NOTE) : verdict(j),
                shown(j.limit(), j.value().figure().value()),
                limit(judgement),
                j.share(),
                sentence(j, judgement)
                        + caution.map(c -> " Caution: " + c + ".").orElse(""),
                caution.isPresent() || hot ? resistor(caution.isPresent() ? Duty.HARD : question.duty()) : "",
                j.formula());
    }

    /** The resistor that keeps the screens inside. */
    private String resistor(Duty duty) {
        double share = after.drive().idle().hottestPlateWatts()
                / question.candidate().plateWatts().orElseThrow();
        return new Proposal(question)
                .screenResistor(
                        share,
                        duty,
                        StageJudgement.of(
                                question.judgeWithMargin(), duty, after.figures(question.present(), List.of())))
                .map(ohms -> "A resistor of " + Show.siPlain(ohms, Unit.OHM, 3)
                        + " at each screen would keep them inside, the model's band included.")
                .orElse("No resistor up to " + Show.siPlain(ScreenReport.MOST_RESISTOR, Unit.OHM, 2)
                        + " at each screen keeps them inside without passing another limit: lower"
                        + " screen volts, a lower load or less drive would.");
    }

    private SwapRow unlimited(Criterion criterion, StageJudgement j) {
        boolean none = judge.editions().stream().anyMatch(e -> !j.limit().unknownIn(e));
        String what =
                j.limit().words() + " of the " + question.candidate().type().designation();
        String value = shown(j.limit(), j.value().figure().value());
        return new SwapRow(
                criterion,
                verdict(j),
                value,
                none ? "none published" : "not known",
                Double.NaN,
                (none ? "No limit is published for the " : "No published limit is known here for the ") + what + ": "
                        + value + " " + where(j) + ", " + shown(j.limit(), present(j)) + " with the present tubes.",
                j.standing() == Standing.UNKNOWN ? "Enter it from the maker's sheet on the type's page." : "",
                j.formula());
    }

    /** The same figure with the present tubes. */
    private double present(StageJudgement j) {
        return present.figures(j.when())
                .of(j.limit(), j.at())
                .map(v -> v.figure().value())
                .orElse(Double.NaN);
    }

    private String sentence(StageJudgement j, Judgement judgement) {
        Value value = j.value();
        double figure = value.figure().value();
        String figures = upper(shown(j.limit(), figure) + " " + where(j) + ", " + Show.fixed(100 * j.share(), 0)
                + " % of " + limit(judgement));
        return switch (j.standing()) {
            case OVER ->
                figures + ": over it by " + shown(j.limit(), figure - judgement.allowed()) + "; with the present tubes "
                        + shown(j.limit(), present(j)) + ".";
            case UNKNOWN -> figures + ": not told, the model is not fitted near these volts.";
            case OPEN_QUESTION -> figures + ": " + j.hangsOn() + ".";
            case TOO_CLOSE ->
                figures + ": too close to call, the limit lies inside " + JudgementWords.band(value) + ".";
            default ->
                figures + "."
                        + (judgement.toBeVerified() ? " That limit is to be verified with the maker's sheet." : "");
        };
    }

    private String where(StageJudgement j) {
        String mains = j.at() == At.NOW ? "" : " at " + percent(j.mains()) + " mains";
        if (j.when() == When.IDLE) {
            return j.at() == At.NOW ? "at idle" : "idle" + mains;
        }
        DriveSweep drive = j.at() == At.HIGHEST ? after.highest() : after.drive();
        if (j.limit() == Limit.PLATE_WATTS || j.limit() == DriveLimit.SCREEN_WATTS) {
            Duty duty = question.duty();
            Cycle hottest = j.limit() == Limit.PLATE_WATTS ? drive.hottestPlate(duty) : drive.hottestScreen(duty);
            return drive.where(hottest) + mains;
        }
        if (j.limit() == DriveLimit.PEAK_PLATE_VOLTS) {
            return "into a resistor, highest over the drive" + mains;
        }
        return (j.limit() == Limit.COMBINED_WATTS
                        ? "plate and screen together, highest average"
                        : j.limit() == Limit.PLATE_VOLTS ? "at full drive" : "highest average")
                + mains;
    }

    private static String limit(Judgement j) {
        double published = j.what().in(j.edition()).orElseThrow().value();
        boolean allowing = j.allowed() > published * (1 + 1e-9);
        String system = j.edition().system().words();
        return shown(j.what(), j.allowed()) + " ("
                + (allowing
                        ? Show.siPlain(published, j.what().unit(), 3) + " " + system + ", which allows for the line"
                        : system)
                + ")";
    }

    /** Before the tubes conduct nothing loads the supply; makers publish no limit for that. */
    private SwapRow cold(SwapRow row, double unloaded, Limit limit, String what) {
        double highest = question.present().highest();
        double cold = unloaded * highest;
        OptionalDouble most = judge.allowed(limit, At.HIGHEST);
        if (most.isEmpty() || cold <= most.getAsDouble()) {
            return row;
        }
        return new SwapRow(
                row.criterion(),
                row.verdict().worse(SwapVerdict.NOTE),
                row.value(),
                row.limit(),
                row.share(),
                row.reason() + " Before the tubes conduct the " + what + " stand at " + shown(limit, cold) + " at "
                        + percent(highest)
                        + " mains, above that limit: none is published for a cold tube; with the present tubes it is "
                        + shown(limit, before.stage().supplyVolts() * highest) + ".",
                row.mend(),
                row.formula());
    }

    private static String upper(String text) {
        return text.substring(0, 1).toUpperCase(Locale.ROOT) + text.substring(1);
    }

    private static String percent(double share) {
        return Show.fixed(100 * share, 0) + " %";
    }

    private static String shown(PublishedLimit limit, double figure) {
        return Show.si(figure, limit.unit(), 3);
    }
}
