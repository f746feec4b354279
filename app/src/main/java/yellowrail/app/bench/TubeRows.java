package yellowrail.app.bench;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import yellowrail.app.pictures.Statements;
import yellowrail.app.pictures.WattStrip;
import yellowrail.app.pictures.WattStrip.Tone;
import yellowrail.app.rounds.Provenance;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.session.MainsFan;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionAssessment;
import yellowrail.core.session.Turn;

/** What each tube does now, one row for each. */
record TubeRows(Session session, SessionAssessment judged) {
    /** The one that leads the verdict first. */
    List<Panel.TubeRow> all() {
        return judged.present()
                .map(p -> p.sockets().stream()
                        .sorted(Comparator.comparing(
                                (SocketAnswer s) -> !s.socket().name().equals(p.worst())))
                        .map(s -> tube(s, p))
                        .toList())
                .orElse(List.of());
    }

    private Panel.TubeRow tube(SocketAnswer s, RoundAnswer present) {
        var answer = s.answer();
        Tone tone = s.measured() ? Tone.of(answer.verdict()) : Tone.UNKNOWN;
        String name = s.socket().name();
        return new Panel.TubeRow(
                name,
                s.socket().tubeType()
                        + (session.tube(name).isEmpty() ? "" : " · " + session.tube(name))
                        + (s.measured() && Turn.beforeTheMove(session, name)
                                ? ", of this setting, before the move"
                                : "")
                        + (present.sockets().size() > 1
                                        && RoundAnswer.hottest(present.sockets())
                                                .filter(h -> h.socket().name().equals(name))
                                                .isPresent()
                                ? ", hottest"
                                : ""),
                answer.plateWatts()
                        .map(w -> Show.plusMinus(w.value(), w.likely()) + " W")
                        .orElse("–"),
                answer.share()
                        .map(v -> Show.plusMinus(100 * v.value(), 100 * v.likely()) + " %")
                        .orElse(""),
                s.measured() ? answer.verdict().words() : "not read",
                tone.css(),
                tone.mark(),
                s.measured()
                        ? WattStrip.of(answer, judged.window(), judged.amp().ceilingShare(), name)
                        : Optional.empty(),
                Provenance.of(s),
                normalised(name),
                Statements.of(answer.verdict()),
                answer.verdict().reasons(),
                answer.formulas());
    }

    /** Watts carried to nominal mains, where the mains is off it. */
    private String normalised(String socket) {
        return judged.fans().stream()
                .filter(f -> f.socket().equals(socket))
                .findFirst()
                .flatMap(MainsFan::nominal)
                .map(w -> "≈ " + Show.significant(w.mid(), 3) + " W at "
                        + Show.si(session.plan().amp().mains().nominal(), Unit.VOLT, 3) + " mains, estimate")
                .orElse("");
    }
}
