package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import yellowrail.app.amps.AmpForms;
import yellowrail.app.amps.AmpReader;
import yellowrail.app.amps.TypedAmp;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Check;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Event;
import yellowrail.core.session.JudgingBasis;
import yellowrail.core.session.Mark;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Power;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.Rail;
import yellowrail.core.session.Session;
import yellowrail.core.session.Stop;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Entered;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.events.Ticked;
import yellowrail.core.session.stops.Look;
import yellowrail.core.session.stops.ReadingGroup;
import yellowrail.core.session.stops.Remark;
import yellowrail.core.session.stops.Stops;
import yellowrail.core.target.Profiles;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.TubeType;

/** A stop that is not shipped, written in one class: the rail, the locks, the page and the sheet take it as it is. */
class OwnStopTest {
    /** Ripple at the bias node, read and looked at before the warm-up. */
    private static final class Ripple extends Stop {
        private static final Check SEEN = Check.of("RIPPLE_SEEN", "The ripple is a sawtooth and no hash.");

        Ripple() {
            super("RIPPLE", "Ripple of the bias supply");
        }

        @Override
        public List<Check> checks() {
            return List.of(SEEN);
        }

        @Override
        public List<ReadingGroup> readings(Look look) {
            return List.of(new ReadingGroup(
                    "Ripple", "AC", 0, List.of(new ReadingGroup.Wanted(Quantity.BIAS_NODE, "", "Bias node, AC"))));
        }

        @Override
        public List<String> missing(Session session, long now) {
            List<String> missing = new ArrayList<>();
            if (session.last(Quantity.BIAS_NODE, "").isEmpty()) {
                missing.add("Ripple not read.");
            }
            SEEN.require(session, missing);
            return missing;
        }

        @Override
        public List<Remark> remarks(Look look) {
            return look.session().last(Quantity.BIAS_NODE, "").stream()
                    .map(r -> new Remark(
                            Remark.Severity.CAUTION,
                            "ripple",
                            "",
                            "Ripple of " + r.typed().echo() + " is much."))
                    .toList();
        }

        @Override
        public List<String> cautions(Session session, String volts) {
            return List.of("The probe slips: " + volts + " stands beside it.");
        }

        @Override
        public String note(Session session) {
            return "ripple";
        }

        @Override
        public List<String> printed(Session session) {
            return session
                    .last(Quantity.BIAS_NODE, "")
                    .map(r -> "ripple " + r.typed().echo())
                    .stream()
                    .toList();
        }
    }

    private static final Stop RIPPLE = new Ripple();
    private static final AmpDescription AMP = AmpReader.read(
                    TypedAmp.with(
                            AmpForms.empty(),
                            Map.of(
                                    "name",
                                    "Whimbrel 30",
                                    "bias",
                                    "tracking",
                                    "socketType",
                                    List.of("6L6GC", ""),
                                    "nodeLabel",
                                    List.of("reservoir"))),
                    Catalogue.shipped(),
                    List.of())
            .description()
            .orElseThrow();
    private static final Map<String, TubeType> TYPES =
            Map.of("6L6GC", Catalogue.shippedType("6L6GC").orElseThrow());
    private static final JudgingBasis STANDARDS = new JudgingBasis(TYPES, Profiles.SHIPPED, Optional.empty());

    private final Session session = new Session(
            new Plan(AMP, Purpose.YEARLY_CHECK, Meter.HANDHELD, PlateVolts.Reference.CHASSIS, 10, 30, 5, 10), rail());
    private long now = 1_790_000_000_000L;

    private static Rail rail() {
        List<Stop> stops = new ArrayList<>(Stops.RAIL.stops());
        stops.add(stops.indexOf(Stops.WARM_UP), RIPPLE);
        return new Rail(stops);
    }

    private Optional<String> tell(Event event) {
        now += 20_000;
        Entry entry = new Entry(UUID.randomUUID().toString(), now, "desk", event);
        Optional<String> refused = session.refusal(entry);
        if (refused.isEmpty()) {
            session.apply(entry);
        }
        return refused;
    }

