package yellowrail.app.api;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import yellowrail.core.swap.Criterion;
import yellowrail.core.swap.SwapSheet;
import yellowrail.core.swap.SwapVerdict;

/** What each candidate of a swap comes to. */
@Schema(description = "A sheet for each candidate: a model, not a measurement")
record SwapResult(
        @Schema(description = "In the order asked") List<Sheet> sheets) {
    @Schema(description = "One candidate")
    record Sheet(
            @Schema(description = "How many, and their type")
            String candidate,

            @Schema(description = "The worst of its rows; PASS only without a note")
            SwapVerdict overall,

            @Schema(description = "The row that decides it") Criterion deciding,

            @Schema(description = "What power would do, computed before and after")
            String power,

            @Schema(description = "Idle dissipation of the hottest plate now, W; null where it cannot be computed")
            Double idleWattsBefore,

            @Schema(description = "The same with the candidate, W; null where it cannot be computed")
            Double idleWattsAfter,

            @Schema(description = "Every criterion that applies")
            List<Row> rows) {}

    @Schema(description = "One criterion")
    record Row(
            @Schema(description = "Which") Criterion criterion,
            @Schema(description = "How it comes out") SwapVerdict verdict,

            @Schema(description = "What this stage would have; empty when it is not known")
            String value,

            @Schema(description = "What it is held against; empty when there is none")
            String limit,

            @Schema(description = "Value over limit; null where the two are not one quantity")
            Double share,

            @Schema(description = "The verdict in a sentence, with its numbers")
            String reason,

            @Schema(description = "What would change it, or empty")
            String mend) {}

    static SwapResult of(List<SwapSheet> sheets) {
        return new SwapResult(sheets.stream().map(SwapResult::sheet).toList());
    }

    private static Sheet sheet(SwapSheet sheet) {
        return new Sheet(
                sheet.question().candidate().words(),
                sheet.overall(),
                sheet.deciding().criterion(),
                sheet.power(),
                sheet.before().map(b -> b.drive().idle().hottestPlateWatts()).orElse(null),
                sheet.after().map(a -> a.drive().idle().hottestPlateWatts()).orElse(null),
                sheet.rows().stream()
                        .map(r -> new Row(
                                r.criterion(),
                                r.verdict(),
                                r.value(),
                                r.limit(),
                                Double.isNaN(r.share()) ? null : r.share(),
                                r.reason(),
                                r.mend()))
                        .toList());
    }
}
