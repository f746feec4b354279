package yellowrail.core.amp.sensing;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/**
 * A socket adaptor read in volts: {@code Ik = (V − V0) / (volts per ampere)}.
 *
 * @param voltsPerAmpere what it gives, V/A (the same number as mV per mA), above zero
 * @param tolerancePercent of that figure
 * @param zeroVolts what it shows with no current, V; one that shows milliamperes shows as many more as that is
 */
public record SocketAdaptor(double voltsPerAmpere, double tolerancePercent, double zeroVolts) implements SensingMethod {
    private static final Parameter SCALE = Parameter.quantity(
            "mvma",
            // mV per mA and ohms are the same number; the digits may carry either unit or none.
            Field.of("a sense resistor", Unit.OHM, Prefix.NONE, 0.1, 10e3).aboveZero(),
            " giving ",
            " mV per mA",
            "mV per mA",
            "1");
    private static final Parameter ZERO = Parameter.quantity(
            "zero",
            Field.of("the adaptor's zero", Unit.VOLT, Prefix.MILLI, 0.01e-3, 1).signed(),
            ", zero at ",
            "",
            "Shows without a tube, mV",
            "0 mV");

    /** A zero above this share of the reading is no zero of an adaptor. */
    private static final double LARGEST_ZERO = 0.1;

    static final Way<SocketAdaptor> WAY = new Way<>(
            "adaptor",
            SocketAdaptor.class,
            "on a socket adaptor",
            "on a socket adaptor",
            Way.Behind.ONE,
            Way.Tells.CURRENT,
            true,
            List.of(ResistorParameters.TOLERANCE, SCALE, ZERO),
            given -> {
                Optional<Typed> scale = given.needed(
                        SCALE, "What the adaptor gives is missing: for example 1 mV per mA, as its maker says.");
                double zero = given.quantity(ZERO).map(Typed::value).orElse(0.0);
                double tolerance = ResistorParameters.tolerance(given);
                return scale.flatMap(s -> given.made(SCALE, () -> new SocketAdaptor(s.value(), tolerance, zero)));
            });

    public SocketAdaptor {
        if (!(voltsPerAmpere > 0 && voltsPerAmpere <= 1e4)) {
            throw new IllegalArgumentException(
                    "an adaptor of " + voltsPerAmpere + " mV per mA; above 0, at most 10 000");
        }
        if (!(tolerancePercent >= 0 && tolerancePercent <= 50) || !(Math.abs(zeroVolts) <= 10)) {
            throw new IllegalArgumentException("adaptor tolerance 0 to 50 %, zero reading within ±10 V");
        }
    }

    @Override
    public Way<SocketAdaptor> way() {
        return WAY;
    }

    @Override
    public Map<String, String> parameters() {
        return new Described()
                .number(ResistorParameters.TOLERANCE, tolerancePercent)
                .number(SCALE, voltsPerAmpere)
                .milli(ZERO, zeroVolts, "V")
                .texts();
    }

    @Override
    public Field field() {
        return SenseMath.dropField("the adaptor's reading", voltsPerAmpere, 1);
    }

    @Override
    public String words() {
        return "on a socket adaptor";
    }

    @Override
    public int tubes() {
        return 1;
    }

    @Override
    public SensedCurrent see(Typed reading, Meter meter) {
        SenseResistor element = SenseResistor.marked(voltsPerAmpere, tolerancePercent);
        if (zeroVolts == 0) {
            return SenseMath.cathodeCurrent(reading, meter, element, 1, List.of());
        }
        double net = reading.value() - zero(reading);
        if (net < 0) {
            return new SensedCurrent.Nothing("the adaptor's reading of " + reading.echo() + " is below its zero of "
                    + Show.si(zero(reading), reading.unit(), 3) + "; check the zero with no tube in it");
        }
        double scale = net == 0 ? 0 : Math.abs(reading.value()) / net;
        boolean amperes = reading.unit() == Unit.AMPERE;
        String numbers = reading.echo() + " − " + Show.si(zero(reading), reading.unit(), 3);
        return new SensedCurrent.Current(
                SensedCurrent.Kind.CATHODE,
                new Estimate(
                        amperes ? net : net / voltsPerAmpere,
                        SenseMath.meterError(reading, meter).times(scale).and("adaptor", tolerancePercent / 100)),
                1,
                0,
                amperes ? "Ik = I − I0" : "Ik = (V − V0) / (mV per mA)",
                amperes ? numbers : "(" + numbers + ") / " + Show.significant(voltsPerAmpere, 4),
                List.of());
    }

    /** What it shows with no current, in the unit of a reading. */
    private double zero(Typed reading) {
        return reading.unit() == Unit.AMPERE ? zeroVolts / voltsPerAmpere : zeroVolts;
    }

    @Override
    public OptionalDouble readingAt(TubeCurrents eachTube) {
        return OptionalDouble.of(eachTube.cathode() * voltsPerAmpere + zeroVolts);
    }

    @Override
    public Optional<Objection> objection(Typed reading) {
        boolean large = Math.abs(zero(reading)) > LARGEST_ZERO * Math.abs(reading.value());
        return large
                ? Optional.of(new Objection(
                        "adaptor's zero",
                        "The adaptor's zero of " + Show.si(zero(reading), reading.unit(), 3)
                                + " is more than a tenth of the reading of " + reading.echo()
                                + ": with no tube in it an adaptor shows a few counts. Read its zero again."))
                : Optional.empty();
    }
}
