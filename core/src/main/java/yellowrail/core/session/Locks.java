package yellowrail.core.session;

import java.util.List;

/**
 * What is open. Everything is locked unless off was declared and all that belongs to it was done since.
 *
 * @param hands whether hands and part changes may go in
 * @param tubes whether tubes may be moved
 * @param ohms whether resistances may be measured
 * @param why what hands still wait for, one sentence each, the next thing first
 * @param tubesNext what opens the tubes next; empty while they are open
 * @param ohmsNext what opens resistances next; empty while they are open
 */
public record Locks(boolean hands, boolean tubes, boolean ohms, List<String> why, String tubesNext, String ohmsNext) {
    public Locks {
        why = List.copyOf(why);
    }

    /** What opens hands next; empty while they are open. */
    public String handsNext() {
        return why.isEmpty() ? "" : why.get(0);
    }
}
