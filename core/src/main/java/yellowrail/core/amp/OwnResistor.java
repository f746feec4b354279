package yellowrail.core.amp;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;

/** A sense resistor in the cathode of one tube: {@code Ik = Vs / Rs}, screen current included. */
public record OwnResistor(SenseResistor resistor) implements SensingMethod {
    @Override
    public Field field() {
        return SenseMath.dropField("the drop across the sense resistor", resistor.ohms(), 1);
    }

    @Override
    public String words() {
        return "across its own resistor";
    }

    @Override
    public int tubes() {
        return 1;
    }

    @Override
    public Seen see(Typed reading, Meter meter) {
        return SenseMath.cathodeCurrent(reading, meter, resistor, 1, List.of());
    }

    @Override
    public OptionalDouble readingAt(TubeCurrents eachTube) {
        return OptionalDouble.of(eachTube.cathode() * resistor.ohms());
    }

    @Override
    public Optional<SenseResistor> element() {
        return Optional.of(resistor);
    }
}
