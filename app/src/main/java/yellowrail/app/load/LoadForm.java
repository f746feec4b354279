package yellowrail.app.load;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import yellowrail.app.stage.StageForm;

/**
 * What is typed of a load: the transformer, AC readings, speakers, which cell of the map is open; and the stage it hangs on.
 * All of it stands in the address.
 */
public final class LoadForm {
    /** Rows of AC readings, and sets of speakers. */
    static final int READINGS = 6;

    static final int SETS = 4;

    /** Names with what stands for nothing typed. */
    private static final Map<String, String> USUAL = new LinkedHashMap<>();

    static {
        USUAL.put("taps", "4 8 16");
        USUAL.put("marked", "");
        USUAL.put("meter", "handheld");
        for (int i = 1; i <= READINGS; i++) {
            USUAL.put("driven" + i, i == 1 ? "primary" : "");
            USUAL.put("drive" + i, "");
            USUAL.put("other" + i, i == 1 ? "tap-8" : "");
            USUAL.put("volts" + i, "");
        }
        for (int i = 1; i <= SETS; i++) {
            USUAL.put("set" + i, i == 1 ? "8" : "");
        }
        USUAL.put("open", "");
        USUAL.put("transformer", "");
        SpeakerFields.NAMES.forEach(name -> USUAL.put(name, ""));
        WindingFields.NAMES.forEach(name -> USUAL.put(name, ""));
        USUAL.put("band", "guitar");
    }

    private final Map<String, String> texts;
    private final StageForm stage;

    private LoadForm(Map<String, String> texts, StageForm stage) {
        this.texts = texts;
        this.stage = stage;
    }

    /** @param stage what the stage is where the address does not say */
    public static LoadForm from(UnaryOperator<String> said, StageForm stage) {
        Map<String, String> texts = new LinkedHashMap<>();
        USUAL.forEach((name, usual) -> {
            String text = said.apply(name);
            texts.put(name, text == null ? usual : text.strip());
        });
        return new LoadForm(texts, stage);
    }

    /** Whether a name in an address belongs to a load or its stage. */
    public static boolean knows(String name) {
        return USUAL.containsKey(name) || StageForm.names().contains(name);
    }

    /** Names of all fields, the stage's too. */
    public static List<String> names() {
        List<String> names = new ArrayList<>(USUAL.keySet());
        names.addAll(StageForm.names());
        return names;
    }

    static List<String> unknown(Set<String> names) {
        return new TreeSet<>(names).stream().filter(name -> !knows(name)).toList();
    }

    String text(String name) {
        return texts.get(name);
    }

    boolean blank(String name) {
        return texts.get(name).isEmpty();
    }

    /** The taps' ohms, each as typed. */
    List<String> tapWords() {
        return List.of(text("taps").replaceAll("Ω|ohms?", " ").strip().split("[\\s;,/]+"));
    }

    /** Whether anything is typed beyond the second reading. */
    boolean moreReadings() {
        return IntStream.rangeClosed(3, READINGS)
                .anyMatch(
                        i -> !blank("driven" + i) || !blank("drive" + i) || !blank("other" + i) || !blank("volts" + i));
    }

    /** All texts, for the page. */
    public Map<String, String> texts() {
        return texts;
    }

    StageForm stage() {
        return stage;
    }

    /** Only what differs from the usual answers, the stage's too. */
    String query() {
        String own = texts.entrySet().stream()
                .filter(e -> !e.getValue().equals(USUAL.get(e.getKey())))
                .map(e -> e.getKey() + "=" + URLEncoder.encode(e.getValue(), StandardCharsets.UTF_8))
                .collect(Collectors.joining("&"));
        return Stream.of(own, stage.query()).filter(q -> !q.isEmpty()).collect(Collectors.joining("&"));
    }
}
