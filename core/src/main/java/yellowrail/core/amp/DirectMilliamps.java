package yellowrail.core.amp;

import java.util.List;
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
 * A reading in milliamperes.
 *
 * @param where in the cathode or in the plate lead
 * @param across when the meter bridges a half primary, the two resistances that share the current; else empty
 * @param acknowledged whether the builder acknowledged that a meter in a plate lead is at B+
 */
public record DirectMilliamps(Where where, Optional<Bridge> across, boolean acknowledged) implements SensingMethod {
    /** Where the milliammeter stands. */
    public enum Where {
        CATHODE,
        PLATE
    }

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

    @Override
    public Field field() {
        return Field.of("the current", Unit.AMPERE, Prefix.MILLI, 1e-3, 0.4);
    }

    @Override
    public String words() {
        return where == Where.CATHODE ? "as cathode current" : "as plate current";
    }

    @Override
    public int tubes() {
        return 1;
    }

    @Override
    public Seen see(Typed reading, Meter meter) {
        if (where == Where.PLATE && !acknowledged) {
            return new Seen.Nothing(
                    "a meter in the plate lead stands at B+, and a slip destroys meter or transformer. A"
                            + " reading already taken counts once you say that you know this");
        }
        double factor = where == Where.PLATE ? across.map(Bridge::factor).orElse(1.0) : 1.0;
        return new Seen.Current(
                where == Where.CATHODE ? Seen.Kind.CATHODE : Seen.Kind.PLATE,
                new Estimate(reading.value() * factor, SenseMath.meterError(reading, meter)),
                1,
                0,
                factor == 1 ? "I as read" : "I = I read · (r meter + R winding) / R winding",
                factor == 1 ? reading.echo() : reading.echo() + " · " + Show.significant(factor, 4),
                List.of());
    }

    @Override
    public OptionalDouble readingAt(TubeCurrents eachTube) {
        return OptionalDouble.of(
                where == Where.CATHODE
                        ? eachTube.cathode()
                        : eachTube.plate() / across.map(Bridge::factor).orElse(1.0));
    }
}
