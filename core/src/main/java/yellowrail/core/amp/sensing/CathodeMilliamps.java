package yellowrail.core.amp.sensing;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** A milliammeter in the cathode of one tube, or an instrument that shows its cathode current. */
public record CathodeMilliamps() implements SensingMethod {
    static final Way<CathodeMilliamps> WAY = new Way<>(
            "ma",
            CathodeMilliamps.class,
            "as cathode milliamperes",
            "cathode milliamperes",
            Way.Behind.ONE,
            Way.Tells.CURRENT,
            true,
            List.of(),
            given -> Optional.of(new CathodeMilliamps()));

    /** What a milliammeter's field takes. */
    static final Field CURRENT = Field.of("the current", Unit.AMPERE, Prefix.MILLI, 1e-3, 0.4);

    @Override
    public Way<CathodeMilliamps> way() {
        return WAY;
    }

    @Override
    public Map<String, String> parameters() {
        return Map.of();
    }

    @Override
    public Field field() {
        return CURRENT;
    }

    @Override
    public String words() {
        return "as cathode current";
    }

    @Override
    public int tubes() {
        return 1;
    }

    @Override
    public SensedCurrent see(Typed reading, Meter meter) {
        return new SensedCurrent.Current(
                SensedCurrent.Kind.CATHODE,
                new Estimate(reading.value(), SenseMath.meterError(reading, meter)),
                1,
                0,
                "I as read",
                reading.echo(),
                List.of());
    }

    @Override
    public OptionalDouble readingAt(TubeCurrents eachTube) {
        return OptionalDouble.of(eachTube.cathode());
    }
}
