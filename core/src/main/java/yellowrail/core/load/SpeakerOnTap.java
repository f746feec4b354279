package yellowrail.core.load;

import java.util.Optional;
import org.hipparchus.complex.Complex;
import yellowrail.core.stage.ReflectedLoad;

/**
 * Speakers on a tap as the whole primary sees them: turns squared times their impedance, with the primary's own inductance
 * beside it.
 *
 * @param turns whole primary over the tap, above zero
 * @param primaryHenries inductance of the whole primary, H; empty: as if it were endless, which flatters low notes
 */
public record SpeakerOnTap(Wiring speakers, double turns, Optional<Double> primaryHenries) implements ReflectedLoad {
    @Override
    public Complex at(double hertz) {
        Complex z = speakers.at(hertz).multiply(turns * turns);
        if (primaryHenries.isEmpty()) {
            return z;
        }
        Complex primary = new Complex(0, 2 * Math.PI * hertz * primaryHenries.get());
        return z.multiply(primary).divide(z.add(primary));
    }
}
