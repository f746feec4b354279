package yellowrail.core.idle;

/**
 * Something not known yet.
 *
 * @param what the missing input
 * @param effect how far it could move the result, as a share of it; infinity when there is no result without it
 * @param sentence what it could change and what to do
 * @param blocks whether no all-clear is given without it
 */
public record Missing(String what, double effect, String sentence, boolean blocks) {}
