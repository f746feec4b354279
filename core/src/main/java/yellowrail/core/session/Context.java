package yellowrail.core.session;

/**
 * The state of the amp over a stretch of time.
 *
 * @param from when it began, milliseconds since 1970
 * @param power the declared state
 * @param limiter whether a limiter was in series
 * @param run counts power-ons
 * @param runSince when this power-on happened
 * @param stretch counts what breaks a curve: power-on, a turned control, moved tubes, changed parts, the limiter, a clock
 *     that went back
 */
public record Context(long from, Power power, boolean limiter, int run, long runSince, int stretch) {}
