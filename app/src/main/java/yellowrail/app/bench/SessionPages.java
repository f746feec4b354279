package yellowrail.app.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.app.pictures.DriftChart;
import yellowrail.core.adjust.Control;
import yellowrail.core.reading.Show;
import yellowrail.core.round.Point;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Access;
import yellowrail.core.session.Check;
import yellowrail.core.session.Curves;
import yellowrail.core.session.Finding;
import yellowrail.core.session.JudgingBasis;
import yellowrail.core.session.Locks;
import yellowrail.core.session.NextStep;
import yellowrail.core.session.Outcome;
import yellowrail.core.session.Power;
import yellowrail.core.session.Proof;
import yellowrail.core.session.RecordedReading;
import yellowrail.core.session.Session;
import yellowrail.core.session.SessionAssessment;
import yellowrail.core.session.Stop;
import yellowrail.core.session.Turn;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.SignedOff;
import yellowrail.core.session.stops.AllStops;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.Drained;
import yellowrail.core.session.stops.Look;
import yellowrail.core.session.stops.Remark;
import yellowrail.core.session.stops.Tool;
import yellowrail.core.soak.Sample;
import yellowrail.core.target.Target.Window;

/** Makes the session's page from its state. */
final class SessionPages {
    /** Readings and rounds shown until all are asked for. */
    private static final int NEWEST = 24;

    private final BenchSession bench;
    private final Session session;
    private final JudgingBasis standards;
    private final SessionAssessment judged;
    private final long now;

    private SessionPages(BenchSession bench, JudgingBasis standards, long now) {
        this.bench = bench;
        this.session = bench.state();
        this.standards = standards;
        this.judged = SessionAssessment.of(session, standards);
        this.now = now;
    }

    /** @param before echoes of the session before this one, by quantity and point */
    /** @param all whether every reading and round is shown, or the newest alone */
    static Panel of(BenchSession bench, JudgingBasis standards, Map<String, String> before, long now, boolean all) {
        return new SessionPages(bench, standards, now).panel(before, all ? Integer.MAX_VALUE : NEWEST);
    }

    private Panel panel(Map<String, String> before, int most) {
        Stop here = session.here();
        var locks = session.locks(now);
        Look look = Look.at(session, standards, judged, now);
        List<Remark> remarks = AllStops.remarks(look);
        Outcome outcome = Outcome.of(session, judged);
        ListeningPart listening = new ListeningPart(session, standards);
        boolean hidden = listening.hidden();
        return new Panel(
                bench.id(),
                bench.ampId(),
                session.plan().amp().name(),
                session.plan().purpose().words(),
                bench.seq(),
                session.signed().map(SignedOff::by).orElse(""),
                session.stopped(),
                here.powered() || session.power(now).on(),
                session.power(now).words(),
                session.power(now).name(),
                waits(),
                session.context().limiter(),
                session.last(Quantity.MAINS, "").map(r -> r.typed().echo()).orElse("not read"),
                RailView.of(session, wholeAt(outcome.proof())),
                NextStep.of(look),
                session.missing(here, now),
                goesOn(here, remarks),
                AllStops.cautions(session),
                ticks(here),
                new Asks(session, before, !locks.ohms()).of(here.readings(look)),
                remarks.stream()
                        .filter(Remark::alarming)
                        .map(SessionPages::line)
                        .toList(),
                remarks.stream()
                        .filter(r -> !r.alarming())
                        .map(SessionPages::line)
                        .toList(),
                locks,
                session.ticked(Drained.CHASSIS_CLOSED, ""),
                new Panel.Opening(
                        session.access() != Access.OPEN,
                        session.access() == Access.TEST_POINTS,
                        session.movesTubes(),
                        session.ticked(BeforePower.TUBES_COOL, "")),
                adaptor(here, locks),
                choices(session.sockets()),
                choices(session.names(Point.Place.NODE)),
                session.controls().stream().map(this::control).toList(),
                windows(),
                here.tools(session).contains(Tool.TUBES_NOW) && !hidden
                        ? new TubeRows(session, judged).all()
                        : List.of(),
                RoundLines.of(session, judged, most, hidden),
                judged.notKnown().stream().map(SessionPages::gap).toList(),
                log(most),
                new Panel.Earlier(
                        Math.max(0, session.readings().size() - most),
                        Math.max(0, judged.rounds().size() - most)),
                hidden ? Optional.empty() : chart(here),
                new TurnPart(session, judged).turn(),
                listening.part(),
                proof(here, outcome.proof()),
                outcome.findings().stream().map(SessionPages::found).toList(),
                session.beforeStop(now).map(p -> new Panel.Choice(p.name(), p.words(), false)),
                here.tools(session),
                here.signs() ? Optional.of(Sheets.tiers(session)) : Optional.empty(),
                outcome.changes());
    }

