package yellowrail.core.amp.sensing;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** The cathode-bias resistor, a tube's own or shared by N: its drop is the cathode voltage and tells the current. */
public record CathodeResistor(SenseResistor resistor, int tubes) implements CathodePath {
    static final Way<CathodeResistor> WAY = new Way<>(
            "cathode",
            CathodeResistor.class,
            "across the cathode-bias resistor",
            "across a cathode-bias resistor",
            Way.Behind.ONE_OR_MORE,
            Way.Tells.CURRENT_AND_CATHODE_VOLTS,
            true,
            ResistorParameters.SHARED,
            given -> ResistorParameters.resistor(given)
                    .flatMap(r -> ResistorParameters.tubes(given, 1).map(n -> new CathodeResistor(r, n))));

    public CathodeResistor {
        SenseMath.checkTubes(tubes);
    }

    @Override
    public Way<CathodeResistor> way() {
        return WAY;
    }

    @Override
    public Map<String, String> parameters() {
        return new Described().resistor(resistor).tubes(tubes).texts();
    }

    @Override
    public Field field() {
        return Field.of("cathode volts", Unit.VOLT, Prefix.NONE, 2, 100).accepting(Unit.AMPERE);
    }

    @Override
    public String words() {
        return tubes == 1
                ? "across its own cathode-bias resistor"
                : "across the cathode-bias resistor shared by " + tubes + " tubes";
    }

    @Override
    public SensedCurrent see(Typed reading, Meter meter) {
        return SenseMath.cathodeCurrent(
                reading,
                meter,
                resistor,
                tubes,
                List.of(
                        "The resistor is hot and a leaky bypass capacitor adds to its current: measure its ohms with the power off."));
    }

    @Override
    public OptionalDouble readingAt(TubeCurrents eachTube) {
        return OptionalDouble.of(eachTube.cathode() * tubes * resistor.ohms());
    }

    @Override
    public SensingMethod with(SenseResistor other) {
        return new CathodeResistor(other, tubes);
    }
}
