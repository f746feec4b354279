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
 * A milliammeter in the plate lead of one tube, or across its half of the primary: at B+.
 *
 * @param across when the meter bridges a half primary, the two resistances that share the current; else empty
 * @param acknowledged whether the builder acknowledged that a meter in a plate lead is at B+
 */
public record PlateMilliamps(Optional<Bridge> across, boolean acknowledged) implements SensingMethod {
    private static final Parameter METER_OHMS = Parameter.quantity(
            "rmeter",
            Field.of("the meter's resistance", Unit.OHM, Prefix.NONE, 0.01, 1000),
            " bridging a winding with a meter of ",
            "",
            "Resistance of a milliammeter that bridges a half primary, Ω",
            "no bridge");
    private static final Parameter ACKNOWLEDGED = Parameter.tick("ack", "I know a meter in the plate lead is at B+");

    static final Way<PlateMilliamps> WAY = new Way<>(
            "plate-ma",
            PlateMilliamps.class,
            "as plate milliamperes",
            "plate milliamperes",
            Way.Behind.ONE,
            Way.Tells.CURRENT,
            false,
            List.of(HalfPrimary.COLD, METER_OHMS, ACKNOWLEDGED),
            given -> Optional.of(new PlateMilliamps(bridge(given), given.yes(ACKNOWLEDGED))));

    /** A meter of {@code meterOhms} across a winding of {@code windingOhms}, Ω: it reads low, the rest flows beside it. */
    public record Bridge(double meterOhms, double windingOhms) {
        public Bridge {
            if (!(meterOhms >= 0 && meterOhms <= 1e4) || !(windingOhms > 0 && windingOhms <= 1e4)) {
                throw new IllegalArgumentException("meter 0 to 10 kΩ, winding above 0 to 10 kΩ");
            }
        }

        /** True current over indicated current, from r_meter/(r_meter + R_dc). */
        double factor() {
            return (meterOhms + windingOhms) / windingOhms;
        }
    }

    private static Optional<Bridge> bridge(Given given) {
        Optional<Typed> meter = given.quantity(METER_OHMS);
        Optional<Typed> winding = given.quantity(HalfPrimary.COLD);
        if (meter.isPresent() != winding.isPresent()) {
            Parameter missing = meter.isPresent() ? HalfPrimary.COLD : METER_OHMS;
            if (!given.refused(missing)) {
                given.refuse(
                        missing,
                        "A meter across a half primary reads low by what flows beside it: both resistances are needed, the"
                                + " meter's and the winding's, or neither for a meter in the plate lead.");
            }
        }
        return meter.flatMap(m ->
                winding.flatMap(w -> given.made(HalfPrimary.COLD, () -> new Bridge(m.value(), w.value()))));
    }

    @Override
    public Way<PlateMilliamps> way() {
        return WAY;
    }

    @Override
    public Map<String, String> parameters() {
        Described described = new Described().yes(ACKNOWLEDGED, acknowledged);
        across.ifPresent(b -> described.number(METER_OHMS, b.meterOhms()).number(HalfPrimary.COLD, b.windingOhms()));
        return described.texts();
    }

    @Override
    public Field field() {
        return CathodeMilliamps.CURRENT;
    }

    @Override
    public String words() {
        return "as plate current";
    }

    @Override
    public int tubes() {
        return 1;
    }

    private double factor() {
        return across.map(Bridge::factor).orElse(1.0);
    }

    @Override
    public SensedCurrent see(Typed reading, Meter meter) {
        if (!acknowledged) {
            return new SensedCurrent.Nothing(
                    "a meter in the plate lead stands at B+, and a slip destroys meter or transformer. A"
                            + " reading already taken counts once you say that you know this");
        }
        double factor = factor();
        return new SensedCurrent.Current(
                SensedCurrent.Kind.PLATE,
                new Estimate(reading.value() * factor, SenseMath.meterError(reading, meter)),
                1,
                0,
                factor == 1 ? "I as read" : "I = I read · (r meter + R winding) / R winding",
                factor == 1 ? reading.echo() : reading.echo() + " · " + Show.significant(factor, 4),
                List.of());
    }

    @Override
    public OptionalDouble readingAt(TubeCurrents eachTube) {
        return OptionalDouble.of(eachTube.plate() / factor());
    }
}
