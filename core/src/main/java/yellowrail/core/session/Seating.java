package yellowrail.core.session;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Socket;

/** Which tube is in which socket, and so of which type: what was placed there decides, not what is described later. */
public final class Seating {
    private final Map<String, TubeLabel> tubes = new LinkedHashMap<>();
    private Optional<String> lastMoved = Optional.empty();

    /** As a session begins: with the types that the amp is described with, and the labels the session before left. */
    Seating(Plan plan) {
        for (Socket socket : plan.amp().sockets()) {
            tubes.put(socket.name(), new TubeLabel(plan.tubes().getOrDefault(socket.name(), ""), socket.tubeType()));
        }
    }

    /** @param type its designation; empty for one of the type that was there */
    void place(String socket, String label, String type) {
        tubes.put(socket, new TubeLabel(label, type.isEmpty() ? type(socket) : type));
        lastMoved = Optional.of("The tube of " + socket + " was changed.");
    }

    void exchange(String socketA, String socketB) {
        TubeLabel a = at(socketA);
        tubes.put(socketA, at(socketB));
        tubes.put(socketB, a);
        lastMoved = Optional.of("The tubes of " + socketA + " and " + socketB + " were exchanged.");
    }

    void name(String socket, String label) {
        tubes.put(socket, new TubeLabel(label, type(socket)));
    }

    private TubeLabel at(String socket) {
        return tubes.getOrDefault(socket, new TubeLabel("", ""));
    }

    /** What was last moved, in a sentence; empty while no tube was. */
    public Optional<String> lastMoved() {
        return lastMoved;
    }

    /** The label of the tube in a socket; empty when none was given. */
    public String label(String socket) {
        return at(socket).label();
    }

    /** The designation of the tube in a socket; empty where there is no such socket. */
    public String type(String socket) {
        return at(socket).type();
    }

    /** Labels by socket, where there are any. */
    public Map<String, String> labels() {
        Map<String, String> labels = new LinkedHashMap<>();
        tubes.forEach((socket, tube) -> {
            if (!tube.label().isEmpty()) {
                labels.put(socket, tube.label());
            }
        });
        return labels;
    }

    /** Labels of those tubes that are of the type that an amp is described with there. */
    Map<String, String> labelsIn(AmpDescription amp) {
        Map<String, String> labels = labels();
        amp.sockets().stream().filter(s -> !s.tubeType().equals(type(s.name()))).forEach(s -> labels.remove(s.name()));
        return labels;
    }

    /** An amp with the types that are in its sockets. */
    public AmpDescription in(AmpDescription amp) {
        Map<String, String> types = new LinkedHashMap<>();
        tubes.forEach((socket, tube) -> types.put(socket, tube.type()));
        return amp.seated(types);
    }

    /**
     * An amp as the next session finds it: what was put in stays in, unless the amp was described with other tubes since.
     *
     * @param before as it was described when this session began
     * @param now as it is described for the next one
     */
    public AmpDescription left(AmpDescription before, AmpDescription now) {
        Map<String, String> types = new LinkedHashMap<>();
        for (Socket socket : now.sockets()) {
            boolean same = before.sockets().stream()
                    .anyMatch(
                            b -> b.name().equals(socket.name()) && b.tubeType().equals(socket.tubeType()));
            if (same && tubes.containsKey(socket.name())) {
                types.put(socket.name(), type(socket.name()));
            }
        }
        return now.seated(types);
    }

    Object fingerprint() {
        return Map.copyOf(tubes);
    }
}
