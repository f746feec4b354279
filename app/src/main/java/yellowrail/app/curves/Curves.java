package yellowrail.app.curves;

import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.TubeModel;

/**
 * The curves of a type and how far they can be trusted.
 *
 * @param points the points they were fitted to, as typed; empty for shipped ones
 * @param own whether a builder fitted them
 */
public record Curves(TubeModel model, ModelTrust trust, String points, boolean own) {}
