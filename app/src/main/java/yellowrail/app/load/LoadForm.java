package yellowrail.app.load;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import yellowrail.app.stage.OnStage;
import yellowrail.app.stage.StageForm;

/**
 * What is typed of a load: the transformer, AC readings, speakers, which cell of the map is open; and the stage it hangs on.
 * All of it stands in the address.
 */
public final class LoadForm extends OnStage {
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

    private LoadForm(UnaryOperator<String> said, StageForm stage) {
        super(USUAL, said, stage);
    }

    /** @param stage what the stage is where the address does not say */
    public static LoadForm from(UnaryOperator<String> said, StageForm stage) {
        return new LoadForm(said, stage);
    }

    /** As the address says all of it. */
    public static LoadForm from(UnaryOperator<String> said) {
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
}
