package yellowrail.core.session;

/**
 * Power was declared on before the rail led there: it is on, whatever was to come before.
 *
 * @param at milliseconds since 1970
 * @param run the power-on that this began
 * @param waits what was to come before, in a sentence
 */
record Unready(long at, int run, String waits) {}
