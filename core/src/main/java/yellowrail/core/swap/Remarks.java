package yellowrail.core.swap;

import java.util.ArrayList;
import java.util.List;

/** What is said of one criterion, with the gravest verdict of it. */
final class Remarks {
    private final List<String> said = new ArrayList<>();
    private SwapVerdict verdict = SwapVerdict.PASS;

    void add(SwapVerdict with, String sentence) {
        verdict = verdict.worse(with);
        said.add(sentence);
    }

    SwapVerdict verdict() {
        return verdict;
    }

    String joined() {
        return String.join("; ", said);
    }
}
