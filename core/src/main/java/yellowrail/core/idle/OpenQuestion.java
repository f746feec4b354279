package yellowrail.core.idle;

import java.util.List;
import yellowrail.core.amp.BiasScheme;

/**
 * A question whose answer decides the verdict: how the bias behaves when the mains moves.
 *
 * @param sentence the question with every outcome in it
 * @param outcomes what each answer would mean
 */
public record OpenQuestion(String sentence, List<Outcome> outcomes) {
    /**
     * What one answer would mean.
     *
     * @param bias the answer
     * @param place where the point would stand
     * @param words what the answer says, as a button
     * @param lowShare plate dissipation at highest mains over the rating, low end
     * @param highShare the high end
     */
    public record Outcome(BiasScheme bias, Verdict.Place place, String words, double lowShare, double highShare) {}

    public OpenQuestion {
        outcomes = List.copyOf(outcomes);
    }
}
