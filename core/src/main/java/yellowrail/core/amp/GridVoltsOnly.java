package yellowrail.core.amp;

import java.util.OptionalDouble;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** Grid volts alone: they show that bias is there; tubes differ too much for a current to follow from them. */
public record GridVoltsOnly() implements SensingMethod {
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
    public Seen see(Typed reading, Meter meter) {
        return new Seen.Nothing(
                "grid volts show that bias is there, not what the tube draws: the same grid voltage is cold in"
                        + " one tube and dangerous in another. Take a current reading next");
    }

    @Override
    public OptionalDouble readingAt(TubeCurrents eachTube) {
        return OptionalDouble.empty();
    }
}
