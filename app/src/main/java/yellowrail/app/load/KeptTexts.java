package yellowrail.app.load;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import yellowrail.app.transformers.KeptTransformer;
import yellowrail.core.load.TransformerDescription;
import yellowrail.core.reading.Show;

/** The load page's fields as a kept transformer fills them; what the address says goes before. */
final class KeptTexts {
    /** Digits that give back every typed figure. */
    private static final int AS_TYPED = 12;

    private KeptTexts() {}

    static UnaryOperator<String> of(UnaryOperator<String> said, Optional<KeptTransformer> kept) {
        if (kept.isEmpty()) {
            return said;
        }
        Map<String, String> texts = texts(kept.get().description());
        // Its readings are kept: the first row asks for no usual one again.
        texts.put("transformer", kept.get().id().toString());
        return name -> said.apply(name) == null ? texts.get(name) : said.apply(name);
    }

    private static Map<String, String> texts(TransformerDescription d) {
        Map<String, String> texts = new LinkedHashMap<>();
        texts.put("taps", d.taps().stream().map(t -> Show.plain(t, AS_TYPED)).collect(Collectors.joining(" ")));
        put(texts, "marked", d.markedOhms(), 1);
        put(texts, "halfA", d.windings().halfA(), 1);
        put(texts, "halfB", d.windings().halfB(), 1);
        put(texts, "secondaryDc", d.windings().secondary(), 1);
        put(texts, "henries", d.henries(), 1);
        put(texts, "coreDc", d.coreAmperes(), 1000);
        put(texts, "ratedWatts", d.ratedWatts(), 1);
        put(texts, "ratedHertz", d.ratedHertz(), 1);
        return texts;
    }

    private static void put(Map<String, String> texts, String name, Optional<Double> value, double scale) {
        texts.put(name, value.map(v -> Show.plain(scale * v, AS_TYPED)).orElse(""));
    }
}
