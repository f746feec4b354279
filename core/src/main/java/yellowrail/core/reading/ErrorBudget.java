package yellowrail.core.reading;

import java.util.Arrays;
import java.util.List;
import java.util.function.UnaryOperator;

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
        if (terms.isEmpty() || other.terms.isEmpty()) {
            return terms.isEmpty() ? other : this;
        }
        // Lists of a few terms, merged thousands of times for one verdict: as few copies as it takes.
        Term[] merged = terms.toArray(new Term[terms.size() + other.terms.size()]);
        int count = terms.size();
        for (int o = 0; o < other.terms.size(); o++) {
            Term term = other.terms.get(o);
            int known = 0;
            while (known < count && !merged[known].sameCause(term)) {
                known++;
            }
            if (known < count) {
                Term sum = merged[known];
                merged[known] = new Term(sum.source(), sum.relative() + term.relative(), sum.meter());
            } else {
                merged[count++] = term;
            }
        }
        return new ErrorBudget(List.of(count == merged.length ? merged : Arrays.copyOf(merged, count)));
    }

    /** All limits scaled by how strongly, and which way, the result depends on this quantity. */
    public ErrorBudget times(double sensitivity) {
        return each(t -> new Term(t.source(), t.relative() * sensitivity, t.meter()));
    }

    /** The limits of one cause scaled, the others as they are. */
    public ErrorBudget scaling(String source, double factor) {
        if (factor == 1) {
            return this;
        }
        return each(t -> t.source().equals(source) ? new Term(t.source(), t.relative() * factor, t.meter()) : t);
    }

    private ErrorBudget each(UnaryOperator<Term> made) {
        Term[] changed = new Term[terms.size()];
        for (int i = 0; i < changed.length; i++) {
            changed[i] = made.apply(terms.get(i));
        }
        return new ErrorBudget(List.of(changed));
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
