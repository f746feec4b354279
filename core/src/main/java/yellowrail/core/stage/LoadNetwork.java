package yellowrail.core.stage;

import java.util.List;

/** A load as parts that a circuit simulator knows. */
@FunctionalInterface
public interface LoadNetwork {
    /**
     * Elements between two nodes, as the whole primary sees them: resistors, inductors and capacitors in SPICE syntax. Their
     * names and inner nodes begin with {@code sp}.
     */
    List<String> elements(String from, String to);
}
