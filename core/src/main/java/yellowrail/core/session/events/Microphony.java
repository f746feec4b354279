package yellowrail.core.session.events;

import java.util.List;
import java.util.Optional;
import yellowrail.core.session.Event;
import yellowrail.core.session.Rules;
import yellowrail.core.session.Session;

/** How a tube answers a light tap. */
public record Microphony(String socket, Grade grade) implements Event {
    private static final EntryField<Grade> GRADE = EntryField.one("grade", "How microphonic it is", Grade.class);

    static final Kind<Microphony> KIND = new Kind<>(
            "microphony",
            Microphony.class,
            List.of(Common.SOCKET, GRADE),
            s -> new Microphony(Common.SOCKET.of(s), GRADE.of(s)));

    /** From harmless to grave. */
    public enum Grade {
        NONE("no microphony"),
        ON_TAP("microphonic on a tap"),
        RINGS("rings at idle: replace it");

        private final String words;

        Grade(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    @Override
    public Optional<String> refusal(Rules rules) {
        Session session = rules.session();
        return session.noSocket(socket);
    }

    @Override
    public Optional<String> noted() {
        return Optional.of(socket + ": " + grade.words());
    }
}
