package yellowrail.core.amp.sensing;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;

/** One sense resistor in the joined cathodes of N tubes: only their mean is known. */
public record SharedResistor(SenseResistor resistor, int tubes) implements CathodePath {
    static final Way<SharedResistor> WAY = new Way<>(
            "shared",
            SharedResistor.class,
            "across a shared resistor",
            "across a shared sense resistor",
            Way.Behind.TWO_OR_MORE,
            Way.Tells.CURRENT,
            true,
            ResistorParameters.SHARED,
            given -> ResistorParameters.resistor(given)
                    .flatMap(r -> ResistorParameters.tubes(given, 2).map(n -> new SharedResistor(r, n))));

    public SharedResistor {
        SenseMath.checkTubes(tubes);
    }

    @Override
    public Way<SharedResistor> way() {
        return WAY;
    }

    @Override
    public Map<String, String> parameters() {
        return new Described().resistor(resistor).tubes(tubes).texts();
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
    public SensedCurrent see(Typed reading, Meter meter) {
        return SenseMath.cathodeCurrent(reading, meter, resistor, tubes, List.of());
    }

    @Override
    public OptionalDouble readingAt(TubeCurrents eachTube) {
        return OptionalDouble.of(eachTube.cathode() * tubes * resistor.ohms());
    }

    @Override
    public SensingMethod with(SenseResistor other) {
        return new SharedResistor(other, tubes);
    }
}
