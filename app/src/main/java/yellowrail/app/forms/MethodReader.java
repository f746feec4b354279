package yellowrail.app.forms;

import static yellowrail.app.forms.CheckForm.or;

import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import yellowrail.core.amp.sensing.Given;
import yellowrail.core.amp.sensing.Parameter;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.amp.sensing.Way;
import yellowrail.core.amp.sensing.Ways;
import yellowrail.core.reading.Typed;
import yellowrail.core.tube.Connection;

/**
 * Reads the sensing method and what it is described by; empty, with a complaint at its field, when something is missing. What
 * is typed for another way, or under a name that no way asks for, is refused.
 */
public final class MethodReader implements Given {
    private final Map<String, String> texts;
    private final Connection connection;
    private final double tap;
    private final FieldErrors complaints;

    /** @param texts what was typed, by the names of the parameters */
    public MethodReader(Map<String, String> texts, Connection connection, double tap, FieldErrors complaints) {
        this.texts = texts;
        this.connection = connection;
        this.tap = tap;
        this.complaints = complaints;
    }

    /** The way a word stands for; a blank is the usual one. */
    public static Optional<Way<?>> way(String word) {
        return Ways.of(or(word, Ways.USUAL.id()));
    }

    public Optional<SensingMethod> read(String word) {
        Optional<Way<?>> way = way(word);
        if (way.isEmpty()) {
            complaints.add(
                    "method",
                    "“" + FieldErrors.shorten(word) + "” is none of " + String.join(", ", Ways.ids()) + ".",
                    Ways.ids());
            return Optional.empty();
        }
        texts.forEach((name, text) -> counts(way.get(), name, text));
        return way.get().read(this).map(m -> m);
    }

    private void counts(Way<?> way, String name, String text) {
        String ways = Ways.asking(name).stream().map(Way::id).collect(Collectors.joining(", "));
        complaints.counts(name, text, way.asks(name), "with " + ways);
    }

    private String text(Parameter parameter) {
        return or(texts.get(parameter.name()), parameter.usual());
    }

    @Override
    public Optional<Typed> quantity(Parameter parameter) {
        return complaints.quantity(
                parameter.name(), text(parameter), parameter.field().orElseThrow());
    }

    @Override
    public Optional<Integer> tubes(Parameter parameter) {
        int tubes = complaints.count(parameter.name(), text(parameter), 1, 8, 0);
        return tubes == 0 ? Optional.empty() : Optional.of(tubes);
    }

    @Override
    public boolean yes(Parameter parameter) {
        return complaints.yes(parameter.name(), text(parameter));
    }

    @Override
    public boolean refused(Parameter parameter) {
        return complaints.has(parameter.name());
    }

    @Override
    public void refuse(Parameter parameter, String sentence) {
        complaints.add(parameter.name(), sentence);
    }

    @Override
    public Connection connection() {
        return connection;
    }

    @Override
    public double tap() {
        return tap;
    }
}
