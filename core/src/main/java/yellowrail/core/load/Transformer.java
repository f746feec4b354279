package yellowrail.core.load;

import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;

/**
 * An output transformer: what it is marked for, and what was measured of it.
 *
 * @param markedOhms what the primary is marked for with each tap's own load on it, Ω; empty when it is not marked
 * @param taps nominal loads of its secondary taps, Ω, as marked, rising
 * @param measured what AC readings told
 */
public record Transformer(Optional<Double> markedOhms, List<Double> taps, MeasuredTransformer measured) {
    /** Least and most of a primary, Ω. */
    public static final double LEAST_OHMS = 200;

    public static final double MOST_OHMS = 100e3;
    /** How far a marking may be off before it is said, share of the ohms beside the error of the measurement. */
    private static final double MARKED = 0.15;

    /** Where a tap's ratio comes from. */
    public enum Source {
        MEASURED("measured"),
        BY_ANOTHER_TAP("by the marking, from the tap that was measured"),
        MARKED("as marked"),
        UNKNOWN("not known");

        private final String words;

        Source(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public Transformer {
        taps = List.copyOf(taps);
        for (int i = 0; i < taps.size(); i++) {
            Lead.tap(taps.get(i));
            if (i > 0 && !(taps.get(i) > taps.get(i - 1))) {
                throw new IllegalArgumentException("taps rise, each once: " + taps);
            }
        }
        markedOhms.ifPresent(ohms -> {
            if (!(ohms >= LEAST_OHMS && ohms <= MOST_OHMS)) {
                throw new IllegalArgumentException("a primary of " + ohms + " Ω; 200 Ω to 100 kΩ");
            }
        });
    }

    public Source source(double tap) {
        return measured.tap(tap).isPresent()
                ? Source.MEASURED
                : !measured.taps().isEmpty()
                        ? Source.BY_ANOTHER_TAP
                        : markedOhms.isPresent() ? Source.MARKED : Source.UNKNOWN;
    }

    /** Whole primary over this tap; empty while neither measured nor marked, or when what was measured contradicts itself. */
    public Optional<Estimate> turns(double tap) {
        if (!measured.agrees()) {
            return Optional.empty();
        }
        return measured.turnsOf(Lead.tap(tap))
                .or(() -> markedOhms.map(ohms -> new Estimate(Math.sqrt(ohms / tap), ErrorBudget.exact())));
    }

    /** What the whole primary shows with these ohms on this tap, Ω; copper left out. */
    public Optional<Estimate> reflected(double tap, double ohms) {
        return turns(tap).map(n -> n.times(n).times(ohms));
    }

    /** Where what was measured and what is marked do not go together. */
    public Optional<Remark> againstMarking() {
        if (markedOhms.isEmpty() || measured.taps().isEmpty() || !measured.agrees()) {
            return Optional.empty();
        }
        TapRatio first = measured.taps().get(0);
        double share = first.primaryOhms().value() / markedOhms.get();
        if (Math.abs(share - 1) <= MARKED + first.primaryOhms().errors().likely()) {
            return Optional.empty();
        }
        String guess = near(share, 0.25)
                ? " It is about a quarter: was half of the primary read as the whole? A half is a quarter of the ohms."
                : near(share, 4)
                        ? " It is about four times: was the whole primary read as a half?"
                        : " Is the marking of this tap right, and were these its leads?";
        return Optional.of(new Remark(
                Remark.Code.NOT_AS_MARKED,
                first.tap().id(),
                "Measured, the primary shows " + LoadWords.ohms(first.primaryOhms()) + " with "
                        + LoadWords.plainOhms(first.tap().ohms()) + " on the "
                        + first.tap().words() + ", marked is "
                        + LoadWords.plainOhms(markedOhms.get()) + "." + guess
                        + " What was measured is what is computed with."));
    }

    private static boolean near(double share, double wanted) {
        return Math.abs(Math.log(share / wanted)) < Math.log(1.3);
    }
}
