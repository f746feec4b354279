package yellowrail.app.rounds;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import yellowrail.app.pictures.WattStrip.Tone;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.target.Target.Window;

/** Rounds of one amp over time: watts of each tube and the change since the round before. */
public record History(List<String> sockets, List<Row> rows) {
    /** One round. */
    public record Row(UUID id, String when, String mains, List<Cell> cells, String verdict, String tone, String mark) {}

    /** Watts of one tube, and its change since last time. */
    public record Cell(String watts, String change) {}

    /** @param rounds oldest first; the rows come newest first */
    public static History of(List<Round> rounds, List<Window> windows) {
        List<String> sockets = rounds.stream()
                .flatMap(r -> r.amp().description().sockets().stream().map(s -> s.name()))
                .distinct()
                .toList();
        List<Row> rows = new ArrayList<>();
        Optional<RoundAnswer> before = Optional.empty();
        for (Round round : rounds) {
            RoundAnswer answer = round.judged(windows);
            Tone tone = Tone.of(answer.verdict());
            Optional<RoundAnswer> last = before;
            List<Cell> cells = sockets.stream().map(s -> cell(answer, last, s)).toList();
            rows.add(
                    0,
                    new Row(
                            round.id(),
                            round.takenAt().format(RoundView.WHEN),
                            round.mains(),
                            cells,
                            answer.words(),
                            tone.css(),
                            tone.mark()));
            before = Optional.of(answer);
        }
        return new History(sockets, rows);
    }

    /** A mean and a tube's own reading are not compared: the difference would be no change. */
    private static Cell cell(RoundAnswer answer, Optional<RoundAnswer> before, String socket) {
        Optional<SocketAnswer> now = measured(answer, socket);
        Optional<Estimate> watts = now.flatMap(s -> s.answer().plateWatts());
        if (watts.isEmpty()) {
            return new Cell("–", "");
        }
        boolean alone = now.get().seenAlone();
        Optional<Estimate> last = before.flatMap(b -> measured(b, socket))
                .filter(s -> s.seenAlone() == alone)
                .flatMap(s -> s.answer().plateWatts());
        String change = last.map(l -> {
                    double difference = watts.get().value() - l.value();
                    return (difference < 0 ? "" : "+") + Show.fixed(difference, 1) + " W";
                })
                .orElse("");
        return new Cell((alone ? "" : "mean ") + Show.fixed(watts.get().value(), 1) + " W", change);
    }

    private static Optional<SocketAnswer> measured(RoundAnswer answer, String socket) {
        return answer.sockets().stream()
                .filter(s -> s.socket().name().equals(socket) && s.measured())
                .findFirst();
    }
}
