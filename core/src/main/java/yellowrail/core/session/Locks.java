package yellowrail.core.session;

import java.util.List;
import java.util.Map;

/**
 * What is open. Everything is locked unless off was declared and all that belongs to it was done since.
 *
 * @param waits what each limit still waits for, one sentence each, the next thing first
 * @param tubesWait what moving tubes still waits for
 */
public record Locks(Map<DrainLimit, List<String>> waits, List<String> tubesWait) {
    public Locks {
        waits = Map.copyOf(waits);
        tubesWait = List.copyOf(tubesWait);
    }

    public boolean open(DrainLimit limit) {
        return waits.get(limit).isEmpty();
    }

    /** What opens a limit next; empty while it is open. */
    public String next(DrainLimit limit) {
        return first(waits.get(limit));
    }

    /** Whether hands and part changes may go in. */
    public boolean hands() {
        return open(DrainLimit.HANDS);
    }

    /** Whether tubes may be moved. */
    public boolean tubes() {
        return tubesWait.isEmpty();
    }

    /** Whether resistances may be measured. */
    public boolean ohms() {
        return open(DrainLimit.OHMS);
    }

    /** What hands still wait for, one sentence each. */
    public List<String> why() {
        return waits.get(DrainLimit.HANDS);
    }

    public String handsNext() {
        return next(DrainLimit.HANDS);
    }

    public String tubesNext() {
        return first(tubesWait);
    }

    public String ohmsNext() {
        return next(DrainLimit.OHMS);
    }

    private static String first(List<String> sentences) {
        return sentences.isEmpty() ? "" : sentences.get(0);
    }
}