    private static List<Panel.Choice> choices(List<String> names) {
        return names.stream().map(n -> new Panel.Choice(n, n, false)).toList();
    }

    /** Whether the page may go on by itself: all is done here, and nothing stands there that has to be read first. */
    /** What should come before power goes on like this, by the power; said before the button is pressed. */
    private Map<String, String> waits() {
        Map<String, String> waits = new HashMap<>();
        for (Power power : Power.values()) {
            Declared.waits(session, power, now).ifPresent(why -> waits.put(power.name(), why));
        }
        return waits;
    }

    private boolean goesOn(Stop here, List<Remark> remarks) {
        return here.goesOn()
                && !session.stopped()
                && !session.poweredEarly(now)
                && session.missing(here, now).isEmpty()
                && remarks.stream().noneMatch(Remark::alarming);
    }

    private Optional<Panel.Adaptor> adaptor(Stop here, Locks locks) {
        if (!here.tools(session).contains(Tool.ADAPTOR)) {
            return Optional.empty();
        }
        List<String> read = Turn.done(session).stream().map(Turn::socket).toList();
        return Optional.of(new Panel.Adaptor(
                session.adaptor().orElse(""),
                Turn.next(session).orElse(""),
                read.size() + " of " + session.sockets().size() + " read",
                session.sockets().stream()
                        .map(s -> new Panel.Choice(
                                s,
                                s + (read.contains(s) ? ", read" : ""),
                                Turn.next(session).filter(s::equals).isPresent()))
                        .toList(),
                locks.tubes() ? "" : locks.tubesNext()));
    }

    /**
     * When the soak is whole if it stays so; not told once that is past, or a reading is overdue, for the next one begins it
     * again.
     */
    private Optional<Long> wholeAt(Proof proof) {
        boolean overdue = proof.wants().stream()
                .anyMatch(w -> w.due().filter(by -> by < now).isPresent());
        return overdue ? Optional.empty() : proof.wholeAt().filter(at -> at > now);
    }

    /** How far it is from proven: from the first reading that counts on, and where it is signed. */
    private Optional<Panel.ProofNow> proof(Stop here, Proof proof) {
        return proof.begunAt().isPresent() || here.signs()
                ? Optional.of(new Panel.ProofNow(
                        proof.state().words(),
                        proof.wants().stream()
                                .map(w -> new Panel.Due(
                                        w.sentence(),
                                        w.due().filter(by -> by >= now).orElse(null)))
                                .toList(),
                        wholeAt(proof).orElse(null),
                        proof.again()))
                : Optional.empty();
    }

    private static Panel.Found found(Finding f) {
        return new Panel.Found(
                f.key(),
                f.title(),
                f.since(),
                f.sentence(),
                f.wants(),
                f.closedBy().orElse(""),
                f.sayable());
    }

    private static Panel.Line line(Remark remark) {
        return switch (remark.severity()) {
            case GOOD -> new Panel.Line("good", "■", remark.sentence());
            case OPEN -> new Panel.Line("open", "◇", remark.sentence());
            case RECHECK -> new Panel.Line("recheck", "◈", remark.sentence());
            case CAUTION -> new Panel.Line("warm", "▴", remark.sentence());
            case ALARM -> new Panel.Line("over", "▲", remark.sentence());
        };
    }

    private Panel.Choice control(Control control) {
        Control.Direction direction =
                judged.directions().known().getOrDefault(control.name(), Control.Direction.UNKNOWN);
        boolean remembered = Optional.ofNullable(
                        session.plan().setup().memory().turns().get(control.name()))
                .filter(t -> t.direction() == direction)
                .isPresent();
        return new Panel.Choice(control.name(), direction.words(), remembered);
    }

