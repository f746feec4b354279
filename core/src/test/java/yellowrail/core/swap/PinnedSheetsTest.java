package yellowrail.core.swap;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import yellowrail.core.Pinned;
import yellowrail.core.amp.Duty;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.GridSupply;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.swap.Chassis.BiasControl;
import yellowrail.core.swap.Chassis.CathodeParts;
import yellowrail.core.swap.Chassis.GridCircuit;
import yellowrail.core.swap.Chassis.HeaterWinding;
import yellowrail.core.swap.Chassis.HighTension;
import yellowrail.core.swap.Chassis.Output;
import yellowrail.core.swap.Chassis.Rectification;
import yellowrail.core.swap.Chassis.Room;
import yellowrail.core.swap.Chassis.ScreenParts;
import yellowrail.core.tube.Connection;

/**
 * Whole sheets of swaps with their work, every word and figure of them: what no verdict notices is noticed here. What changed
 * on purpose is written anew with {@code -Dwrite.figures=true} and read over.
 */
class PinnedSheetsTest {
    private static final Path FILE = Path.of("src", "test", "resources", "planted", "sheets.txt");
    private static final String HEAD = "== ";
    private static final Map<String, List<String>> PINNED = read();

    private static final Present PAIR = Swaps.fixed("6L6GC", 2, 400, 4200, 0.6);
    private static final Present QUAD = Swaps.fixed("EL34", 4, 430, 2000, 0.65);
    private static final Present BIG = Swaps.fixed("KT88", 2, 480, 4000, 0.55);
    private static final Present SMALL = Swaps.cathode("EL84", 2, 300, 8000, 142);
    private static final Present SINGLE = Swaps.single("6V6GT", 275, 5000, 390);
    private static final Present ALONE = Swaps.single("EL34", 280, 3000, 240);

    /** A swap asked about, by what is special in it. */
    record Asked(String name, SwapQuestion question) {
        @Override
        public String toString() {
            return name;
        }
    }

    private static Asked asked(String name, Present present, String type, Chassis chassis) {
        return asked(name, present, type, chassis, c -> c);
    }

    private static Asked asked(
            String name, Present present, String type, Chassis chassis, UnaryOperator<SwapCandidate> change) {
        return new Asked(name, new SwapQuestion(present, chassis, change.apply(Swaps.candidate(present, type))));
    }

    private static Present with(Present p, UnaryOperator<Stage> change, GridSupply grid, double margin) {
        StageSetting s = p.setting();
        return new Present(
                p.type(),
                p.ratings(),
                p.trust(),
                new StageSetting(change.apply(s.described()), s.ratedWatts(), s.idleShare(), 1, 1, grid, Duty.TONE),
                p.scheme(),
                p.lowest(),
                p.highest(),
                margin,
                p.read());
    }

    private static SwapCandidate with(SwapCandidate c, int tubes, Connection connection, Optional<Double> ohms) {
        return new SwapCandidate(c.type(), c.editions(), c.curves(), tubes, connection, 0.43, c.idleShare(), ohms);
    }

    private static <T> Optional<T> told(T value) {
        return Optional.of(value);
    }

    private static Rectification rectifier(String now, String then, double farads, double volts, double ohms) {
        return new Rectification(Rectifier.find(now), Rectifier.find(then), told(farads), told(volts), told(ohms));
    }

