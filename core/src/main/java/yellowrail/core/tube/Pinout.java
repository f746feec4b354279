package yellowrail.core.tube;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * Base and pin functions.
 *
 * @param base the base
 * @param code the basing designation, or empty when not known for sure
 * @param pins pin number to function; a pin that is missing here is unknown
 * @param cap what the cap on top is; empty where there is none, or it is not known
 * @param toBeVerified whether the builder is told to verify it with the maker's sheet
 * @param note what to watch for at the socket, or empty
 */
public record Pinout(
        Base base,
        String code,
        Map<Integer, PinFunction> pins,
        Optional<PinFunction> cap,
        boolean toBeVerified,
        String note) {
    public Pinout {
        for (int pin : pins.keySet()) {
            if (pin < 1 || pin > base.pins()) {
                throw new IllegalArgumentException("pin " + pin + " on a base with " + base.pins() + " pins");
            }
        }
        pins = Collections.unmodifiableMap(new TreeMap<>(pins));
    }

    /** The pins with this function, lowest first; empty when unknown. */
    public List<Integer> of(PinFunction function) {
        return pins.entrySet().stream()
                .filter(e -> e.getValue() == function)
                .map(Map.Entry::getKey)
                .toList();
    }
}
