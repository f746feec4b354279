package yellowrail.app.stage;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import yellowrail.app.forms.Answers;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.forms.FieldSpec;

/** A stage as it is answered. */
public record StageForm(Answers answers) {
    private static final StageForm USUAL = new StageForm(Answers.usual(StageFields.ALL));

    /** The usual one with what is said of it. */
    public static StageForm from(UnaryOperator<String> said) {
        return new StageForm(USUAL.answers.said(said));
    }

    /** From a query string, as a kept setting is one. */
    public static StageForm from(String query) {
        Map<String, String> said = new LinkedHashMap<>();
        for (String pair : query.split("&")) {
            int equals = pair.indexOf('=');
            if (equals > 0) {
                said.put(decoded(pair.substring(0, equals)), decoded(pair.substring(equals + 1)));
            }
        }
        return from(said::get);
    }

    private static String decoded(String text) {
        try {
            return URLDecoder.decode(text, StandardCharsets.UTF_8);
        } catch (IllegalArgumentException broken) {
            return text;
        }
    }

    public String text(FieldSpec<?> field) {
        return answers.text(field);
    }

    /** What a field's answer means; a sentence at it where it is not understood. */
    public <T> T read(FieldSpec<T> field, FieldErrors complaints) {
        return answers.read(field, complaints);
    }

    /** What a pick means; the usual one where it is none. */
    public <T> T picked(FieldSpec<T> field) {
        return answers.read(field, new FieldErrors());
    }

    /** The same with a value that is known. */
    public <T> StageForm known(FieldSpec<T> field, T value) {
        return new StageForm(answers.known(field, value));
    }

    /** The same with one text. */
    public StageForm said(FieldSpec<?> field, String text) {
        return new StageForm(answers.said(field, text));
    }

    /** All texts, for the page. */
    public Map<String, String> texts() {
        return answers.texts();
    }

    /** Only what differs from the usual answers. */
    public String query() {
        return answers.query();
    }

    /** Names whose texts differ between two stages. */
    public List<String> differing(StageForm other) {
        return answers.differing(other.answers);
    }
}
