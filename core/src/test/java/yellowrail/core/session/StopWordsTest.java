package yellowrail.core.session;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.zip.CRC32;
import org.junit.jupiter.api.Test;
import yellowrail.core.Pinned;
import yellowrail.core.session.stops.AllStops;
import yellowrail.core.session.stops.Look;
import yellowrail.core.session.stops.ReadingGroup;
import yellowrail.core.session.stops.Stops;
import yellowrail.planted.PlantedAmps;
import yellowrail.planted.Script;
import yellowrail.planted.Script.Evening;
import yellowrail.planted.Step;

/**
 * What every stop asks for, remarks, offers and prints while planted evenings go on, worked in each way: every sentence once,
 * and a sum of each evening's course, so that a sentence said at another moment is noticed too.
 */
class StopWordsTest {
    private static final Path PLANTED = Path.of("src", "test", "resources", "planted");
    private static final long BEGIN = 1_790_000_000_000L;
    /** Every how many evenings one is played step by step, and every how many steps all stops are asked. */
    private static final int EVERY_EVENING = 29;

    private static final int EVERY_STEP = 5;
    private final Set<String> sentences = new TreeSet<>();
    private final List<String> courses = new ArrayList<>();

    @Test
    void areWhatTheyWere() throws IOException {
        int number = 0;
        for (String file : List.of("soaks.txt", "locks.txt", "adjusting.txt")) {
            for (Evening evening : Script.of(PLANTED.resolve(file))) {
                if (number++ % EVERY_EVENING == 0) {
                    course(evening);
                }
            }
        }
        List<String> lines = new ArrayList<>(sentences);
        lines.addAll(courses);
        Pinned.same("stops.txt", lines);
    }

    private void course(Evening evening) {
        for (Access access : Access.values()) {
            for (boolean turns : new boolean[] {false, true}) {
                Setup setup = new Setup(access, turns, true, List.of(), Memory.NONE);
                if (Plan.turnsRefusal(setup, PlantedAmps.of(evening.amp())).isEmpty()) {
                    courses.add("# " + access + (turns ? " by turns: " : ": ") + evening.why() + ": "
                            + played(evening, setup));
                }
            }
        }
    }

    private String played(Evening evening, Setup setup) {
        Evenings played = new Evenings(evening, setup);
        CRC32 sum = new CRC32();
        int number = 0;
        for (Step step : evening.steps()) {
            if (played.take(step).isEmpty() && number++ % EVERY_STEP == 0) {
                said(played, BEGIN + step.at(), sum);
            }
        }
        said(played, played.now, sum);
        return HexFormat.of().toHexDigits((int) sum.getValue());
    }

    private void said(Evenings played, long now, CRC32 sum) {
        Session session = played.session;
        Look look = Look.at(session, played.standards, SessionAssessment.of(session, played.standards), now);
        List<String> everywhere = new ArrayList<>();
        AllStops.remarks(look)
                .forEach(r -> everywhere.add("remarks " + r.severity() + " " + r.code() + " " + r.sentence()));
        AllStops.cautions(session).forEach(c -> everywhere.add("warns " + c));
        add("here", everywhere, sum);
        for (Stop stop : Stops.RAIL.stops()) {
            List<String> lines = new ArrayList<>();
            for (ReadingGroup group : stop.readings(look)) {
                lines.add("group " + group.number() + " " + group.title() + " " + group.under());
                group.readings()
                        .forEach(w -> lines.add("asks " + w.quantity() + " " + w.point() + " " + w.label()
                                + (w.folded() ? " folded" : "")));
            }
            stop.remarks(look)
                    .forEach(r -> lines.add("remarks " + r.severity() + (r.alarming() ? " ! " : " ") + r.code() + " "
                            + r.about() + " " + r.sentence()));
            stop.missing(session, now).forEach(m -> lines.add("misses " + m));
            stop.next(look).ifPresent(n -> lines.add("next " + n));
            stop.stillUnproven(session, now).forEach(u -> lines.add("unproven " + u));
            stop.printed(session).forEach(p -> lines.add("prints " + p));
            lines.add("offers " + new TreeSet<>(stop.tools(session)));
            lines.add("notes " + stop.note(session));
            if (!stop.belongs(session)) {
                lines.add("does not belong");
            }
            add(stop.id(), lines, sum);
        }
    }

    private void add(String where, List<String> lines, CRC32 sum) {
        for (String line : lines) {
            String said = where + " " + Pinned.figures(line);
            sentences.add(said);
            sum.update(said.getBytes(StandardCharsets.UTF_8));
        }
    }
}
