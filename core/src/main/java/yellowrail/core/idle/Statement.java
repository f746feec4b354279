package yellowrail.core.idle;

/**
 * One of the two statements of a verdict: what is true as read, or at highest mains.
 *
 * @param place where the point stands there
 * @param sentence the statement with its numbers, for people
 */
public record Statement(Verdict.Place place, String sentence) {}
