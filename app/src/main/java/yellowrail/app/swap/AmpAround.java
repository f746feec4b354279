package yellowrail.app.swap;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.session.Memory.KnownRange;

/**
 * What is known of all that is around an amp's tubes: from its description, its sessions and the transformer fitted to it.
 *
 * @param texts by the names of their fields
 */
record AmpAround(Map<String, String> texts) {
    private static final int DIGITS = 4;

    /**
     * @param channels that the same transformer feeds
     * @param ranges how far each bias control reached at the grids, as read at the bench
     * @param coreAmperes direct current the output transformer is rated for, A
     */
    static AmpAround of(AmpDescription amp, int channels, Collection<KnownRange> ranges, Optional<Double> coreAmperes) {
        Map<String, String> texts = new LinkedHashMap<>();
        put(texts, "winding", amp.supply().windings().heater().amperes(), Unit.AMPERE);
        put(texts, "htDc", amp.supply().windings().highTension().amperes(), Unit.AMPERE);
        put(texts, "coreDc", coreAmperes, Unit.AMPERE);
        // Of several controls what every one of them reaches.
        put(texts, "coldest", ranges.stream().map(KnownRange::coldest).reduce(Math::max), Unit.VOLT);
        put(texts, "hottest", ranges.stream().map(KnownRange::hottest).reduce(Math::min), Unit.VOLT);
        texts.put("channels", String.valueOf(channels));
        texts.put("lowest", Show.fixed(100 * amp.mains().lowest() / amp.mains().nominal(), 0) + " %");
        // The present type first: what speaks against fresh tubes of the same type speaks against any.
        texts.put("to1", amp.stage().tubeTypes().get(0));
        return new AmpAround(texts);
    }

    private static void put(Map<String, String> texts, String name, Optional<Double> value, Unit unit) {
        value.ifPresent(v -> texts.put(name, Show.siPlain(v, unit, DIGITS)));
    }

    /** What is known of the amp goes before what is said. */
    UnaryOperator<String> before(UnaryOperator<String> said) {
        return name -> {
            String known = texts.get(name);
            return known == null || name.startsWith("to") ? said.apply(name) : known;
        };
    }

    /** What the address says goes before. */
    UnaryOperator<String> over(UnaryOperator<String> said) {
        return name -> {
            String text = said.apply(name);
            return text == null ? texts.get(name) : text;
        };
    }
}
