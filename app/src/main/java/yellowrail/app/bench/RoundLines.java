package yellowrail.app.bench;

import java.util.ArrayList;
import java.util.List;
import yellowrail.core.adjust.SupplySag;
import yellowrail.core.reading.Show;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionAssessment;

/** The newest rounds, a line each. */
final class RoundLines {
    private RoundLines() {}

    /** @param hidden whether currents are kept from who listens */
    static Panel.Rounds of(Session session, SessionAssessment judged, int most, boolean hidden) {
        List<String> points =
                session.plan().amp().groups().stream().map(g -> g.name()).toList();
        List<Panel.RoundLine> lines = new ArrayList<>();
        for (SessionAssessment.JudgedRound judgedRound : newest(judged.rounds(), most)) {
            List<String> currents = new ArrayList<>();
            for (String point : points) {
                currents.add(session.plan().amp().groups().stream()
                        .filter(g -> g.name().equals(point))
                        .flatMap(g -> SessionAssessment.socket(
                                judgedRound.answer(), g.sockets().get(0))
                                .stream())
                        .filter(SocketAnswer::measured)
                        .flatMap(s -> s.answer().cathodeAmperes().stream())
                        .map(e -> Show.fixed(1000 * e.value(), 1))
                        .findFirst()
                        .orElse("–"));
            }
            lines.add(
                    0,
                    new Panel.RoundLine(
                            judgedRound.round().number(),
                            judgedRound.round().at(),
                            hidden ? points.stream().map(p -> "hidden").toList() : currents,
                            judgedRound.round().readings().plate().values().stream()
                                    .findFirst()
                                    .map(v -> Show.fixed(v.value(), 0))
                                    .orElse("–"),
                            judgedRound
                                    .round()
                                    .readings()
                                    .mains()
                                    .map(m -> Show.fixed(m, 0))
                                    .orElse("–"),
                            judgedRound.answer().verdict().words()));
        }
        String supply = judged.sag() instanceof SupplySag.Known known ? known.words() : "";
        return new Panel.Rounds(points, lines, supply);
    }

    private static <T> List<T> newest(List<T> all, int most) {
        return all.subList(Math.max(0, all.size() - most), all.size());
    }
}
