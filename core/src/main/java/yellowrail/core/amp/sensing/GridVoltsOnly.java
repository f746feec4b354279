package yellowrail.core.amp.sensing;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.PinFunction;

/** Grid volts alone: they show that bias is there; tubes differ too much for a current to follow from them. */
public record GridVoltsOnly() implements SensingMethod {
    static final Way<GridVoltsOnly> WAY = new Way<>(
            "grid",
            GridVoltsOnly.class,
            "at the control grid",
            "grid volts only",
            Way.Behind.ONE,
            Way.Tells.NOTHING,
            true,
            List.of(),
            given -> Optional.of(new GridVoltsOnly()));

    @Override
    public Way<GridVoltsOnly> way() {
        return WAY;
    }

    @Override
    public Map<String, String> parameters() {
        return Map.of();
    }

    @Override
    public Field field() {
        return Field.of("grid volts", Unit.VOLT, Prefix.NONE, 1, 150).signed();
    }

    @Override
    public String words() {
        return "at the control grid";
    }

    @Override
    public int tubes() {
        return 1;
    }

    @Override
    public SensedCurrent see(Typed reading, Meter meter) {
        return new SensedCurrent.Nothing(
                "grid volts show that bias is there, not what the tube draws: the same grid voltage is cold in"
                        + " one tube and dangerous in another. Take a current reading next");
    }

    @Override
    public OptionalDouble readingAt(TubeCurrents eachTube) {
        return OptionalDouble.empty();
    }

    @Override
    public Optional<PinFunction> probedPin() {
        return Optional.of(PinFunction.GRID);
    }
}
