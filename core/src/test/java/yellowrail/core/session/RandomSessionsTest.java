package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowrail.core.adjust.Control;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.AdaptorMoved;
import yellowrail.core.session.events.Changed;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.DirectionSeen;
import yellowrail.core.session.events.EmergencyStop;
import yellowrail.core.session.events.Entered;
import yellowrail.core.session.events.Exchanged;
import yellowrail.core.session.events.LimiterSet;
import yellowrail.core.session.events.Named;
import yellowrail.core.session.events.Opened;
import yellowrail.core.session.events.Placed;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Resumed;
import yellowrail.core.session.events.Ripple;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.events.Ticked;
import yellowrail.core.session.events.Turned;
import yellowrail.core.session.stops.Look;
import yellowrail.core.session.stops.Stops;

/** Seeded random sessions: no lock is bypassed, no reading disappears, a replay gives the same state. */
class RandomSessionsTest {
    private static final List<Stop> STOPS = Stops.RAIL.stops();
    private static final List<Check> CHECKS = Stops.RAIL.checks();

    private static final String[] DEVICES = {"desk", "phone"};

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
    void theMachineHolds(int seed) {
        Random random = new Random(seed);
        for (int trial = 0; trial < 60; trial++) {
            Purpose purpose = Purpose.values()[random.nextInt(4)];
            ControlLayout layout = ControlLayout.values()[random.nextInt(ControlLayout.values().length)];
            BiasScheme bias = BiasScheme.values()[random.nextInt(BiasScheme.values().length)];
            boolean shared = random.nextBoolean();
            Access access = Access.values()[random.nextInt(Access.values().length)];
            boolean turns = !shared && access != Access.TEST_POINTS && random.nextInt(3) == 0;
            Bench bench = new Bench(
                    Plan.usual(Bench.amp(bias, layout, random.nextBoolean() ? 2 : 4, shared), purpose, Meter.FINE)
                            .worked(new Setup(access, turns, random.nextBoolean(), List.of(), Memory.NONE)));
            if (random.nextInt(3) > 0) {
                bench.preflight();
                if (access.handsIn() && random.nextBoolean()) {
                    bench.enters(Stops.DRAINED).drained();
                }
            }
            int read = bench.session.readings().size();
            for (int step = 0; step < 120; step++) {
                bench.now += random.nextInt(10) == 0 ? -random.nextInt(200_000) : random.nextInt(400_000);
                if (random.nextInt(200) == 0) {
                    bench.now += 7 * 3_600_000L;
                }
                Event event = event(bench.session, random);
                Locks locks = bench.session.locks(bench.now);
                Power power = bench.session.power(bench.now);
                int late = bench.session.late().size();
                Optional<String> refused = bench.tell(event, DEVICES[random.nextInt(2)]);
                if (refused.isEmpty()) {
                    if (bench.session.late().size() == late) {
                        neverPastALock(event, locks, power);
                    }
                    read += event instanceof Read ? 1 : 0;
                } else {
                    assertThat(refused.get()).endsWith(".").hasSizeGreaterThan(10);
                }
                assertThat(bench.session.readings()).hasSize(read);
                assertThat(bench.session.locks(bench.now).hands()
                                && !bench.session.access().handsIn())
                        .isFalse();
                assertThat(bench.session.locks(bench.now).ohms() && bench.session.power(bench.now) != Power.OFF)
                        .isFalse();
            }
            assertThat(bench.replayed()).isEqualTo(bench.session.fingerprint());
            assertThat(bench.outcome().proof().state()).isNotEqualTo(Proof.State.PROVEN);
            NextStep.of(new Look(bench.session, bench.judged(), Map.of(), bench.now));
            assertThat(bench.judged().notKnown()).isNotNull();
            SoakWatch.of(bench.session, bench.judged());
        }
    }

    private static void neverPastALock(Event event, Locks locks, Power power) {
        if (event instanceof Read read) {
            if (read.quantity() == Quantity.SENSE_OHMS || read.quantity() == Quantity.HALF_PRIMARY_OHMS) {
                assertThat(locks.ohms()).isTrue();
            }
            if (read.quantity() == Quantity.RESIDUAL && read.supersedes().isEmpty()) {
                assertThat(power).isNotEqualTo(Power.UNDECLARED);
            }
        }
        if (event instanceof Placed || event instanceof Exchanged || event instanceof AdaptorMoved) {
            assertThat(locks.tubes()).isTrue();
        }
        if (event instanceof Changed || event instanceof Resumed) {
            assertThat(locks.hands()).isTrue();
        }
        if (locks.hands()) {
            assertThat(power).isEqualTo(Power.OFF);
        }
    }

    private static Event event(Session session, Random random) {
        List<String> sockets = session.sockets();
        String socket = sockets.get(random.nextInt(sockets.size()));
        String group = session.plan().amp().groupOf(socket).name();
        List<String> controls = session.controls().stream().map(Control::name).toList();
        String control = controls.isEmpty() ? "none" : controls.get(random.nextInt(controls.size()));
        return switch (random.nextInt(24)) {
            case 20 -> new AdaptorMoved(socket);
            case 21 -> new Opened(Access.values()[random.nextInt(3)]);
            case 22 -> new Named(socket, "T" + random.nextInt(5));
            case 23 -> new Ripple(session.nodes().get(0).name(), new Typed("1 V", 1, Unit.VOLT, 0.1), 100);
            case 0, 1 -> new Entered(STOPS.get(random.nextInt(STOPS.size())));
            case 2 -> new Skipped(STOPS.get(random.nextInt(STOPS.size())), random.nextBoolean() ? "so" : "");
            case 3, 4 -> new Declared(Power.values()[random.nextInt(4)]);
            case 5 -> new LimiterSet(random.nextBoolean());
            case 6, 7 ->
                new Ticked(
                        CHECKS.get(random.nextInt(CHECKS.size())),
                        random.nextBoolean() ? "" : socket,
                        random.nextInt(5) > 0);
            case 8 -> new Turned(control, random.nextBoolean() ? Optional.of(Turned.Way.CW) : Optional.empty(), "");
            case 9 -> new Placed(socket, "T" + random.nextInt(5));
            case 10 -> new Exchanged(socket, sockets.get(random.nextInt(sockets.size())));
            case 11 -> new Changed("part", "a", "b", "");
            case 12 -> random.nextInt(4) == 0 ? new EmergencyStop("red plate") : new Resumed("found");
            case 13 -> correction(session, random, socket);
            case 14 -> new DirectionSeen(control, Control.Direction.values()[random.nextInt(3)]);
            case 15 -> Bench.read(Quantity.SENSE_OHMS, group, 9.9);
            case 16 ->
                Bench.read(
                        Quantity.RESIDUAL,
                        random.nextBoolean() ? "reservoir" : "bias",
                        random.nextInt(3) == 0 ? 20 : 0.4);
            case 17 -> Bench.read(Quantity.MAINS, "", 225 + random.nextInt(12));
            case 18 -> Bench.read(Quantity.PLATE, socket, 380 + random.nextInt(40));
            default -> Bench.read(Quantity.CURRENT, group, 0.3 + 0.02 * random.nextDouble());
        };
    }

    private static Event correction(Session session, Random random, String socket) {
        if (session.readings().isEmpty()) {
            return Bench.read(Quantity.PLATE, socket, 398);
        }
        RecordedReading old =
                session.readings().get(random.nextInt(session.readings().size()));
        return new Read(old.quantity(), old.point().name(), old.typed(), old.id(), random.nextBoolean() ? "slip" : "");
    }
}