    private void atRipple() {
        for (Stop stop : List.of(Stops.BEFORE_POWER, Stops.DRAINED, Stops.MAINS)) {
            assertThat(tell(new Skipped(stop, "seen last week"))).isEmpty();
        }
        assertThat(tell(new Declared(Power.ON_TUBES_IN))).isEmpty();
        assertThat(tell(new Entered(RIPPLE))).isEmpty();
    }

    private BenchSession bench() {
        return new BenchSession(UUID.randomUUID(), UUID.randomUUID(), 1, OffsetDateTime.now(), TYPES, session, 1);
    }

    private Panel panel() {
        return SessionPages.of(bench(), STANDARDS, Map.of(), now, false);
    }

    private void done() {
        Typed volts = new Typed("0.4", 0.4, Unit.VOLT, 0.1);
        assertThat(tell(Read.of(Quantity.BIAS_NODE, "", volts))).isEmpty();
        assertThat(tell(new Ticked(Ripple.SEEN, "", true))).isEmpty();
    }

    @Test
    void itIsOnTheRailAndAskedFor() {
        atRipple();
        Panel panel = panel();
        assertThat(panel.rail().here().words()).isEqualTo("Ripple of the bias supply");
        assertThat(panel.rail().before().key()).isEqualTo("MAINS");
        assertThat(panel.rail().after().key()).isEqualTo("WARM_UP");
        assertThat(panel.asks().get(0).asks().get(0).label()).isEqualTo("Bias node, AC");
        assertThat(panel.ticks()).anyMatch(t -> t.check().equals("RIPPLE_SEEN") && !t.done());
        assertThat(panel.next().sentence()).isEqualTo("Ripple not read.");
        assertThat(panel.cautions()).anyMatch(c -> c.startsWith("The probe slips"));
        assertThat(panel.emergency()).isTrue();
    }

    @Test
    void nobodyPassesItUndone() {
        atRipple();
        assertThat(tell(new Entered(Stops.WARM_UP)).orElseThrow()).contains("Ripple not read");
        assertThat(session.missing(RIPPLE, now)).hasSize(2);
        done();
        assertThat(session.missing(RIPPLE, now)).isEmpty();
        assertThat(tell(new Entered(Stops.WARM_UP))).isEmpty();
        assertThat(session.marks().get(RIPPLE)).isEqualTo(new Mark(true, ""));
    }

    @Test
    void itsReadingsAreToldAndPrinted() {
        atRipple();
        done();
        assertThat(panel().alarms())
                .anyMatch(l -> l.text().contains("is much") && l.tone().equals("warm"));
        assertThat(Sheets.of(bench(), STANDARDS, 0, now).checks()).contains("ripple 400 mV");
    }

    @Test
    void skippedItIsPrintedWithItsReasonAndKeepsTheSessionFromBeingProven() {
        atRipple();
        assertThat(tell(new Skipped(RIPPLE, "no scope here"))).isEmpty();
        assertThat(Sheets.of(bench(), STANDARDS, 0, now).skipped())
                .contains("Ripple of the bias supply: no scope here");
        assertThat(panel().proof()).isEmpty();
        assertThat(Sheets.of(bench(), STANDARDS, 0, now).open())
                .anyMatch(w -> w.contains("Ripple of the bias supply was skipped"));
    }

    @Test
    void itIsWantedUntilItIsDone() {
        atRipple();
        assertThat(Sheets.of(bench(), STANDARDS, 0, now).open())
                .anyMatch(w -> w.equals("Ripple of the bias supply: Ripple not read."));
    }

    @Test
    void itIsDoneAgainInTheNextPowerOn() {
        atRipple();
        done();
        assertThat(tell(new Entered(Stops.WARM_UP))).isEmpty();
        assertThat(tell(new Declared(Power.OFF))).isEmpty();
        assertThat(tell(new Declared(Power.ON_TUBES_IN))).isEmpty();
        assertThat(session.marks()).doesNotContainKey(RIPPLE);
    }
}
