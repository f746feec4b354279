package yellowrail.app.swap;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;

/**
 * What an amp's description tells of all that is around its tubes.
 *
 * @param texts by the names of their fields
 */
record AmpAround(Map<String, String> texts) {
    /** @param channels that the same transformer feeds */
    static AmpAround of(AmpDescription amp, int channels) {
        Map<String, String> texts = new LinkedHashMap<>();
        put(texts, "winding", amp.supply().windings().heater().amperes(), Unit.AMPERE);
        put(texts, "htDc", amp.supply().windings().highTension().amperes(), Unit.AMPERE);
        texts.put("channels", String.valueOf(channels));
        texts.put("lowest", Show.fixed(100 * amp.mains().lowest() / amp.mains().nominal(), 0) + " %");
        // The present type first: what speaks against fresh tubes of the same type speaks against any.
        texts.put("to1", amp.stage().tubeTypes().get(0));
        return new AmpAround(texts);
    }

    private static void put(Map<String, String> texts, String name, Optional<Double> value, Unit unit) {
        value.ifPresent(v -> texts.put(name, Show.siPlain(v, unit, 4)));
    }

    /** What the address says goes before. */
    UnaryOperator<String> over(UnaryOperator<String> said) {
        return name -> {
            String text = said.apply(name);
            return text == null ? texts.get(name) : text;
        };
    }
}
