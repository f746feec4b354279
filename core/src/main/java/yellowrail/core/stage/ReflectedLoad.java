package yellowrail.core.stage;

import org.hipparchus.complex.Complex;

/** What a whole primary sees of the speaker over frequency, Ω; copper of the windings left out. */
@FunctionalInterface
public interface ReflectedLoad {
    /**
     * @param hertz above 0
     * @return impedance, Ω, its real part above zero
     */
    Complex at(double hertz);
}
