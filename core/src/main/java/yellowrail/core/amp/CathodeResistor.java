package yellowrail.core.amp;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** The cathode-bias resistor, a tube's own or shared by N: its drop is the cathode voltage and tells the current. */
public record CathodeResistor(SenseResistor resistor, int tubes) implements SensingMethod {
    public CathodeResistor {
        SenseMath.checkTubes(tubes);
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
    public Seen see(Typed reading, Meter meter) {
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
    public boolean tellsCathodeVolts() {
        return true;
    }

    @Override
    public Optional<SenseResistor> element() {
        return Optional.of(resistor);
    }
}
