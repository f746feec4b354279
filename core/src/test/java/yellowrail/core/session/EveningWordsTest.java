package yellowrail.core.session;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import yellowrail.core.Pinned;
import yellowrail.core.adjust.SupplySag;
import yellowrail.core.session.stops.Look;
import yellowrail.planted.Script;
import yellowrail.planted.Script.Evening;

/**
 * What every planted evening says at its end, word for word and figure for figure: a change that no outcome notices is noticed
 * here.
 */
class EveningWordsTest {
    private static final Path PLANTED = Path.of("src", "test", "resources", "planted");
    private static final long BEGIN = 1_790_000_000_000L;

    @Test
    void areWhatTheyWere() throws IOException {
        List<String> now = new ArrayList<>();
        for (String file : List.of("soaks.txt", "locks.txt", "adjusting.txt")) {
            Script.of(PLANTED.resolve(file)).forEach(e -> add(now, e));
        }
        Pinned.same("evenings.txt", now);
    }

    private static void add(List<String> lines, Evening evening) {
        Evenings played = Evenings.play(evening);
        Session session = played.session;
        Outcome outcome = played.outcome();
        SessionAssessment judged = SessionAssessment.of(session, played.standards);
        lines.add("# " + evening.why());
        Proof proof = outcome.proof();
        lines.add(proof.state() + " begun " + proof.begunAt().map(EveningWordsTest::minute) + " whole "
                + proof.wholeAt().map(EveningWordsTest::minute));
        proof.wants()
                .forEach(w -> lines.add("wants " + w.sentence()
                        + w.due().map(d -> " by " + minute(d)).orElse("")));
        proof.again().forEach(a -> lines.add("again " + a));
        outcome.findings()
                .forEach(f -> lines.add("found " + f.key() + " " + f.tube() + " " + minute(f.since()) + " "
                        + f.sentence() + " / " + f.closedBy().orElse("open: " + f.wants())));
        outcome.tubes()
                .forEach(t ->
                        lines.add(t.socket() + " " + t.tube() + " " + t.alone() + figure(t.beforeAmperes().stream())
                                + figure(t.afterAmperes().stream())
                                + figure(t.afterWatts().map(w -> w.value()).stream())
                                + figure(t.ratio().stream()) + " " + t.verdict()));
        outcome.changes().forEach(c -> lines.add("log " + c));
        Locks locks = session.locks(played.now);
        lines.add("locks " + locks.why() + " | " + locks.tubesNext() + " | " + locks.ohmsNext());
        lines.add("here " + session.here() + " " + session.missing(session.here(), played.now));
        lines.add("next " + NextStep.of(new Look(session, judged, Map.of(), played.now)));
        SoakWatch.of(session, judged)
                .forEach(w -> lines.add(
                        "watch " + w.drift().sentence() + " " + w.caution().orElse("")));
        lines.add(
                judged.sag() instanceof SupplySag.Known known
                        ? known.words()
                        : ((SupplySag.Refused) judged.sag()).reason());
        lines.add("advice " + Pinned.figures(judged.advice()));
        lines.add("exponent " + Pinned.figures(judged.mainsExponent()));
        judged.fans().forEach(f -> lines.add("fan " + Pinned.figures(f)));
        judged.notKnown()
                .forEach(m -> lines.add("not known " + m.what() + String.format(Locale.ROOT, " %.3f", m.effect())));
        judged.rounds()
                .forEach(r -> lines.add(
                        "round " + r.round().number() + " " + minute(r.round().at()) + " "
                                + r.answer().verdict().words() + " "
                                + Pinned.figures(r.round().readings().mains()) + " "
                                + Pinned.figures(r.round().readings().mainsMoved())));
        lines.add("late " + session.late().stream().map(l -> l.effect().name()).collect(Collectors.joining(" ")));
        lines.removeIf(String::isBlank);
    }

    private static String minute(long at) {
        return String.format(Locale.ROOT, "%.2f", (at - BEGIN) / 60_000.0);
    }

    private static String figure(Stream<Double> values) {
        return values.map(v -> String.format(Locale.ROOT, " %.4e", v)).collect(Collectors.joining());
    }
}
