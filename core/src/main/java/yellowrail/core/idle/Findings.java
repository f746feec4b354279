package yellowrail.core.idle;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Supplier;

/** Collects what the steps of one check have to say: formulas, gaps and notes. */
final class Findings {
    private final List<Supplier<Formula>> formulas = new ArrayList<>(10);
    final List<Missing> missing = new ArrayList<>();
    final List<String> notes = new ArrayList<>();
    final List<Contradiction> contradictions = new ArrayList<>();
    boolean upperBound;

    void formula(Supplier<Formula> formula) {
        formulas.add(formula);
    }

    List<Formula> formulas() {
        return new LazyList<>(formulas);
    }

    /** Something without which there is no result at all. */
    void needs(String what, String sentence) {
        missing.add(new Missing(what, Double.POSITIVE_INFINITY, sentence, true));
    }

    void lacks(String what, double effect, String sentence, boolean blocks) {
        missing.add(new Missing(what, effect, sentence, blocks));
    }

    /** Two things said or read that cannot both be so; no all-clear until one is read again. */
    void contradicted(Contradiction.Code code, String sentence) {
        contradicted(code, code.words(), sentence);
    }

    void contradicted(Contradiction.Code code, String what, String sentence) {
        contradictions.add(new Contradiction(code, "", sentence));
        missing.add(new Missing(what, 1, sentence, true));
    }

    List<Missing> ranked() {
        missing.sort(Comparator.comparingDouble(Missing::effect).reversed());
        return List.copyOf(missing);
    }
}
