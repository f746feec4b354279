package yellowrail.core.session;

import java.util.List;

/**
 * What is open. Everything is locked unless the amp is off, the pre-flight is done and the residual volts were read.
 *
 * @param hands whether hands and part changes may go in
 * @param tubes whether tubes may be moved
 * @param ohms whether resistances may be measured
 * @param why what keeps something locked, one sentence each, naming the node
 */
public record Locks(boolean hands, boolean tubes, boolean ohms, List<String> why) {
    public Locks {
        why = List.copyOf(why);
    }
}
