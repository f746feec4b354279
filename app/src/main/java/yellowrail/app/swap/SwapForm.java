package yellowrail.app.swap;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import yellowrail.app.forms.FieldSpec;
import yellowrail.app.stage.OnStage;
import yellowrail.app.stage.StageForm;

/** What is typed of a swap: candidates, what is around the tubes, and the stage. All of it stands in the address. */
public final class SwapForm extends OnStage {
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
            USUAL.put("sleeve" + i, "");
        }
        USUAL.put("wanted", "");
        USUAL.put("lowest", "90 %");
        USUAL.put("channels", "1");
        SwapFields.ALL.forEach(field -> USUAL.put(field.name(), ""));
    }

    private SwapForm(UnaryOperator<String> said, StageForm stage) {
        super(USUAL, said, stage);
    }

    /** @param stage what the stage is where the address does not say */
    public static SwapForm from(UnaryOperator<String> said, StageForm stage) {
        return new SwapForm(said, stage);
    }

    /** As the address says all of it. */
    public static SwapForm from(UnaryOperator<String> said) {
        return from(said, StageForm.from(said));
    }

    /** Names of all fields, the stage's too. */
    public static List<String> names() {
        return names(USUAL);
    }

    @Override
    public List<String> fields() {
        return names();
    }

    /** The fields of what is around the tubes, for who writes them by program. */
    public static String documented() {
        return SwapFields.ALL.stream().map(FieldSpec::documented).collect(Collectors.joining(", "));
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
}
