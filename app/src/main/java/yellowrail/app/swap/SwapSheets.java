package yellowrail.app.swap;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Comparator;
import java.util.List;
import org.springframework.stereotype.Component;
import yellowrail.core.swap.Present;
import yellowrail.core.swap.SolvedStage;
import yellowrail.core.swap.SwapQuestion;
import yellowrail.core.swap.SwapSheet;
import yellowrail.core.swap.SwapVerdict;

/** Sheets of swaps, remembered by what was asked. */
@Component
class SwapSheets {
    private static final int REMEMBERED = 300;

    private final Cache<SwapQuestion, SwapSheet> computed =
            Caffeine.newBuilder().maximumSize(REMEMBERED).build();

    private final Cache<Present, SolvedStage> present =
            Caffeine.newBuilder().maximumSize(REMEMBERED).build();

    SwapSheet of(SwapQuestion question) {
        return computed.get(question, q -> SwapSheet.of(q, p -> present.get(p, SolvedStage::before)));
    }

    /** Side by side on all cores: one waits for the page. */
    List<SwapSheet> of(List<SwapQuestion> questions) {
        return questions.parallelStream().map(this::of).toList();
    }

    /** By verdict, then by how little would have to change: the fewer rows that want something, the earlier. */
    List<SwapSheet> ranked(List<SwapQuestion> questions) {
        return of(questions).stream()
                .sorted(Comparator.comparing(SwapSheet::overall)
                        .thenComparingLong(s -> s.count(SwapVerdict.FAIL))
                        .thenComparingLong(s -> s.count(SwapVerdict.UNKNOWN))
                        .thenComparingLong(s -> s.count(SwapVerdict.NOTE)))
                .toList();
    }
}
