package yellowrail.core.amp;

import java.util.List;
import java.util.OptionalDouble;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/**
 * A socket adaptor read in volts: {@code Ik = (V − V0) / (volts per ampere)}.
 *
 * @param voltsPerAmpere what it gives, V/A (the same number as mV per mA), above zero
 * @param tolerancePercent of that figure
 * @param zeroVolts what it shows with no current, V
 */
public record SocketAdaptor(double voltsPerAmpere, double tolerancePercent, double zeroVolts) implements SensingMethod {
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
    public Seen see(Typed reading, Meter meter) {
        SenseResistor element = SenseResistor.marked(voltsPerAmpere, tolerancePercent);
        if (reading.unit() == Unit.AMPERE || zeroVolts == 0) {
            return SenseMath.cathodeCurrent(reading, meter, element, 1, List.of());
        }
        double net = reading.value() - zeroVolts;
        if (net < 0) {
            return new Seen.Nothing("the adaptor's reading of " + reading.echo() + " is below its zero of "
                    + Show.si(zeroVolts, Unit.VOLT, 3) + "; check the zero with no tube in it");
        }
        double scale = net == 0 ? 0 : Math.abs(reading.value()) / net;
        return new Seen.Current(
                Seen.Kind.CATHODE,
                new Estimate(
                        net / voltsPerAmpere,
                        SenseMath.meterError(reading, meter).times(scale).and("adaptor", tolerancePercent / 100)),
                1,
                0,
                "Ik = (V − V0) / (mV per mA)",
                "(" + reading.echo() + " − " + Show.si(zeroVolts, Unit.VOLT, 3) + ") / "
                        + Show.significant(voltsPerAmpere, 4),
                List.of());
    }

    @Override
    public OptionalDouble readingAt(TubeCurrents eachTube) {
        return OptionalDouble.of(eachTube.cathode() * voltsPerAmpere + zeroVolts);
    }
}