    static Stream<Asked> swaps() {
        Chassis wide = Around.generous();
        Chassis quiet = Chassis.unanswered(1);
        return Stream.of(
                asked("a pair by the next size", PAIR, "EL34", wide),
                asked("a pair of which nothing is told", PAIR, "EL34", quiet),
                asked("two channels of which nothing is told", PAIR, "6550", Chassis.unanswered(2)),
                asked("a pair by its like", PAIR, "6L6GC", wide),
                asked("a quad by beam tubes", QUAD, "KT66", wide),
                asked("a quad by small ones", QUAD, "6V6GT", wide),
                asked("big by bigger", BIG, "KT120", wide),
                asked("big by smaller", BIG, "6L6GC", wide),
                asked("noval by octal", SMALL, "6V6GT", wide),
                asked("noval by its like", SMALL, "EL84", wide),
                asked("alone by its like", SINGLE, "6V6GT", wide),
                asked("alone by a bigger one", SINGLE, "6L6GC", wide),
                asked("alone, big", ALONE, "KT88", wide),
                asked("a triode of no curves here", ALONE, "300B", wide),
                asked(
                        "another cathode resistor",
                        ALONE,
                        "6L6GC",
                        wide,
                        c -> with(c, 1, Connection.PENTODE, told(430.0))),
                asked("cathodes by fixed bias", SMALL, "EL84", wide, c -> c.biased(BiasChange.FIXED)),
                asked(
                        "cathodes by fixed bias that follows",
                        ALONE,
                        "EL34",
                        wide,
                        c -> c.biased(BiasChange.FIXED_TRACKING)),
                asked(
                        "fixed bias by a cathode resistor each",
                        PAIR,
                        "6L6GC",
                        wide,
                        c -> c.biased(BiasChange.CATHODE_EACH)),
                asked("fixed bias by one cathode resistor", QUAD, "EL34", wide, c -> c.biased(BiasChange.CATHODE)),
                asked("half of a quad", QUAD, "EL34", wide, c -> with(c, 2, Connection.PENTODE, Optional.empty())),
                asked("two more", PAIR, "6L6GC", wide, c -> with(c, 4, Connection.PENTODE, Optional.empty())),
                asked("three of a pair", PAIR, "6L6GC", wide, c -> with(c, 3, Connection.PENTODE, Optional.empty())),
                asked("wired as triodes", BIG, "KT88", wide, c -> with(c, 2, Connection.TRIODE, Optional.empty())),
                asked(
                        "wired ultralinear",
                        BIG,
                        "KT88",
                        wide,
                        c -> with(c, 2, Connection.ULTRALINEAR, Optional.empty())),
                asked("an idle that comes down", PAIR, "6V6GT", wide, c -> c.idling(1.0)),
                asked("a margin kept", with(PAIR, s -> s, GridSupply.FOLLOWS, 0.8), "6L6GC", wide, c -> c.idling(0.9)),
                asked("a grid supply that is held", with(PAIR, s -> s, GridSupply.HELD, 1), "EL34", wide),
                asked("a grid supply not known", with(BIG, s -> s, GridSupply.UNKNOWN, 1), "6550", wide),
                asked(
                        "cathode resistors each",
                        with(ALONE, s -> s.biased(Biasing.cathode(240, false)), GridSupply.FOLLOWS, 1),
                        "6L6GC",
                        wide),
                asked(
                        "a winding that is just enough",
                        QUAD,
                        "EL34",
                        Around.with(new HeaterWinding(told(6.6), told(0.6), 0))),
                asked("a reserve to be kept", QUAD, "6L6GC", Around.with(new HeaterWinding(told(4.0), told(0.6), 0.1))),
                asked(
                        "a winding for two channels",
                        QUAD,
                        "KT88",
                        Around.with(new HeaterWinding(told(12.0), told(1.2), 0)).channels(2)),
                asked("a grid resistor shared", PAIR, "6L6GC", Around.with(new GridCircuit(told(50e3), told(2)))),
                asked(
                        "a grid resistor that is too large",
                        PAIR,
                        "KT88",
                        Around.with(new GridCircuit(told(220e3), told(1)))),
                asked(
                        "a bias that cannot go so cold",
                        PAIR,
                        "6550",
                        Around.with(new BiasControl(told(-42.0), told(-20.0)))),
                asked(
                        "a bias that cannot go so warm",
                        QUAD,
                        "6V6GT",
                        Around.with(new BiasControl(told(-60.0), told(-30.0)))),
                asked(
                        "one end of the bias told",
                        PAIR,
                        "EL34",
                        Around.with(new BiasControl(told(-50.0), Optional.empty()))),
                asked(
                        "the other end of the bias told",
                        PAIR,
                        "EL34",
                        Around.with(new BiasControl(Optional.empty(), told(-20.0)))),
                asked("small cathode parts", ALONE, "KT88", Around.with(new CathodeParts(told(3.0), told(25.0)))),
                asked(
                        "cathode parts without a capacitor",
                        SMALL,
                        "EL84",
                        Around.with(new CathodeParts(told(5.0), told(0.0)))),
                asked("a core with little room", ALONE, "KT88", Around.with(new Output(told(0.06), told(false)))),
                asked(
                        "no screen taps",
                        BIG,
                        "KT88",
                        Around.with(new Output(Optional.empty(), told(false))),
                        c -> with(c, 2, Connection.ULTRALINEAR, Optional.empty())),
                asked("a small supply", QUAD, "KT88", Around.with(new HighTension(told(0.25), told(0.3), told(0.03)))),
                asked(
                        "a choke that is too small",
                        QUAD,
                        "EL34",
                        Around.with(new HighTension(told(0.7), told(0.4), told(0.03)))
                                .channels(2)),
                asked("a slow rectifier", PAIR, "6L6GC", Around.with(rectifier("GZ34", "5U4GB", 40e-6, 500, 60))),
                asked("a stiffer rectifier", PAIR, "6L6GC", Around.with(rectifier("5Y3GT", "GZ34", 20e-6, 450, 75))),
                asked("silicon for a tube", QUAD, "EL34", Around.with(rectifier("GZ34", "silicon", 60e-6, 550, 40))),
                asked("a rectifier as it is", SMALL, "EL84", Around.with(rectifier("EZ81", "", 50e-6, 400, 150))),
                asked("small screen resistors", QUAD, "EL34", Around.with(new ScreenParts(told(1.0)))),
                asked("little room", PAIR, "KT88", Around.with(new Room(told(45.0), told(110.0), Optional.empty()))),
                asked(
                        "tried on and it does not fit",
                        PAIR,
                        "EL34",
                        Around.with(new Room(Optional.empty(), Optional.empty(), told(false)))),
                asked(
                        "an adaptor",
                        SMALL,
                        "6V6GT",
                        Around.with(new Chassis.SocketWiring(
                                told(Set.of(1)), told(false), told(false), true, told(0.0), told(2)))),
                asked(
                        "parts on pins",
                        PAIR,
                        "EL34",
                        Around.with(new Chassis.SocketWiring(
                                told(Set.of(1, 6)), told(false), told(false), false, told(1.0), told(2)))));
    }

