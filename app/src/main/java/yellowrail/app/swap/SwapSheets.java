package yellowrail.app.swap;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Comparator;
import java.util.List;
import org.springframework.stereotype.Component;
import yellowrail.core.swap.SwapQuestion;
import yellowrail.core.swap.SwapSheet;
import yellowrail.core.swap.SwapVerdict;

/** Sheets of swaps, remembered by what was asked. */
@Component
class SwapSheets {
    private static final int REMEMBERED = 300;

    private final Cache<SwapQuestion, SwapSheet> computed =
            Caffeine.newBuilder().maximumSize(REMEMBERED).build();

    SwapSheet of(SwapQuestion question) {
        return computed.get(question, SwapSheet::of);
    }

    /** By verdict, then by how little would have to change: the fewer rows that want something, the earlier. */
    List<SwapSheet> ranked(List<SwapQuestion> questions) {
        return questions.stream()
                .map(this::of)
                .sorted(Comparator.comparing(SwapSheet::overall)
                        .thenComparingLong(s -> s.count(SwapVerdict.FAIL))
                        .thenComparingLong(s -> s.count(SwapVerdict.UNKNOWN))
                        .thenComparingLong(s -> s.count(SwapVerdict.NOTE)))
                .toList();
    }
}
