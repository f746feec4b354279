package yellowrail.app.store;

import java.util.List;
import java.util.Map;
import yellowrail.core.experiment.MeasuredPoint;

/** A measured table of an amp. */
public record StoredResult(Map<String, String> factors, List<MeasuredPoint> points, String note) {}
