package yellowrail.core.session;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import yellowrail.core.round.Quantity;

/** What grids and the node that feeds them say: a supply above the chassis, and tubes that are weak. */
final class GridWatch {
    private final Session session;
    private final TubeHistory tubes;
    private final List<Finding> found = new ArrayList<>();
    /** Sockets, each with its tube, of which a grid was weak before. */
    private final Set<String> weak = new HashSet<>();

    private GridWatch(Session session, TubeHistory tubes) {
        this.session = session;
        this.tubes = tubes;
    }

    static List<Finding> of(Session session, SessionAssessment judged, TubeHistory tubes) {
        GridWatch watch = new GridWatch(session, tubes);
        watch.biasNode();
        judged.rounds()
                .forEach(round -> round.answer()
                        .weak()
                        .forEach((socket, sentence) -> watch.weak(round.round(), socket, sentence)));
        return List.copyOf(watch.found);
    }

    /** A bias supply that was confirmed above the chassis; read again below it, it is answered. */
    private void biasNode() {
        List<RecordedReading> read = RoundAssembler.biasNode(session);
        for (int i = 0; i < read.size(); i++) {
            RecordedReading wrong = read.get(i);
            if (wrong.typed().value() > session.plan().meter().limit(wrong.typed())) {
                Finding finding = new Finding(
                        Finding.Code.CONTRADICTION,
                        "bias node",
                        "",
                        wrong.at(),
                        "The bias node was read as " + wrong.typed().echo() + ", above the chassis.",
                        Optional.empty(),
                        "Read it again with its sign, or correct the reading.");
                add(
                        finding,
                        read.subList(i + 1, read.size()).stream()
                                .filter(r -> r.typed().value() < 0)
                                .map(r -> "read again as " + r.typed().echo())
                                .findFirst());
            }
        }
    }

    /** A second reading makes sure of a weak tube: a later one of the same tube, or an earlier one that said so too. */
    private void weak(SessionRound round, String socket, String sentence) {
        long read = round.taken().stream()
                .filter(r -> r.isOf(Quantity.GRID, socket))
                .mapToLong(RecordedReading::at)
                .max()
                .orElse(round.at());
        String tube = tubes.in(socket, read);
        Finding finding = new Finding(
                Finding.Code.WEAK_TUBE,
                socket,
                tubes.label(tube),
                read,
                sentence,
                Optional.empty(),
                "Read the grid of " + socket + " once more.");
        Optional<String> again = session.holding().stream()
                .filter(r -> r.isOf(Quantity.GRID, socket) && r.at() > read)
                .filter(r -> tubes.in(socket, r.at()).equals(tube))
                .map(r -> "read a second time as " + r.typed().echo())
                .findFirst();
        boolean before = !weak.add(socket + "/" + tube);
        boolean gone = tubes.socketOf(tube).isEmpty();
        add(
                finding,
                again.or(() -> gone
                        ? Optional.of("the tube was taken out")
                        : before ? Optional.of("read twice, and alike") : Optional.empty()));
    }

    private void add(Finding finding, Optional<String> fact) {
        found.add(fact.map(finding::closed).orElse(finding));
    }
}
