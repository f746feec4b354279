package yellowrail.core.swap;

/**
 * One criterion of a swap.
 *
 * @param value what this stage would have, with its unit; empty when it is not known
 * @param limit what it is held against; empty when there is none
 * @param share value over limit; NaN where the two are not one quantity
 * @param reason the verdict in a sentence, with its numbers
 * @param mend what would change it, or empty
 * @param formula how the value is worked out, with this stage's numbers; or empty
 */
public record SwapRow(
        Criterion criterion,
        SwapVerdict verdict,
        String value,
        String limit,
        double share,
        String reason,
        String mend,
        String formula) {
    static SwapRow of(Criterion criterion, SwapVerdict verdict, String reason) {
        return new SwapRow(criterion, verdict, "", "", Double.NaN, reason, "", "");
    }

    SwapRow figures(String value, String limit, double share) {
        return new SwapRow(criterion, verdict, value, limit, share, reason, mend, formula);
    }

    SwapRow mend(String other) {
        return new SwapRow(criterion, verdict, value, limit, share, reason, other, formula);
    }

    SwapRow formula(String other) {
        return new SwapRow(criterion, verdict, value, limit, share, reason, mend, other);
    }
}
