package yellowrail.core.swap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import yellowrail.core.amp.Duty;
import yellowrail.core.stage.StageIdle;
import yellowrail.core.swap.Chassis.BiasControl;
import yellowrail.core.swap.Chassis.CathodeParts;
import yellowrail.core.swap.Chassis.GridCircuit;
import yellowrail.core.swap.Chassis.HeaterWinding;
import yellowrail.core.swap.Chassis.HighTension;
import yellowrail.core.swap.Chassis.Output;
import yellowrail.core.swap.Chassis.Room;
import yellowrail.core.swap.Chassis.SocketWiring;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeModels;
import yellowrail.core.tube.TubeType;

/** Whatever is asked: what is not known, or not answered, is never part of a pass. */
class NeverPassTest {
    private static final int ASKED = 400;
    private static final List<String> MODELLED = Catalogue.shipped().types().stream()
            .map(TubeType::designation)
            .filter(d -> TubeModels.of(d).isPresent())
            .toList();

    private final Random random = new Random(20261128);

    @Test
    void anUnknownIsNeverPartOfAPass() {
        int passed = 0;
        for (int i = 0; i < ASKED; i++) {
            SwapQuestion question = question();
            SwapSheet sheet = SwapSheet.of(question);
            String asked = question + "\n" + sheet.rows();
            boolean pass = sheet.overall() == SwapVerdict.PASS || sheet.overall() == SwapVerdict.NOTE;
            passed += pass ? 1 : 0;
            if (pass) {
                assertThat(unknown(question)).as(asked).isEmpty();
                assertThat(sheet.after()).as(asked).isPresent();
            }
            assertThat(sheet.overall()).as(asked).isEqualTo(sheet.deciding().verdict());
            sheet.rows().forEach(r -> assertThat(r.verdict()).as(asked).isLessThanOrEqualTo(sheet.overall()));
            assertThat(sheet.rows().stream().map(SwapRow::criterion)).as(asked).doesNotHaveDuplicates();
            sheet.after()
                    .ifPresent(after -> assertThat(after.drive().idle().hottestPlateWatts())
                            .as(asked)
                            .isCloseTo(StageIdle.watts(after.stage()), within(1e-9)));
        }
        // A check that nothing ever passes would be none.
        assertThat(passed).isBetween(3, ASKED / 2);
    }

    /** What a pass may not stand on. */
    private static List<String> unknown(SwapQuestion question) {
        TubeType type = question.candidate().type();
        Chassis c = question.chassis();
        boolean cathode = question.cathodeBias();
        boolean pins = type.pinout().map(p -> p.pins().isEmpty()).orElse(true)
                && !type.designation().equals(question.present().type().designation());
        return Stream.of(
                        missing("plate watts", unknown(question, Limit.PLATE_WATTS)),
                        missing("plate volts", unknown(question, Limit.PLATE_VOLTS)),
                        missing("screen watts", type.hasScreen() && unknown(question, Limit.SCREEN_WATTS)),
                        missing("heater", type.heaterAmperes().isEmpty()),
                        missing("pins", pins),
                        missing(
                                "winding",
                                c.part(HeaterWinding.class).amperes().isEmpty()
                                        || c.part(HeaterWinding.class).others().isEmpty()),
                        missing("grid", c.part(GridCircuit.class).ohms().isEmpty()),
                        missing(
                                "control",
                                !cathode
                                        && (c.part(BiasControl.class).coldest().isEmpty()
                                                || c.part(BiasControl.class)
                                                        .hottest()
                                                        .isEmpty())),
                        missing(
                                "parts",
                                cathode
                                        && c.part(CathodeParts.class)
                                                .resistorWatts()
                                                .isEmpty()),
                        missing(
                                "supply",
                                c.part(HighTension.class).windingAmperes().isEmpty()),
                        missing(
                                "room",
                                c.part(Room.class).heightMm().isEmpty()
                                        && !c.part(Room.class).tried().orElse(false)))
                .flatMap(Optional::stream)
                .toList();
    }

    private static Optional<String> missing(String what, boolean is) {
        return is ? Optional.of(what) : Optional.empty();
    }

    private static boolean unknown(SwapQuestion question, Limit limit) {
        return question.candidate().editions().stream()
                .allMatch((Ratings r) -> r.figure(limit).isEmpty());
    }

    private SwapQuestion question() {
        String now = MODELLED.get(random.nextInt(MODELLED.size()));
        double volts = 220 + 180 * random.nextDouble();
        Present present = (switch (random.nextInt(3)) {
                    case 0 -> Swaps.fixed(now, 2, volts, 4000 + 4000 * random.nextDouble(), 0.5);
                    case 1 -> Swaps.cathode(now, 2, volts, 4000 + 4000 * random.nextDouble(), 250);
                    default -> Swaps.single(now, volts, 2500 + 4000 * random.nextDouble(), 350);
                })
                .playing(Duty.values()[random.nextInt(Duty.values().length)]);
        List<TubeType> types = Catalogue.shipped().types();
        SwapCandidate c = Swaps.candidate(
                present,
                random.nextInt(3) == 0
                        ? now
                        : types.get(random.nextInt(types.size())).designation());
        Connection connection = Connection.values()[random.nextInt(3)];
        return new SwapQuestion(
                present,
                chassis(),
                new SwapCandidate(
                        c.type(),
                        c.editions(),
                        c.curves(),
                        c.tubes(),
                        connection,
                        0.43,
                        0.3 + 0.4 * random.nextDouble(),
                        Optional.empty()));
    }

    private Chassis chassis() {
        return Chassis.unanswered(1)
                .with(new SocketWiring(
                        answered(Set.of()),
                        answered(true),
                        Optional.empty(),
                        false,
                        Optional.of(1.0),
                        Optional.empty()))
                .with(new HeaterWinding(answered(9.0), answered(0.6), 0))
                .with(new GridCircuit(answered(47e3), Optional.of(1)))
                .with(new BiasControl(answered(-80.0), answered(-2.0)))
                .with(new CathodeParts(answered(20.0), answered(100.0)))
                .with(new Output(answered(0.3), answered(true)))
                .with(new HighTension(answered(0.8), answered(0.0), answered(0.02)))
                .with(new Chassis.ScreenParts(answered(20.0)))
                .with(new Room(answered(80.0), answered(160.0), answered(true)));
    }

    private <T> Optional<T> answered(T answer) {
        return random.nextInt(20) == 0 ? Optional.empty() : Optional.of(answer);
    }
}
