package yellowrail.core.amp.sensing;

import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** The drop over a choke or B+ resistor: the whole supply current, a cross-check of the total and nothing more. */
public record SupplyResistor(SenseResistor resistor) implements SensingMethod {
    static final Way<SupplyResistor> WAY = new Way<>(
            "supply",
            SupplyResistor.class,
            "over the choke or a B+ resistor",
            "over the choke or a B+ resistor",
            Way.Behind.ONE,
            Way.Tells.NOTHING,
            false,
            ResistorParameters.RESISTOR,
            given -> ResistorParameters.resistor(given).map(SupplyResistor::new));

    @Override
    public Way<SupplyResistor> way() {
        return WAY;
    }

    @Override
    public Map<String, String> parameters() {
        return new Described().resistor(resistor).texts();
    }

    @Override
    public Field field() {
        return Field.of(
                "the drop over the choke or resistor",
                Unit.VOLT,
                Prefix.NONE,
                1e-3 * resistor.ohms(),
                2 * resistor.ohms());
    }

    @Override
    public String words() {
        return "over the choke or a B+ resistor";
    }

    @Override
    public int tubes() {
        return 1;
    }

    /** Total supply current, A. */
    public double totalAmperes(Typed drop) {
        return drop.value() / resistor.ohms();
    }

    @Override
    public SensedCurrent see(Typed reading, Meter meter) {
        return new SensedCurrent.Nothing(
                "this is the whole supply current, other stages and screens included: it checks the sum of"
                        + " the tubes, it does not tell one of them");
    }

    @Override
    public OptionalDouble readingAt(TubeCurrents eachTube) {
        return OptionalDouble.empty();
    }

    @Override
    public Optional<SenseResistor> element() {
        return Optional.of(resistor);
    }
}
