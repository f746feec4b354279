package yellowrail.app.swap;

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

/** What is typed of a swap: candidates, what is around the tubes, and the stage. All of it stands in the address. */
public final class SwapForm {
    /** Candidates beside one another. */
    static final int CANDIDATES = 4;

    /** Names with what stands for nothing typed. */
    private static final Map<String, String> USUAL = new LinkedHashMap<>();

    static {
        for (int i = 1; i <= CANDIDATES; i++) {
            USUAL.put("to" + i, i == 1 ? "EL34" : "");
            USUAL.put("count" + i, "");
            USUAL.put("wired" + i, "");
            USUAL.put("bias" + i, "");
            USUAL.put("ohms" + i, "");
        }
        USUAL.put("wanted", "");
        USUAL.put("lowest", "90 %");
        USUAL.put("channels", "1");
        SwapFields.NAMES.forEach(name -> USUAL.put(name, ""));
    }

    private final Map<String, String> texts;
    private final StageForm stage;

    private SwapForm(Map<String, String> texts, StageForm stage) {
        this.texts = texts;
        this.stage = stage;
    }

    /** @param stage what the stage is where the address does not say */
    public static SwapForm from(UnaryOperator<String> said, StageForm stage) {
        Map<String, String> texts = new LinkedHashMap<>();
        USUAL.forEach((name, usual) -> {
            String text = said.apply(name);
            texts.put(name, text == null ? usual : text.strip());
        });
        return new SwapForm(texts, stage);
    }

    /** Whether a name in an address belongs to a swap or its stage. */
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

    /** Candidates that are typed, by their place from 1. */
    List<Integer> places() {
        return IntStream.rangeClosed(1, CANDIDATES)
                .filter(i -> !blank("to" + i))
                .boxed()
                .toList();
    }

    /** The field that a type picked from the list goes to: the first empty one, else the last. */
    String freePlace() {
        return IntStream.rangeClosed(1, CANDIDATES)
                .mapToObj(i -> "to" + i)
                .filter(this::blank)
                .findFirst()
                .orElse("to" + CANDIDATES);
    }

    Map<String, String> texts() {
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
