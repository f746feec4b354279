package yellowrail.core.amp;

import java.util.List;
import yellowrail.core.amp.sensing.SensingMethod;

/**
 * A sensing element and the sockets whose current it sees.
 *
 * @param name what the builder calls the point
 * @param sockets names of the sockets behind it
 * @param method how it is read
 */
public record SenseGroup(String name, List<String> sockets, SensingMethod method) {
    public SenseGroup {
        sockets = List.copyOf(sockets);
        if (sockets.isEmpty()) {
            throw new IllegalArgumentException("sense point “" + name + "” has no socket");
        }
        if (method.tubes() != sockets.size()) {
            throw new IllegalArgumentException("sense point “" + name + "” is described for " + method.tubes()
                    + " tubes and stands at " + sockets.size() + " sockets");
        }
    }

    public boolean shared() {
        return sockets.size() > 1;
    }
}