    private List<Panel.Choice> windows() {
        String aim = judged.amp().judging().target();
        return standards.windows().stream()
                .map(w -> new Panel.Choice(
                        w.name(), w.name() + ", " + span(w), w.name().equals(aim)))
                .toList();
    }

    static String span(Window window) {
        return Show.plain(100 * window.low(), 3) + "–" + Show.plain(100 * window.high(), 3) + " %";
    }

    private List<Panel.Tick> ticks(Stop here) {
        List<Panel.Tick> ticks = new ArrayList<>();
        boolean drains = here.tools(session).contains(Tool.TUBES_AND_PARTS)
                || here.tools(session).contains(Tool.ADAPTOR);
        for (Check check : session.rail().checks()) {
            boolean ofHere = here.checks().contains(check);
            // What is confirmed anew each time the amp is off is asked for wherever it is drained.
            boolean belongs =
                    check.holds() == Check.Holds.WHILE_OFF ? !session.power(now).on() && (drains || ofHere) : ofHere;
            if (!belongs || !check.askedIn(session)) {
                continue;
            }
            if (check.ofSocket()) {
                session.sockets()
                        .forEach(s -> ticks.add(new Panel.Tick(
                                check.id(),
                                s,
                                s + ": " + lower(check.words()),
                                session.ticked(check, s),
                                waits(check, s))));
            } else {
                String words = check.equals(BeforePower.QUIRKS)
                        ? "Read: " + session.plan().amp().quirks()
                        : check.words();
                ticks.add(new Panel.Tick(check.id(), "", words, session.ticked(check, ""), waits(check, "")));
            }
        }
        return ticks;
    }

    private String waits(Check check, String point) {
        return session.ticked(check, point)
                ? ""
                : check.refusal(session, point, now).orElse("");
    }

    private static String lower(String sentence) {
        return Character.toLowerCase(sentence.charAt(0)) + sentence.substring(1);
    }

    private static Panel.Gap gap(yellowrail.core.idle.Missing missing) {
        String effect = Double.isInfinite(missing.effect())
                ? "everything"
                : "up to " + Show.plain(Math.round(100 * missing.effect()), 3) + " %";
        return new Panel.Gap(missing.what(), effect, missing.sentence());
    }

    private List<Panel.ReadingRow> log(int most) {
        List<Panel.ReadingRow> rows = new ArrayList<>();
        List<RecordedReading> all = session.readings();
        for (int i = Math.max(0, all.size() - most); i < all.size(); i++) {
            RecordedReading reading = all.get(i);
            rows.add(
                    0,
                    new Panel.ReadingRow(
                            all.size() - i <= NEWEST || i % NEWEST == 0,
                            reading.id(),
                            reading.words(),
                            reading.quantity().name(),
                            reading.point().name(),
                            reading.typed().echo(),
                            reading.typed().raw(),
                            reading.at(),
                            !session.superseded(reading.id()),
                            reading.reason(),
                            moveTo(reading)));
        }
        return rows;
    }

    /** Points of the same kind that the reading could have been meant for. */
    private List<String> moveTo(RecordedReading reading) {
        return session.names(reading.quantity().place()).stream()
                .filter(p -> !p.equals(reading.point().name()))
                .toList();
    }

    private Optional<DriftChart> chart(Stop here) {
        if (!here.tools(session).contains(Tool.DRIFT_CHART)) {
            return Optional.empty();
        }
        long start = session.startedAt();
        List<DriftChart.Curve> curves = new ArrayList<>();
        for (Curves.Curve curve : Curves.of(session).all()) {
            List<Sample> samples = new ArrayList<>();
            for (int i = 0; i < curve.sinceOn().size() && i < curve.taken().size(); i++) {
                samples.add(new Sample(
                        (curve.taken().get(i).at() - start) / 60_000.0,
                        curve.sinceOn().get(i).amperes()));
            }
            curves.add(new DriftChart.Curve(curve.point(), curve.stretch(), samples));
        }
        List<DriftChart.MainsPoint> mains = session.holding().stream()
                .filter(r -> r.quantity() == Quantity.MAINS)
                .map(r -> new DriftChart.MainsPoint(
                        (r.at() - start) / 60_000.0, r.typed().value()))
                .toList();
        return curves.isEmpty() ? Optional.empty() : Optional.of(DriftChart.of(curves, mains));
    }
}
