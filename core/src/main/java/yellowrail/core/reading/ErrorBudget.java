package yellowrail.core.reading;

import java.util.ArrayList;
import java.util.List;

/**
 * The relative limits of error that make up one result.
 *
 * <p>Worst case is the sum of the limits. Likely (95 %) is (2/√3)·√Σa², never above the worst case: each limit is taken
 * as a rectangular distribution with standard uncertainty a/√3 and coverage factor 2 (the method of the ISO Guide to the
 * Expression of Uncertainty in Measurement). Limits that come from the same meter are added first and enter as one
 * term, since its gain error is common to both readings.
 */
public record ErrorBudget(List<Term> terms) {
    /**
     * One limit of error.
     *
     * @param source what it comes from, in words
     * @param relative the limit as a share of the result, zero or above
     * @param meter the meter it comes from, or empty when it comes from something else
     */
    public record Term(String source, double relative, String meter) {
        public Term {
            if (!(relative >= 0)) {
                throw new IllegalArgumentException("a limit of error is zero or above, not " + relative);
            }
        }
    }

    private static final double COVERAGE = 2 / Math.sqrt(3);

    public ErrorBudget {
        terms = List.copyOf(terms);
    }

    public static ErrorBudget exact() {
        return new ErrorBudget(List.of());
    }

    public ErrorBudget and(String source, double relative) {
        return and(source, relative, "");
    }

    public ErrorBudget and(String source, double relative, String meter) {
        List<Term> more = new ArrayList<>(terms.size() + 1);
        more.addAll(terms);
        more.add(new Term(source, relative, meter));
        return new ErrorBudget(more);
    }

    public ErrorBudget and(ErrorBudget other) {
        List<Term> more = new ArrayList<>(terms.size() + other.terms.size());
        more.addAll(terms);
        more.addAll(other.terms);
        return new ErrorBudget(more);
    }

    /** All limits scaled by how strongly the result depends on this quantity. */
    public ErrorBudget times(double sensitivity) {
        List<Term> scaled = new ArrayList<>(terms.size());
        for (Term term : terms) {
            scaled.add(new Term(term.source(), term.relative() * Math.abs(sensitivity), term.meter()));
        }
        return new ErrorBudget(scaled);
    }

    /** Sum of all limits, as a share of the result. */
    public double worst() {
        double sum = 0;
        for (Term term : terms) {
            sum += term.relative();
        }
        return sum;
    }

    /** The 95 % band, as a share of the result. */
    public double likely() {
        double squares = 0;
        for (int i = 0; i < terms.size(); i++) {
            double joint = jointLimit(i);
            squares += joint * joint;
        }
        return Math.min(worst(), COVERAGE * Math.sqrt(squares));
    }

    /** The limit of a term with all others of its meter, counted at the first of them; zero at the later ones. */
    private double jointLimit(int index) {
        Term term = terms.get(index);
        if (term.meter().isEmpty()) {
            return term.relative();
        }
        double sum = 0;
        for (int i = 0; i < terms.size(); i++) {
            if (terms.get(i).meter().equals(term.meter())) {
                if (i < index) {
                    return 0;
                }
                sum += terms.get(i).relative();
            }
        }
        return sum;
    }
}
