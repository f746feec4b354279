package yellowrail.core.tube;

/**
 * The curves of a type and how far they can be trusted.
 *
 * @param points the points they were fitted to, as typed; empty for shipped ones
 * @param own whether a builder fitted them
 */
public record TypeCurves(TubeModel model, ModelTrust trust, String points, boolean own) {}
