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
 *
 * <p>A limit has a sign: it says which way the result moves when its cause moves up. Two terms of one cause add with
 * their signs, so that the error of a sum is that of its derivative: with one cathode current, what the screen takes
 * the plate does not have.
 */
public record ErrorBudget(List<Term> terms) {
    /**
     * One limit of error.
     *
     * @param source what it comes from, in words; the same words are the same cause
     * @param relative the limit as a share of the result; below zero when the result falls as the cause rises
     * @param meter the meter it comes from, or empty when it comes from something else
     */
    public record Term(String source, double relative, String meter) {
        public Term {
            if (!Double.isFinite(relative)) {
                throw new IllegalArgumentException("a limit of error is finite, not " + relative);
            }
        }

        private boolean sameCause(Term other) {
            return source.equals(other.source) && meter.equals(other.meter);
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
        return and(new ErrorBudget(List.of(new Term(source, relative, meter))));
    }

    public ErrorBudget and(ErrorBudget other) {
        List<Term> more = new ArrayList<>(terms.size() + other.terms.size());
        more.addAll(terms);
        for (Term term : other.terms) {
            add(more, term);
        }
        return new ErrorBudget(more);
    }

    private static void add(List<Term> terms, Term term) {
        for (int i = 0; i < terms.size(); i++) {
            Term known = terms.get(i);
            if (known.sameCause(term)) {
                terms.set(i, new Term(known.source(), known.relative() + term.relative(), known.meter()));
                return;
            }
        }
        terms.add(term);
    }

    /** All limits scaled by how strongly, and which way, the result depends on this quantity. */
    public ErrorBudget times(double sensitivity) {
        List<Term> scaled = new ArrayList<>(terms.size());
        for (Term term : terms) {
            scaled.add(new Term(term.source(), term.relative() * sensitivity, term.meter()));
        }
        return new ErrorBudget(scaled);
    }

    /** The limits of one cause scaled, the others as they are. */
    public ErrorBudget scaling(String source, double factor) {
        List<Term> scaled = new ArrayList<>(terms.size());
        for (Term term : terms) {
            scaled.add(
                    term.source().equals(source)
                            ? new Term(term.source(), term.relative() * factor, term.meter())
                            : term);
        }
        return new ErrorBudget(scaled);
    }

    /** The limit of one cause, as a share of the result, zero or above. */
    public double of(String source) {
        double sum = 0;
        for (Term term : terms) {
            if (term.source().equals(source)) {
                sum += term.relative();
            }
        }
        return Math.abs(sum);
    }

    /** Sum of all limits, as a share of the result. */
    public double worst() {
        double sum = 0;
        for (Term term : terms) {
            sum += Math.abs(term.relative());
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
                sum += Math.abs(terms.get(i).relative());
            }
        }
        return sum;
    }
}
