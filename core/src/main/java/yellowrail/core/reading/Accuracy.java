package yellowrail.core.reading;

/**
 * A meter's stated accuracy on one function: ± (per cent of reading + counts of the last digit).
 *
 * @param percentOfReading zero or above
 * @param counts zero or above
 */
public record Accuracy(double percentOfReading, double counts) {
    public Accuracy {
        if (!(percentOfReading >= 0 && percentOfReading <= 100) || !(counts >= 0 && counts <= 1000)) {
            throw new IllegalArgumentException("accuracy out of range: ±(" + percentOfReading + " % + " + counts
                    + " counts); 0–100 % and 0–1000 counts");
        }
    }

    /** The limit of error of this reading, in the reading's base unit: pct·reading + counts·resolution. */
    public double limit(Typed reading) {
        return percentOfReading / 100 * Math.abs(reading.value()) + counts * reading.lastDigit();
    }

    /** As meters' makers write it: per cent of reading and counts. */
    public String brief() {
        return "±(" + Show.plain(percentOfReading, 2) + " % + " + Show.plain(counts, 2) + ")";
    }

    public String words() {
        return "±(" + Show.plain(percentOfReading, 2) + " % + " + Show.plain(counts, 2) + " counts)";
    }
}
