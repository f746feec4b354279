package yellowrail.app.store;

import java.util.Map;
import java.util.TreeMap;

/**
 * What was answered of everything around an amp's tubes.
 *
 * @param version of the amp's description that they were given beside: what a swap changes hangs on it
 * @param answers texts by the names of their fields, as typed
 */
public record StoredAnswers(int version, Map<String, String> answers) {
    public StoredAnswers {
        answers = new TreeMap<>(answers);
    }
}
