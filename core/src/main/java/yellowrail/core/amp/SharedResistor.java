package yellowrail.core.amp;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;

/** One sense resistor in the joined cathodes of N tubes: only their mean is known. */
public record SharedResistor(SenseResistor resistor, int tubes) implements SensingMethod {
    public SharedResistor {
        SenseMath.checkTubes(tubes);
    }

    @Override
    public Field field() {
        return SenseMath.dropField("the drop across the shared resistor", resistor.ohms(), tubes);
    }

    @Override
    public String words() {
        return "across one resistor shared by " + tubes + " tubes";
    }

    @Override
    public Seen see(Typed reading, Meter meter) {
        return SenseMath.cathodeCurrent(reading, meter, resistor, tubes, List.of());
    }

    @Override
    public OptionalDouble readingAt(TubeCurrents eachTube) {
        return OptionalDouble.of(eachTube.cathode() * tubes * resistor.ohms());
    }

    @Override
    public Optional<SenseResistor> element() {
        return Optional.of(resistor);
    }
}
