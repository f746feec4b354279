package yellowrail.core.idle;

import java.util.List;
import java.util.Optional;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Judgement;
import yellowrail.core.judging.JudgementWords;
import yellowrail.core.judging.Standing;
import yellowrail.core.stage.StageJudgement;
import yellowrail.core.stage.When;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.PublishedLimit;

/**
 * The two statements of a computed idle, in the words of one that was read: at the mains it stands at, and at higher mains. A
 * model gives no all-clear.
 */
public final class ComputedStatements {
    private ComputedStatements() {}

    /** @param judged everything that is judged of the stage */
    public static List<Statement> of(Judge judge, List<StageJudgement> judged) {
        List<StageJudgement> idle =
                judged.stream().filter(j -> j.when() == When.IDLE).toList();
        return List.of(
                statement(judge, idle.stream().filter(j -> j.at() == At.NOW).toList()),
                statement(
                        judge,
                        idle.stream()
                                .filter(j -> j.at() == At.NOMINAL || j.at() == At.HIGHEST)
                                .toList()));
    }

    private static Statement statement(Judge judge, List<StageJudgement> judged) {
        StageJudgement worst = judged.stream()
                .filter(j -> j.judgement().isPresent())
                .max(StageJudgement.GRAVITY)
                .orElseThrow();
        Judgement plate = plate(judged);
        Judgement gravest = worst.judgement().orElseThrow();
        return switch (worst.standing()) {
            case OVER ->
                new Statement(
                        gravest.what() == Limit.PLATE_WATTS ? Verdict.Place.ABOVE_RATING : Verdict.Place.LIMIT_PASSED,
                        JudgementWords.sentence(gravest) + ".");
            case UNKNOWN -> new Statement(Verdict.Place.UNKNOWN, JudgementWords.sentence(plate) + ".");
            case OPEN_QUESTION ->
                new Statement(
                        Verdict.Place.OPEN_QUESTION,
                        JudgementWords.told(gravest) + ": it hangs on whether the bias follows the mains.");
            case TOO_CLOSE -> new Statement(Verdict.Place.TOO_CLOSE, JudgementWords.sentence(gravest) + ".");
            default -> within(judge, plate);
        };
    }

    private static Statement within(Judge judge, Judgement plate) {
        String sentence = JudgementWords.sentence(plate) + ", " + JudgementWords.band(plate.value()) + " included";
        Optional<PublishedLimit> unknown = List.<PublishedLimit>of(Limit.values()).stream()
                .filter(l -> !judge.gives(l) && judge.without(l) == Standing.UNKNOWN)
                .findFirst();
        return unknown.map(l -> new Statement(
                        Verdict.Place.UNKNOWN, sentence + "; no limit for the " + l.words() + " is known here."))
                .orElseGet(() -> new Statement(Verdict.Place.WITHIN_LIMITS, sentence + "."));
    }

    /** Plate dissipation at the highest mains among these. */
    private static Judgement plate(List<StageJudgement> judged) {
        return judged.stream()
                .filter(j -> j.limit() == Limit.PLATE_WATTS)
                .flatMap(j -> j.judgement().stream())
                .reduce((a, b) -> b)
                .orElseThrow();
    }
}
