package yellowrail.core.amp;

import java.util.Optional;
import yellowrail.core.reading.Typed;

/** A sensing method whose resistance was measured anew; the description itself stays as it was. */
public final class Remeasured {
    private Remeasured() {}

    /** @param ohms measured with the power off and the supply drained, Ω */
    public static SensingMethod with(SensingMethod method, Typed ohms) {
        if (method instanceof OwnResistor own) {
            return new OwnResistor(measured(own.resistor(), ohms));
        }
        if (method instanceof SharedResistor shared) {
            return new SharedResistor(measured(shared.resistor(), ohms), shared.tubes());
        }
        if (method instanceof CombinedPoint point) {
            return new CombinedPoint(measured(point.resistor(), ohms), point.tubes(), point.otherAmperes());
        }
        if (method instanceof CathodeResistor cathode) {
            return new CathodeResistor(measured(cathode.resistor(), ohms), cathode.tubes());
        }
        if (method instanceof HalfPrimary half) {
            return new HalfPrimary(ohms, half.warmerBy(), half.tubes(), half.connection(), half.tap());
        }
        return method;
    }

    /** Whether the method has a resistance worth measuring. */
    public static boolean takesOhms(SensingMethod method) {
        return method instanceof OwnResistor
                || method instanceof SharedResistor
                || method instanceof CombinedPoint
                || method instanceof CathodeResistor
                || method instanceof HalfPrimary;
    }

    private static SenseResistor measured(SenseResistor resistor, Typed ohms) {
        return new SenseResistor(
                resistor.markedOhms(), resistor.tolerancePercent(), Optional.of(ohms), resistor.insist());
    }
}
