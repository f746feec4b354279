package yellowrail.core.load;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.complex.Complex;

/** Speakers as they are wired to one another: one, several in series, or several in parallel, of any depth. */
public sealed interface Wiring {
    /** More drivers than this are not one load. */
    int MOST_DRIVERS = 16;

    /** Ends of a band and of a curve within this factor are the same. */
    double ROUND = 1.05;

    /** Impedance at its two ends, Ω. */
    Complex at(double hertz);

    /** From the markings alone, Ω. */
    double nominalOhms();

    /** Its drivers, in the order they are written. */
    List<Driver> drivers();

    /** How far the nominal ohms may be off because they are estimated, share; 0 where all are marked. */
    default double nominalError() {
        return drivers().stream()
                .mapToDouble(d -> d.speaker().nominalError())
                .max()
                .orElse(0);
    }

    /** Adds what share of the power of all each driver takes, in their order; at this frequency, Hz. */
    void share(double hertz, double part, List<Double> shares);

    /** What share of the power each driver takes, in the order they are written. */
    default List<Double> shares(double hertz) {
        List<Double> shares = new ArrayList<>();
        share(hertz, 1, shares);
        return shares;
    }

    /**
     * Measured curves that do not reach over a band: outside them nothing is known.
     *
     * @return each such driver, once
     */
    default List<Driver> notMeasuredOver(double lowHertz, double highHertz) {
        return drivers().stream()
                .filter(d -> d.speaker() instanceof Speaker.Measured m
                        && (m.curve().leastHertz() > ROUND * lowHertz
                                || m.curve().mostHertz() * ROUND < highHertz))
                .distinct()
                .toList();
    }

    default boolean hasCurve() {
        return drivers().stream().anyMatch(d -> d.speaker().hasCurve());
    }

    /**
     * One speaker.
     *
     * @param name as it is written in the wiring
     */
    record Driver(String name, Speaker speaker) implements Wiring {
        @Override
        public Complex at(double hertz) {
            return speaker.at(hertz);
        }

        @Override
        public double nominalOhms() {
            return speaker.nominalOhms();
        }

        @Override
        public List<Driver> drivers() {
            return List.of(this);
        }

        @Override
        public void share(double hertz, double part, List<Double> shares) {
            shares.add(part);
        }
    }

    /** One after the other: plus to minus. */
    record Series(List<Wiring> parts) implements Wiring {
        public Series {
            parts = several(parts);
        }

        @Override
        public Complex at(double hertz) {
            Complex sum = Complex.ZERO;
            for (Wiring part : parts) {
                sum = sum.add(part.at(hertz));
            }
            return sum;
        }

        @Override
        public double nominalOhms() {
            return parts.stream().mapToDouble(Wiring::nominalOhms).sum();
        }

        @Override
        public List<Driver> drivers() {
            return all(parts);
        }

        /** One current flows through all: power goes with the real parts. */
        @Override
        public void share(double hertz, double part, List<Double> shares) {
            double all = at(hertz).getRealPart();
            for (Wiring one : parts) {
                one.share(hertz, part * one.at(hertz).getRealPart() / all, shares);
            }
        }
    }

    /** Beside one another: all plus ends together, all minus ends together. */
    record Parallel(List<Wiring> parts) implements Wiring {
        public Parallel {
            parts = several(parts);
        }

        @Override
        public Complex at(double hertz) {
            Complex sum = Complex.ZERO;
            for (Wiring part : parts) {
                sum = sum.add(part.at(hertz).reciprocal());
            }
            return sum.reciprocal();
        }

        @Override
        public double nominalOhms() {
            return 1 / parts.stream().mapToDouble(p -> 1 / p.nominalOhms()).sum();
        }

        @Override
        public List<Driver> drivers() {
            return all(parts);
        }

        /** One voltage stands at all: power goes with the real parts of the admittances. */
        @Override
        public void share(double hertz, double part, List<Double> shares) {
            double all = at(hertz).reciprocal().getRealPart();
            for (Wiring one : parts) {
                one.share(hertz, part * one.at(hertz).reciprocal().getRealPart() / all, shares);
            }
        }
    }

    private static List<Wiring> several(List<Wiring> parts) {
        if (parts.size() < 2) {
            throw new IllegalArgumentException("a group of speakers has two or more, not " + parts.size());
        }
        long count = parts.stream().mapToLong(p -> p.drivers().size()).sum();
        if (count > MOST_DRIVERS) {
            throw new IllegalArgumentException("at most " + MOST_DRIVERS + " drivers are one load, not " + count);
        }
        return List.copyOf(parts);
    }

    private static List<Driver> all(List<Wiring> parts) {
        return parts.stream().flatMap(p -> p.drivers().stream()).toList();
    }
}
