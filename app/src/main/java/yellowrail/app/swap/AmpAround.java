package yellowrail.app.swap;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import yellowrail.app.forms.FieldSpec;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.sensing.OwnResistor;
import yellowrail.core.reading.Show;
import yellowrail.core.session.Memory.KnownRange;

/**
 * What is known of all that is around an amp's tubes: from its description, its sessions and the transformer fitted to it.
 *
 * @param texts by the names of their fields
 */
record AmpAround(Map<String, String> texts) {
    private static final String SLEEVE = "sleeve";

    /**
     * @param kept what was answered and kept with it: what the amp itself tells goes before
     * @param channels that the same transformer feeds
     * @param ranges how far each bias control reached at the grids, as read at the bench
     * @param coreAmperes direct current the output transformer is rated for, A
     */
    static AmpAround of(
            Map<String, String> kept,
            AmpDescription amp,
            int channels,
            Collection<KnownRange> ranges,
            Optional<Double> coreAmperes) {
        Map<String, String> texts = new LinkedHashMap<>(kept);
        put(texts, SwapFields.WINDING, amp.supply().windings().heater().amperes());
        put(texts, SwapFields.HT_DC, amp.supply().windings().highTension().amperes());
        put(texts, SwapFields.CORE_DC, coreAmperes);
        put(texts, SwapFields.SENSE_OHMS, sense(amp));
        // Of several controls what every one of them reaches.
        put(texts, SwapFields.COLDEST, ranges.stream().map(KnownRange::coldest).reduce(Math::max));
        put(texts, SwapFields.HOTTEST, ranges.stream().map(KnownRange::hottest).reduce(Math::min));
        texts.put("channels", String.valueOf(channels));
        texts.put("lowest", Show.fixed(100 * amp.mains().lowest() / amp.mains().nominal(), 0) + " %");
        // The present type first: what speaks against fresh tubes of the same type speaks against any.
        texts.put("to1", amp.stage().tubeTypes().get(0));
        return new AmpAround(texts);
    }

    /** The largest of the cathodes' own resistors, as marked; empty where one of them is read otherwise. */
    private static Optional<Double> sense(AmpDescription amp) {
        return amp.groups().stream().allMatch(g -> g.method() instanceof OwnResistor)
                ? amp.groups().stream()
                        .map(g -> ((OwnResistor) g.method()).resistor().markedOhms())
                        .reduce(Math::max)
                : Optional.empty();
    }

    private static <T> void put(Map<String, String> texts, FieldSpec<Optional<T>> field, Optional<T> value) {
        if (value.isPresent()) {
            texts.put(field.name(), field.shown(value));
        }
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
            return text == null ? known(name, said) : text;
        };
    }

    private String known(String name, UnaryOperator<String> said) {
        if (!name.startsWith(SLEEVE)) {
            return texts.get(name);
        }
        String type = over(said).apply("to" + name.substring(SLEEVE.length()));
        return type == null ? null : texts.get(sleeve(type));
    }

    /** Where it is kept whether the tubes of a type that this builder has are sleeved. */
    static String sleeve(String type) {
        return SLEEVE + "." + type.strip().toUpperCase(Locale.ROOT);
    }
}
