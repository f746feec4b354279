package yellowrail.core.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import yellowrail.core.reading.Meter;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Ticked;
import yellowrail.core.session.events.Turned;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.Drained;
import yellowrail.planted.PlantedAmps;

/**
 * Two devices whose queues arrive in any order, with clocks that are off: no lock is open while the newest declared or
 * evidenced state is power, and replaying gives the same state.
 */
class QueuesTest {
    /** One took longer on its way than the next: what was read after a turn belongs after it. */
    @Test
    void entriesOfOneDeviceKeepTheirOrder() {
        Bench bench = Bench.pair(Purpose.YEARLY_CHECK).poweredUp();
        bench.minutes(12).round(31.6, 31.4, 397);
        bench.did(new Turned("V1 control", Optional.empty(), ""));
        Entry read = new Entry("r", bench.now - 300, "desk", Bench.read(Quantity.CURRENT, "V1", 0.33));
        Entry placed = bench.session.inOrder(read);
        assertThat(placed.at()).isEqualTo(bench.now);
        bench.session.apply(placed);
        assertThat(bench.session
                        .last(Quantity.CURRENT, "V1")
                        .orElseThrow()
                        .context()
                        .setting())
                .isEqualTo(bench.session.context().setting());
        // A clock that was set back is another matter: it is kept as it says, and told.
        Entry back = new Entry("b", bench.now - 60_000, "desk", read.event());
        assertThat(bench.session.inOrder(back)).isEqualTo(back);
        Entry other = new Entry("o", bench.now - 300, "phone", read.event());
        assertThat(bench.session.inOrder(other)).isEqualTo(other);
    }

    private static final long BEGIN = 1_790_000_000_000L;
    private static final int TRIALS = 700;

    private final List<Entry> truth = new ArrayList<>();
    private long now;
    private int count;

    private void happens(Random random, String device, long offset, Event event) {
        now += 3_000 + random.nextInt(90_000);
        truth.add(new Entry("e" + count++, now + offset, device, event));
    }

    /** An evening as it happened: off and drained, on, readings, off, drained, perhaps on again; each entry on some device. */
    private void evening(Random random) {
        truth.clear();
        now = BEGIN;
        long[] offsets = {0, random.nextInt(120_000) - 60_000};
        boolean on = false;
        int steps = 20 + random.nextInt(40);
        for (int i = 0; i < steps; i++) {
            int who = random.nextInt(2);
            String device = who == 0 ? "desk" : "phone";
            List<Event> events = new ArrayList<>();
            int what = random.nextInt(8);
            if (what == 0 || i == 0) {
                on = i > 0 && !on;
                events.add(new Declared(on ? Power.ON_TUBES_IN : Power.OFF));
            } else if (on) {
                events.add(
                        what < 4
                                ? Bench.read(Quantity.PLATE, "V1", 430)
                                : what < 6
                                        ? Bench.read(Quantity.CURRENT, "V1", 0.385)
                                        : Bench.read(Quantity.HEATER, "", 6.3));
            } else {
                for (Check check : List.of(
                        BeforePower.LOAD,
                        BeforePower.CONTROLS_DOWN,
                        BeforePower.ONE_HAND,
                        BeforePower.JEWELLERY,
                        BeforePower.TUBES_COOL)) {
                    events.add(new Ticked(check, "", true));
                }
                events.add(Bench.read(Quantity.LOAD_OHMS, "", 8));
                events.add(new Ticked(Drained.STANDBY_PLAY, "", true));
                events.add(Bench.read(Quantity.RESIDUAL, "reservoir", 0.5));
                events.add(Bench.read(Quantity.RESIDUAL, "bias", 0.5));
                events.add(new Ticked(Drained.METER_PROVEN, "", true));
                if (random.nextInt(3) == 0) {
                    events.add(new Ticked(Drained.CHASSIS_CLOSED, "", true));
                }
            }
            events.forEach(e -> happens(random, device, offsets[who], e));
        }
    }

    /** Each device sends in its own order; the phone is away for stretches. */
    private List<Entry> arrival(Random random) {
        List<Entry> desk = new ArrayList<>(
                truth.stream().filter(e -> e.device().equals("desk")).toList());
        List<Entry> phone = new ArrayList<>(
                truth.stream().filter(e -> e.device().equals("phone")).toList());
        List<Entry> arrived = new ArrayList<>();
        while (!desk.isEmpty() || !phone.isEmpty()) {
            boolean away = random.nextInt(4) > 0;
            List<Entry> from = phone.isEmpty() || (away && !desk.isEmpty()) ? desk : phone;
            int some = Math.min(from.size(), 1 + random.nextInt(8));
            for (int i = 0; i < some; i++) {
                arrived.add(from.remove(0));
            }
        }
        return arrived;
    }

    /** Whether the newest of what was taken speaks for power, as known from the entries alone. */
    private static boolean powered(List<Entry> taken) {
        long on = Long.MIN_VALUE;
        long off = Long.MIN_VALUE;
        for (Entry entry : taken) {
            boolean sign = entry.event() instanceof Read read && SignOfPower.in(read)
                    || entry.event() instanceof Declared d && d.power().on();
            if (sign) {
                on = Math.max(on, entry.at());
            } else if (entry.event() instanceof Declared) {
                off = Math.max(off, entry.at());
            }
        }
        return on > off;
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6, 7, 8})
    void noInterleavingOpensALockUnderPower(int seed) {
        Random random = new Random(seed);
        int opened = 0;
        for (int trial = 0; trial < TRIALS; trial++) {
            evening(random);
            Session session = new Session(Plan.usual(PlantedAmps.of("pair"), Purpose.YEARLY_CHECK, Meter.FINE));
            List<Entry> taken = new ArrayList<>();
            for (Entry entry : arrival(random)) {
                if (session.refusal(entry).isPresent()) {
                    continue;
                }
                session.apply(entry);
                taken.add(entry);
                Locks locks = session.locks(session.lastAt());
                boolean open = locks.hands() || locks.tubes() || locks.ohms();
                opened += open ? 1 : 0;
                if (open && powered(taken)) {
                    throw new AssertionError("seed " + seed + " trial " + trial + ": open under power after " + taken);
                }
            }
            assertThat(Session.replay(session.plan(), taken).fingerprint()).isEqualTo(session.fingerprint());
        }
        assertThat(opened).isPositive();
    }
}
