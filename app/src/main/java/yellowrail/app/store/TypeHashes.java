package yellowrail.app.store;

import java.util.Map;

/** The types something was judged by, as content hashes of their documents, by designation. */
public record TypeHashes(Map<String, String> byDesignation) {
    public TypeHashes {
        byDesignation = Map.copyOf(byDesignation);
    }
}
