package yellowrail.core.judging;

import java.util.Collection;
import java.util.Comparator;
import yellowrail.core.reading.Estimate;

/** How a figure stands against one limit, gravest first. */
public enum Standing {
    OVER("over"),
    /** The figure is not told, or what it is held against is not known. */
    UNKNOWN("unknown"),
    /** Passed under one thing the stage can turn out to be, and not under another. */
    OPEN_QUESTION("open question"),
    /** The limit lies inside the figure's band. */
    TOO_CLOSE("too close to call"),
    NONE_PUBLISHED("no published limit"),
    INSIDE("inside"),
    NOT_APPLICABLE("does not apply");

    /** The gravest comes last. */
    public static final Comparator<Standing> GRAVITY = Comparator.reverseOrder();

    /** The figures as they are printed: 0.5499999 is 55 % to a builder. */
    private static final double PRINTED = 1e-9;

    private final String words;

    Standing(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** Whether nothing has to be done or found out because of it. */
    public boolean passes() {
        return compareTo(TOO_CLOSE) > 0;
    }

    /**
     * As read or computed, the value itself decides what is over. Carried to another mains, only a band wholly above is:
     * what may be is not told as what is.
     */
    static Standing of(Value value, double allowed) {
        double edge = allowed * (1 + PRINTED);
        Estimate figure = value.figure();
        double likely = figure.likely();
        double decides = value.from().carried() ? figure.value() - likely : figure.value();
        if (decides > edge) {
            return OVER;
        }
        return value.from() == Value.From.NOT_FITTED ? UNKNOWN : figure.value() + likely > edge ? TOO_CLOSE : INSIDE;
    }

    /** What is told while it is not known which of these it is: the same word where all agree, else the open question. */
    public static Standing ofOutcomes(Collection<Standing> outcomes) {
        return outcomes.stream().distinct().count() == 1 ? outcomes.iterator().next() : OPEN_QUESTION;
    }
}
