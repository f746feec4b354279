package yellowrail.app.stage;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import yellowrail.app.forms.FieldSpec.Pick;
import yellowrail.app.forms.Words;
import yellowrail.core.amp.Duty;
import yellowrail.core.judging.Standing;
import yellowrail.core.stage.StageJudgement;

/**
 * What is played is not said and decides: each answer, and how the stage stands with it.
 *
 * @param limits what it decides, in words
 */
public record DutyQuestion(String limits, List<Answer> answers) {
    /**
     * One answer, as a button.
     *
     * @param duty the word that forms and addresses use for it
     * @param standing gravest of what it decides
     */
    public record Answer(String duty, String words, String standing, String tone) {}

    /** Empty where nothing hangs on it. */
    public static Optional<DutyQuestion> of(List<StageJudgement> judged) {
        List<StageJudgement> open =
                judged.stream().filter(StageJudgement::openByDuty).toList();
        return open.isEmpty()
                ? Optional.empty()
                : Optional.of(new DutyQuestion(
                        String.join(
                                ", ",
                                open.stream()
                                        .map(j -> j.limit().words())
                                        .distinct()
                                        .toList()),
                        Words.DUTY.stream()
                                .filter(p -> Duty.PLAYED.contains(p.means()))
                                .map(p -> answer(p, open))
                                .toList()));
    }

    private static Answer answer(Pick<Duty> pick, List<StageJudgement> open) {
        Standing gravest = open.stream()
                .map(j -> j.played().get(pick.means()))
                .max(Comparator.comparing(s -> s, Standing.GRAVITY))
                .orElseThrow();
        return new Answer(pick.value(), pick.words(), gravest.words(), JudgedRow.tone(gravest));
    }
}
