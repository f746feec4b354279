package yellowrail.app.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.ui.Model;
import yellowrail.app.forms.AddressTexts;

/** What a page asks besides the stage that it looks at. All of it stands in the address. */
public abstract class OnStage {
    private final AddressTexts texts;
    private final StageForm stage;

    /**
     * @param usual the page's own names with their usual answers
     * @param stage what the stage is where the address does not say
     */
    protected OnStage(Map<String, String> usual, UnaryOperator<String> said, StageForm stage) {
        this.texts = new AddressTexts(usual, said);
        this.stage = stage;
    }

    /** Names of all fields of a page with its own names, the stage's too. */
    protected static List<String> names(Map<String, String> usual) {
        List<String> names = new ArrayList<>(usual.keySet());
        names.addAll(StageForm.names());
        return names;
    }

    public final String text(String name) {
        return texts.text(name);
    }

    public final boolean blank(String name) {
        return texts.blank(name);
    }

    /** All texts but the stage's, for the page. */
    public final Map<String, String> texts() {
        return texts.all();
    }

    public final StageForm stage() {
        return stage;
    }

    /** Only what differs from the usual answers, the stage's too. */
    public final String query() {
        return Stream.of(texts.query(), stage.query()).filter(q -> !q.isEmpty()).collect(Collectors.joining("&"));
    }

    /** Names of all fields, the stage's too. */
    public abstract List<String> fields();

    /**
     * What its page shows of it.
     *
     * @param said names in the address
     * @param besides names that may stand there without being fields
     */
    public final void into(Model model, Set<String> said, String... besides) {
        model.addAttribute("f", texts());
        model.addAttribute("s", stage.texts());
        model.addAttribute("stageQuery", stage.query());
        model.addAttribute("query", query());
        model.addAttribute("fields", fields());
        Set<String> unknown = new TreeSet<>(said);
        fields().forEach(unknown::remove);
        unknown.removeAll(List.of(besides));
        model.addAttribute("unknown", List.copyOf(unknown));
    }
}
