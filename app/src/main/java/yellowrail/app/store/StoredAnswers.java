package yellowrail.app.store;

import java.util.Map;
import java.util.TreeMap;

/**
 * What was answered of everything around an amp's tubes.
 *
 * @param present designation of the tubes that were in: which pins they leave unused hangs on it
 * @param answers texts by the names of their fields, as typed
 */
public record StoredAnswers(String present, Map<String, String> answers) {
    public StoredAnswers {
        answers = new TreeMap<>(answers);
    }
}
