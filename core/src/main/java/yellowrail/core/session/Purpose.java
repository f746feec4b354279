package yellowrail.core.session;

import java.util.EnumSet;
import java.util.Set;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;

/** Why the amp is on the bench; with the bias scheme it decides which stops apply. */
public enum Purpose {
    NEW_TUBES("New tubes"),
    YEARLY_CHECK("Yearly check"),
    FAULT("Fault"),
    EXPERIMENT("Experiment");

    private final String words;

    Purpose(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** The stops that apply; a tube moved on the way adds "Tubes in". */
    Set<Stop> stops(AmpDescription amp) {
        EnumSet<Stop> stops = EnumSet.allOf(Stop.class);
        if (this == YEARLY_CHECK || this == EXPERIMENT) {
            stops.remove(Stop.TUBES_OUT);
            stops.remove(Stop.TUBES_IN);
        }
        // Without a grid supply there is nothing to learn with the tubes out but the unloaded B+, which a fault asks
        // for.
        if (amp.bias() == BiasScheme.CATHODE && this != FAULT) {
            stops.remove(Stop.TUBES_OUT);
        }
        return stops;
    }
}
