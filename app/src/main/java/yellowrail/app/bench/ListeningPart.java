package yellowrail.app.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.session.Entry;
import yellowrail.core.session.JudgingBasis;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionAssessment;
import yellowrail.core.session.events.Chose;
import yellowrail.core.session.events.Heard;
import yellowrail.core.session.events.Labelled;

/** Settings that are listened to, hidden until a choice is made where that was asked for. */
record ListeningPart(Session session, JudgingBasis standards) {
    /** Whether the setting listened to is hidden until a choice is made. */
    boolean hidden() {
        boolean hidden = false;
        for (Entry entry : session.entries()) {
            if (entry.event() instanceof Labelled label) {
                hidden = label.blind();
            } else if (entry.event() instanceof Chose) {
                hidden = false;
            }
        }
        return hidden;
    }

    Optional<Panel.Listening> part() {
        Map<String, String> values = new LinkedHashMap<>();
        Map<String, List<String>> heard = new LinkedHashMap<>();
        String chosen = "";
        Session soFar = new Session(session.plan());
        for (Entry entry : session.entries()) {
            if (entry.event() instanceof Labelled label) {
                values.put(label.label(), setting(soFar));
            } else if (entry.event() instanceof Heard note) {
                heard.computeIfAbsent(note.label(), l -> new ArrayList<>()).add(note.text());
            } else if (entry.event() instanceof Chose choice) {
                chosen = choice.label();
            }
            soFar.apply(entry);
        }
        if (values.isEmpty()) {
            return Optional.empty();
        }
        boolean hidden = hidden();
        return Optional.of(new Panel.Listening(
                hidden,
                chosen,
                values.entrySet().stream()
                        .map(e -> new Panel.Setting(
                                e.getKey(),
                                hidden ? "hidden until you choose" : e.getValue(),
                                heard.getOrDefault(e.getKey(), List.of())))
                        .toList()));
    }

    private String setting(Session then) {
        return SessionAssessment.of(then, standards)
                .present()
                .map(p -> String.join(
                        ", ",
                        p.sockets().stream()
                                .filter(SocketAnswer::measured)
                                .map(s -> s.socket().name() + " "
                                        + s.answer()
                                                .share()
                                                .map(v -> Show.fixed(100 * v.value(), 0) + " %")
                                                .orElse("?"))
                                .toList()))
                .orElse("not read");
    }
}
