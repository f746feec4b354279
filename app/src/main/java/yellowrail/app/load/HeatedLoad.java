package yellowrail.app.load;

import java.util.List;
import yellowrail.core.load.PrimaryInductance;
import yellowrail.core.load.SpeakerOnTap;
import yellowrail.core.load.Wiring;

/**
 * Speakers on a tap, with what is known of the primary's inductance.
 *
 * @param turns whole primary over the tap
 */
public record HeatedLoad(Wiring speakers, double turns, PrimaryInductance inductance) {
    SpeakerOnTap onTap() {
        return inductance.beside(speakers, turns);
    }

    /** By what the inductance may be as well. */
    List<SpeakerOnTap> others() {
        return inductance.ends(speakers, turns).toList();
    }
}
