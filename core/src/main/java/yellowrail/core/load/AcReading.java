package yellowrail.core.load;

import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/**
 * AC volts on two pairs of leads of one transformer, the amp off, unplugged and drained, tubes out, everything else on the
 * transformer open.
 *
 * @param driven where the AC source is connected
 * @param drive volts read there, V rms, above zero
 * @param other where the second reading was taken
 * @param volts volts read there, V rms, above zero
 * @param meter what both were read by
 */
public record AcReading(Lead driven, Typed drive, Lead other, Typed volts, Meter meter) {
    public AcReading {
        if (driven.equals(other)) {
            throw new IllegalArgumentException("the second reading is taken on other leads than the drive");
        }
        above(drive);
        above(volts);
    }

    private static void above(Typed volts) {
        if (volts.unit() != Unit.VOLT || !(volts.value() > 0)) {
            throw new IllegalArgumentException("AC volts above zero, not " + volts.echo());
        }
    }

    /** Volts on the one pair of leads over volts on the other: the ratio of their turns, magnetising losses left out. */
    public Estimate over(Lead one, Lead two) {
        Typed top = one.equals(driven) ? drive : volts;
        Typed bottom = two.equals(driven) ? drive : volts;
        return new Estimate(
                top.value() / bottom.value(),
                ErrorBudget.exact()
                        .and("AC volts, " + one.words(), exactness(top), meter.name())
                        .and("AC volts, " + two.words(), -exactness(bottom), meter.name()));
    }

    /** Limit of error of one of the two readings, as a share of it. */
    public double exactness(Typed reading) {
        return meter.acLimit(reading) / reading.value();
    }

    /** The part of that limit that a lower range would lessen: counts of the last digit. */
    public double fromDigits(Typed reading) {
        return meter.acVolts().orElseGet(Meter.BASIC.acVolts()::orElseThrow).counts()
                * reading.lastDigit()
                / reading.value();
    }
}
