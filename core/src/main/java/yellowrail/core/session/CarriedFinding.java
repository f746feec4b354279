package yellowrail.core.session;

/**
 * A finding that an earlier session of this amp left open.
 *
 * @param code what kind it is
 * @param about a socket, a sense point, or the amp
 * @param tube label of the tube it points to; empty when it points to a position
 * @param since when it was found, milliseconds since 1970
 * @param sentence as it was said
 */
public record CarriedFinding(Finding.Code code, String about, String tube, long since, String sentence) {}
