package yellowrail.core.amp.sensing;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;

/** A sense resistor in the cathode of one tube: {@code Ik = Vs / Rs}, screen current included. */
public record OwnResistor(SenseResistor resistor) implements CathodePath {
    static final Way<OwnResistor> WAY = new Way<>(
            "own",
            OwnResistor.class,
            "across its own resistor",
            "across each tube's own resistor",
            Way.Behind.ONE,
            Way.Tells.CURRENT,
            true,
            ResistorParameters.RESISTOR,
            given -> ResistorParameters.resistor(given).map(OwnResistor::new));

    @Override
    public Way<OwnResistor> way() {
        return WAY;
    }

    @Override
    public Map<String, String> parameters() {
        return new Described().resistor(resistor).texts();
    }

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
    public SensedCurrent see(Typed reading, Meter meter) {
        return SenseMath.cathodeCurrent(reading, meter, resistor, 1, List.of());
    }

    @Override
    public OptionalDouble readingAt(TubeCurrents eachTube) {
        return OptionalDouble.of(eachTube.cathode() * resistor.ohms());
    }

    @Override
    public SensingMethod with(SenseResistor other) {
        return new OwnResistor(other);
    }
}
