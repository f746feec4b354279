package yellowrail.core.session;

import java.util.Map;
import java.util.Set;

/**
 * "Power off now", with what it interrupted, so that one pressed by mistake can be taken back.
 *
 * @param entry id of the entry
 * @param at when, milliseconds since 1970
 * @param what as typed
 * @param before the state it interrupted
 * @param marks of the stops then
 * @param ticks then
 */
record SafetyStop(
        String entry, long at, String what, Context before, Map<Stop, Mark> marks, Map<Check, Set<String>> ticks) {
    /** So long it can be taken back by declaring the state that it interrupted. */
    static final long MISTAKE_MILLIS = 60_000;

    /** Whether declaring this now says that the stop was a mistake. */
    boolean takenBackBy(Power declared, long now) {
        return declared == before.power() && declared != Power.UNDECLARED && now >= at && now - at <= MISTAKE_MILLIS;
    }
}
