package yellowrail.core.amp;

/**
 * How the idle is set.
 *
 * @param scheme what the bias does when the mains moves
 * @param controls what the idle is set with
 */
public record Bias(BiasScheme scheme, ControlLayout controls) {
    /** The same with its behaviour told. */
    public Bias told(BiasScheme scheme) {
        return new Bias(scheme, controls);
    }
}
