package yellowrail.app.stage;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.ui.Model;
import yellowrail.app.forms.Answers;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;

/**
 * The whole state of a page that looks at a stage: what it asks besides, and the stage. All of it stands in the address.
 *
 * @param own the page's own fields
 */
public record OnStage(Answers own, StageForm stage) {
    /** As the address says all of it. */
    public static OnStage from(List<FieldSpec<?>> fields, UnaryOperator<String> said) {
        return new OnStage(Answers.usual(fields).said(said), StageForm.from(said));
    }

    public String text(FieldSpec<?> field) {
        return own.text(field);
    }

    public boolean blank(FieldSpec<?> field) {
        return own.blank(field);
    }

    /** What a field's answer means; a sentence at it where it is not understood. */
    public <T> T read(FieldSpec<T> field, FieldErrors complaints) {
        return own.read(field, complaints);
    }

    /** Only what differs from the usual answers, the stage's too. */
    public String query() {
        return Stream.of(own.query(), stage.query()).filter(q -> !q.isEmpty()).collect(Collectors.joining("&"));
    }

    /** All fields, the stage's too. */
    public List<FieldSpec<?>> fields() {
        return FieldSpec.all(own.fields(), StageFields.ALL);
    }

    /**
     * What its page shows of it.
     *
     * @param said names in the address
     * @param besides names that may stand there without being fields
     */
    public void into(Model model, Set<String> said, String... besides) {
        model.addAttribute("f", own.texts());
        model.addAttribute("s", stage.texts());
        model.addAttribute("specs", own.byName());
        model.addAttribute("stageSpecs", stage.answers().byName());
        model.addAttribute("stageQuery", stage.query());
        model.addAttribute("query", query());
        model.addAttribute("fields", FieldSpec.names(fields()));
        Set<String> unknown = new TreeSet<>(said);
        FieldSpec.names(fields()).forEach(unknown::remove);
        unknown.removeAll(List.of(besides));
        model.addAttribute("unknown", List.copyOf(unknown));
    }
}
