package yellowrail.core.session;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import yellowrail.core.session.events.Exchanged;
import yellowrail.core.session.events.Named;
import yellowrail.core.session.events.Placed;

/**
 * Which individual tube stood in which socket when: tubes keep their readings when they change places, and stay the same
 * tube when they are given another label.
 */
final class TubeHistory {
    private static final String UNNAMED = "first in ";

    private record Since(long at, Map<String, String> tubes) {}

    private final List<Since> states = new ArrayList<>();
    /** Newest label by tube; empty for one that has none. */
    private final Map<String, String> labels = new HashMap<>();

    private TubeHistory() {}

    static TubeHistory of(Session session) {
        TubeHistory history = new TubeHistory();
        Map<String, String> now = new HashMap<>();
        for (String socket : session.sockets()) {
            String label = session.plan().tubes().getOrDefault(socket, "");
            String tube = label.isEmpty() ? UNNAMED + socket : label;
            now.put(socket, tube);
            history.labels.put(tube, label);
        }
        history.states.add(new Since(Long.MIN_VALUE, Map.copyOf(now)));
        long newest = Long.MIN_VALUE;
        for (Entry entry : session.entries()) {
            newest = Math.max(newest, entry.at());
            if (entry.event() instanceof Named named) {
                history.labels.put(now.get(named.socket()), named.tube());
                continue;
            } else if (entry.event() instanceof Placed placed) {
                now.put(placed.socket(), history.labelled(placed.tube()));
            } else if (entry.event() instanceof Exchanged swap) {
                String a = now.get(swap.socketA());
                now.put(swap.socketA(), now.get(swap.socketB()));
                now.put(swap.socketB(), a);
            } else {
                continue;
            }
            history.states.add(new Since(newest, Map.copyOf(now)));
        }
        return history;
    }

    /** The tube that bears a label now, or else a new one: another tube may have borne the label before. */
    private String labelled(String label) {
        for (Map.Entry<String, String> known : labels.entrySet()) {
            if (known.getValue().equals(label)) {
                return known.getKey();
            }
        }
        String tube = label;
        while (labels.containsKey(tube)) {
            tube = "another " + tube;
        }
        labels.put(tube, label);
        return tube;
    }

    /** The tube in a socket at a time: the label it came with, or where it stood first. */
    String in(String socket, long at) {
        String tube = "";
        for (Since state : states) {
            if (state.at() <= at) {
                tube = state.tubes().get(socket);
            }
        }
        return tube;
    }

    /** A tube's label as it is now; empty for one that has none. */
    String label(String tube) {
        return labels.getOrDefault(tube, tube);
    }

    /** Where a tube stands now; empty when it was taken out. */
    String socketOf(String tube) {
        Map<String, String> now = states.get(states.size() - 1).tubes();
        return now.entrySet().stream()
                .filter(e -> e.getValue().equals(tube))
                .map(Map.Entry::getKey)
                .sorted()
                .findFirst()
                .orElse("");
    }
}
