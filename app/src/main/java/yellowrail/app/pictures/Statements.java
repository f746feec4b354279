package yellowrail.app.pictures;

import java.util.List;
import java.util.Map;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.idle.OpenQuestion;
import yellowrail.core.idle.Statement;
import yellowrail.core.idle.Verdict;

/**
 * The two statements of a verdict as they stand on every page, and the question that is open.
 *
 * @param lines now, then at higher mains; never mixed
 * @param answers what the open question can be answered with; empty when none is open
 */
public record Statements(List<Line> lines, List<Answer> answers) {
    /** One statement. */
    public record Line(String name, String text, String tone, String mark) {}

    /** One answer to the open question, as a button: the word that forms and addresses use for it. */
    public record Answer(String words, String bias) {}

    private static final Map<BiasScheme, String> WORDS = Map.of(
            BiasScheme.FIXED_TRACKING, "tracking",
            BiasScheme.FIXED_CONSTANT, "constant");

    public static Statements of(Verdict verdict) {
        return new Statements(
                List.of(line("Now", verdict.now()), line("At higher mains", verdict.raised())).stream()
                        .filter(l -> !l.text().isEmpty())
                        .toList(),
                verdict.question().map(OpenQuestion::outcomes).orElse(List.of()).stream()
                        .filter(o -> WORDS.containsKey(o.bias()))
                        .filter(o -> verdict.question().get().outcomes().stream()
                                .noneMatch(other -> other.bias() == BiasScheme.CATHODE))
                        .map(o -> new Answer(o.words(), WORDS.get(o.bias())))
                        .toList());
    }

    /** The statements of a computed stage. */
    public static List<Line> computed(List<Statement> statements) {
        return List.of(line("At this mains", statements.get(0)), line("At highest mains", statements.get(1)));
    }

    private static Line line(String name, Statement statement) {
        WattStrip.Tone tone = WattStrip.Tone.of(statement.place());
        return new Line(name, after(name, statement.sentence()), tone.css(), tone.mark());
    }

    /** The sentence behind its name, which is not said twice. */
    private static String after(String name, String sentence) {
        String said = "At highest mains: ";
        return sentence.startsWith(said) && !name.equals("Now")
                ? Character.toUpperCase(sentence.charAt(said.length())) + sentence.substring(said.length() + 1)
                : sentence;
    }
}
