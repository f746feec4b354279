package yellowrail.core.session;

/**
 * The state of the amp over a stretch of time.
 *
 * @param from when it began, milliseconds since 1970
 * @param power the declared state
 * @param limiter whether a limiter was in series
 * @param run counts power-ons
 * @param runSince when this power-on happened
 * @param stretch counts what breaks a curve: whatever changes the setting, and power-on
 * @param setting counts what changes the setting: a turned control, moved tubes, changed parts, the limiter, a stop for
 *     safety, a clock that went back
 * @param off counts the times off was declared; what opens a lock has to be done within one of them
 * @param offSince when this off-period began; meaningless while not off
 */
public record Context(
        long from,
        Power power,
        boolean limiter,
        int run,
        long runSince,
        int stretch,
        int setting,
        int off,
        long offSince) {
    static final Context BEGIN = new Context(Long.MIN_VALUE, Power.UNDECLARED, false, 0, 0, 0, 0, 0, 0);

    /** The same amp with its power declared anew. */
    Context powered(long at, Power declared) {
        if (declared == power) {
            return this;
        }
        boolean on = declared.on();
        boolean off = declared == Power.OFF;
        return new Context(
                at,
                declared,
                limiter,
                on ? run + 1 : run,
                on ? at : runSince,
                on ? stretch + 1 : stretch,
                setting,
                off ? this.off + 1 : this.off,
                off ? at : offSince);
    }

    Context limited(long at, boolean inSeries) {
        return inSeries == limiter
                ? this
                : new Context(at, power, inSeries, run, runSince, stretch + 1, setting + 1, off, offSince);
    }

    /** Another setting of the same amp: curves break here. */
    Context reset(long at) {
        return new Context(at, power, limiter, run, runSince, stretch + 1, setting + 1, off, offSince);
    }

    /** As this was, from a time on: what came in between is taken back. */
    Context again(long at) {
        return new Context(at, power, limiter, run, runSince, stretch, setting, off, offSince);
    }
}
