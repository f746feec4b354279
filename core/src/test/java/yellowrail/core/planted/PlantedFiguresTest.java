package yellowrail.core.planted;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import yellowrail.core.idle.IdleAnswer;
import yellowrail.core.idle.IdleCheck;
import yellowrail.core.idle.Slip;
import yellowrail.core.idle.TargetReading;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Typed;
import yellowrail.core.target.Profiles;

/**
 * Every figure and sentence of every planted case, to five digits: a change of a formula that no verdict notices is noticed here. What
 * changed on purpose is written anew with {@code -Dwrite.figures=true} and read over line by line.
 */
class PlantedFiguresTest {
    private static final Path FILE = Path.of("src", "test", "resources", "planted", "figures.txt");

    @Test
    void areWhatTheyWere() throws IOException {
        List<String> now = new ArrayList<>();
        for (String file : List.of("plainly-fine.txt", "never-green.txt", "edges.txt")) {
            PlantedCases.of(file).forEach(c -> now.add(line(file.substring(0, 5), c)));
        }
        if (Boolean.getBoolean("write.figures")) {
            Files.write(FILE, now);
        }
        assertThat(now).containsExactlyElementsOf(Files.readAllLines(FILE));
    }

    private static String line(String file, PlantedCases.Case asked) {
        IdleAnswer a = IdleCheck.answer(PlantedQuestion.of(asked), Profiles.SHIPPED);
        return Stream.of(
                        file + " " + asked.why(),
                        a.verdict().place() + "/" + a.verdict().now().place() + "/"
                                + a.verdict().raised().place() + a.verdict().qualifiers() + " "
                                + String.join(" ", a.verdict().sentences()),
                        estimate("Ik", a.cathodeAmperes())
                                + estimate(" Ip", a.plateAmperes())
                                + estimate(" Ig2", a.screenAmperes())
                                + estimate(" V", a.plateToCathodeVolts())
                                + estimate(" Pp", a.plateWatts())
                                + estimate(" Pg2", a.screenWatts())
                                + a.upperBoundWatts()
                                        .map(w -> " most " + five(w))
                                        .orElse(""),
                        a.atHighest()
                                .map(b -> five(b.low()) + " " + five(b.mid()) + " " + five(b.high()))
                                .orElse("-"),
                        a.window()
                                .map(w -> five(w.low()) + " " + five(w.high()))
                                .orElse("-"),
                        a.permitted()
                                .map(p ->
                                        five(p.share()) + " " + reading(p.reading()) + " " + five(p.edge()) + p.step())
                                .orElse("-"),
                        a.targets().stream().map(PlantedFiguresTest::target).collect(Collectors.joining(" ")),
                        a.limits().stream()
                                .map(l -> String.valueOf(l.standing()))
                                .collect(Collectors.joining(" ")),
                        a.missing().stream()
                                .map(m -> m.what() + (m.blocks() ? "!" : "") + five(m.effect()))
                                .collect(Collectors.joining(" ")),
                        a.slips().stream().map(PlantedFiguresTest::slip).collect(Collectors.joining(" ")))
                .collect(Collectors.joining(" | "))
                .stripTrailing();
    }

    private static String estimate(String name, Optional<Estimate> estimate) {
        return estimate.map(e -> name + " " + five(e.value()) + "±" + five(e.likely()) + "/" + five(e.worst()))
                .orElse("");
    }

    private static String target(TargetReading t) {
        return reading(t.reading()) + "±" + five(t.plusMinus()) + (t.chosen() ? "*" : "")
                + (t.above().isPresent() ? "^" : "") + (t.step() ? "~" : "");
    }

    private static String slip(Slip s) {
        return s.about()
                + s.choices().stream()
                        .map(c -> reading(Optional.of(c)))
                        .toList()
                        .toString()
                + (s.asks() ? "?" : "")
                + (s.dangerous() ? "!" : "");
    }

    private static String reading(Optional<Typed> typed) {
        return typed.map(t -> five(t.value())).orElse("none");
    }

    private static String five(double value) {
        return String.format(Locale.ROOT, "%.4e", value).replace("e+00", "");
    }
}
