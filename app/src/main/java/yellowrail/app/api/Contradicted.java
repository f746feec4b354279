package yellowrail.app.api;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import yellowrail.core.idle.Contradiction;

/** Two things said or read that cannot both be so. */
@Schema(description = "Two things said or read that cannot both be so")
record Contradicted(
        @Schema(description = "What does not go together") Contradiction.Code code,

        @Schema(description = "The socket or sense point; empty for the whole check or amp")
        String about,

        @Schema(description = "What does not go together, with its numbers, and what to do")
        String sentence) {
    static List<Contradicted> of(List<Contradiction> contradictions) {
        return contradictions.stream()
                .map(c -> new Contradicted(c.code(), c.about(), c.sentence()))
                .toList();
    }
}