    @ParameterizedTest
    @MethodSource("swaps")
    void areWhatTheyWere(Asked asked) {
        List<String> now = lines(SwapSheet.of(asked.question()));
        if (Boolean.getBoolean("write.figures")) {
            PINNED.put(asked.name(), now);
        }
        assertThat(now).containsExactlyElementsOf(PINNED.getOrDefault(asked.name(), List.of()));
    }

    private static List<String> lines(SwapSheet sheet) {
        List<String> lines = new ArrayList<>();
        lines.add(sheet.overall() + ", by " + sheet.deciding().criterion() + ", " + sheet.count(sheet.overall())
                + " so; idle " + sheet.question().candidate().idleShare());
        sheet.rows()
                .forEach(r -> lines.add(Stream.of(
                                r.criterion() + " " + r.verdict(),
                                r.value(),
                                r.limit(),
                                Double.isNaN(r.share()) ? "" : "" + r.share(),
                                r.reason(),
                                r.mend(),
                                r.formula())
                        .collect(Collectors.joining(" | "))));
        lines.add(sheet.power());
        lines.addAll(WorkList.of(sheet));
        return lines.stream().map(Pinned::figures).toList();
    }

    private static Map<String, List<String>> read() {
        Map<String, List<String>> blocks = new LinkedHashMap<>();
        try {
            String name = "";
            for (String line : Files.exists(FILE) ? Files.readAllLines(FILE) : List.<String>of()) {
                if (line.startsWith(HEAD)) {
                    name = line.substring(HEAD.length());
                    blocks.put(name, new ArrayList<>());
                } else {
                    blocks.get(name).add(line);
                }
            }
            return blocks;
        } catch (IOException unreadable) {
            throw new IllegalStateException(unreadable);
        }
    }

    @AfterAll
    static void written() throws IOException {
        if (Boolean.getBoolean("write.figures")) {
            List<String> lines = new ArrayList<>();
            PINNED.forEach((name, block) -> {
                lines.add(HEAD + name);
                lines.addAll(block);
            });
            Files.write(FILE, lines);
        }
    }
}
