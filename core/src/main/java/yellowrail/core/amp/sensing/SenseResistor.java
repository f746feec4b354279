package yellowrail.core.amp.sensing;

import java.math.BigDecimal;
import java.util.Optional;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/**
 * A resistor whose drop tells a current.
 *
 * @param markedOhms as marked on the part, above zero
 * @param tolerancePercent of the marking, 0 to 50
 * @param measured as measured with the power off and the supply drained; empty when not measured
 * @param insist whether the builder insists on a measured value that looks like lead resistance
 */
public record SenseResistor(double markedOhms, double tolerancePercent, Optional<Typed> measured, boolean insist) {
    /** Above this share a measured value contradicts the marking. */
    private static final double CONTRADICTION = 0.05;

    /** A part that aged or was cooked and still works has drifted by this share at most; further off it is another part. */
    private static final double DRIFTED = 0.20;
    /** A last digit below this share of the resistor is all that a meter of 2000 counts shows. */
    private static final double COARSE = 0.005;
    /** What meter leads and clips can add, Ω. */
    private static final double LEADS = 0.6;

    public SenseResistor {
        if (!(markedOhms > 0 && markedOhms <= 1e6)) {
            throw new IllegalArgumentException("a sense resistor of " + markedOhms + " Ω; above 0, at most 1 MΩ");
        }
        if (!(tolerancePercent >= 0 && tolerancePercent <= 50)) {
            throw new IllegalArgumentException("a tolerance of " + tolerancePercent + " %; 0 to 50 %");
        }
        measured.filter(m -> m.unit() != Unit.OHM || !(m.value() > 0)).ifPresent(m -> {
            throw new IllegalArgumentException("a measured resistance must be above 0 Ω, not " + m.echo());
        });
    }

    public static SenseResistor marked(double ohms, double tolerancePercent) {
        return new SenseResistor(ohms, tolerancePercent, Optional.empty(), false);
    }

    /** The same part, measured anew. */
    SenseResistor measuredAt(Typed ohms) {
        return new SenseResistor(markedOhms, tolerancePercent, Optional.of(ohms), insist);
    }

    /** A measured value that leads alone could explain is held back: the marking is the better guess. */
    public boolean looksLikeLeads() {
        return measured.isPresent()
                && measured.get().value() - markedOhms > CONTRADICTION * markedOhms
                && measured.get().value() - markedOhms <= LEADS;
    }

    /**
     * Whether the measured value lies further from the marking than tolerance and meter allow, so that resistor, reading or
     * range is wrong. The builder's word settles a part that has drifted, not one that is another part.
     */
    public boolean contradicted(Meter meter) {
        if (measured.isEmpty()) {
            return false;
        }
        double apart = Math.abs(measured.get().value() - markedOhms);
        double allowed = tolerancePercent / 100 * markedOhms + meter.limit(measured.get());
        return apart > allowed && !(insist && apart <= DRIFTED * markedOhms);
    }

    /**
     * Whether what was typed has the digits of the marking and no more, which a meter shows of no small resistor: the marking
     * was read, not the part.
     */
    public boolean repeatsMarking() {
        return measured.isPresent()
                && Math.abs(measured.get().value() / markedOhms - 1) < 1e-9
                && measured.get().lastDigit() > COARSE * markedOhms
                && Math.abs(measured.get().lastDigit() / lastOfMarking() - 1) < 1e-6;
    }

    /** Size of the last digit that is not zero, or of the ones where that is larger, Ω. */
    private double lastOfMarking() {
        int places =
                Math.max(0, BigDecimal.valueOf(markedOhms).stripTrailingZeros().scale());
        return Math.pow(10, -places);
    }

    private boolean usesMeasured() {
        return measured.isPresent() && !repeatsMarking() && (insist || !looksLikeLeads());
    }

    /** The value used in calculations, Ω. */
    public double ohms() {
        return usesMeasured() ? measured.get().value() : markedOhms;
    }

    /** Limit of error of {@link #ohms()} as a share. */
    public double relativeLimit(Meter meter) {
        return usesMeasured() ? meter.limit(measured.get()) / ohms() : tolerancePercent / 100;
    }

    /** Where {@link #ohms()} comes from, and what it means when marking and measurement differ. */
    public String words() {
        if (measured.isEmpty()) {
            return "marked " + Show.si(markedOhms, Unit.OHM, 3) + " ±" + Show.plain(tolerancePercent, 2) + " %";
        }
        if (repeatsMarking()) {
            return "typed " + measured.get().echo() + ", the marking's own digits: marked "
                    + Show.si(markedOhms, Unit.OHM, 3) + " ±" + Show.plain(tolerancePercent, 2)
                    + " % counts until all digits of the meter are typed";
        }
        double difference = 100 * Math.abs(measured.get().value() / markedOhms - 1);
        String apart = Show.significant(difference, 2) + " % from the marked " + Show.si(markedOhms, Unit.OHM, 3);
        if (usesMeasured()) {
            return "measured " + measured.get().echo() + ", " + apart + "; the measured value is used";
        }
        return "measured " + measured.get().echo() + ", " + apart
                + ": lead resistance would explain that. Null the leads"
                + " and measure again; the marked value is used until you insist";
    }
}
