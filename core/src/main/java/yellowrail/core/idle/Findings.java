package yellowrail.core.idle;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Collects what the steps of one check have to say: formulas, gaps and notes. */
final class Findings {
    final List<Formula> formulas = new ArrayList<>();
    final List<Missing> missing = new ArrayList<>();
    final List<String> notes = new ArrayList<>();
    boolean upperBound;

    void formula(String name, String symbols, String numbers, String result) {
        formulas.add(new Formula(name, symbols, numbers, result));
    }

    /** Something without which there is no result at all. */
    void needs(String what, String sentence) {
        missing.add(new Missing(what, Double.POSITIVE_INFINITY, sentence, true));
    }

    void lacks(String what, double effect, String sentence, boolean blocks) {
        missing.add(new Missing(what, effect, sentence, blocks));
    }

    List<Missing> ranked() {
        return missing.stream()
                .sorted(Comparator.comparingDouble(Missing::effect).reversed())
                .toList();
    }
}
