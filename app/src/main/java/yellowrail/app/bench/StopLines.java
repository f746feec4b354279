package yellowrail.app.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.app.bench.Panel.Line;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.SupplyNode;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.session.ControlRange;
import yellowrail.core.session.Curves;
import yellowrail.core.session.Drain;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Event;
import yellowrail.core.session.FirstCurrent;
import yellowrail.core.session.Headroom;
import yellowrail.core.session.HeaterCheck;
import yellowrail.core.session.HeaterState;
import yellowrail.core.session.Judged;
import yellowrail.core.session.Late;
import yellowrail.core.session.LeakTest;
import yellowrail.core.session.OutputPower;
import yellowrail.core.session.Power;
import yellowrail.core.session.Session;
import yellowrail.core.session.SoakWatch;
import yellowrail.core.session.Stop;
import yellowrail.core.session.SwapResult;
import yellowrail.core.session.Swing;
import yellowrail.core.session.Taken;
import yellowrail.core.soak.Drift;
import yellowrail.core.soak.Stability;

/** What the readings of a stop mean, one line each. */
final class StopLines {
    private final Session session;
    private final Judged judged;
    private final long now;
    private final List<Line> lines = new ArrayList<>();

    private StopLines(Session session, Judged judged, long now) {
        this.session = session;
        this.judged = judged;
        this.now = now;
    }

    static List<Line> of(Session session, Judged judged, long now) {
        StopLines findings = new StopLines(session, judged, now);
        findings.collect(session.here());
        return findings.lines;
    }

    private void good(String text) {
        lines.add(new Line("good", "■", text));
    }

    private void open(String text) {
        lines.add(new Line("open", "◇", text));
    }

    private void warm(String text) {
        lines.add(new Line("warm", "▴", text));
    }

    private void over(String text) {
        lines.add(new Line("over", "▲", text));
    }

    private void collect(Stop here) {
        // A stop banner stands wherever the amp is under power.
        boolean on = session.power(now) == Power.ON_TUBES_IN;
        List<SoakWatch> watches = SoakWatch.of(session, judged);
        if (on) {
            watches.stream()
                    .filter(SoakWatch::stop)
                    .forEach(w -> over(w.caution().orElseThrow()));
        }
        if (session.context().limiter() && here.powered() && here != Stop.TUBES_OUT) {
            warm("A limiter is in series: everything from here on is provisional.");
        }
        session.contradiction().ifPresent(e -> over(contradiction(e)));
        session.late().stream()
                .filter(l -> l.effect() == Late.Effect.FILED && !(l.entry().event() instanceof Event.Read))
                .reduce((x, y) -> y)
                .ifPresent(l -> open("An entry of " + l.entry().device() + " came late, after something was entered on"
                        + " another device: it is kept in the history and changed nothing. If it still holds, enter it"
                        + " again."));
        if (session.clockWentBack()) {
            warm("A clock went back during this session: curves are not joined across it.");
        }
        switch (here) {
            case DRAINED, CLOSE -> residuals();
            case TUBES_OUT -> headroom();
            case TUBES_IN -> firstCurrent();
            case MAINS -> heaters();
            case WARM_UP -> warmth();
            case MEASURE -> measured();
            case SOAK -> soak(watches);
            case PLAY -> OutputPower.of(session).ifPresent(p -> open(p.sentence()));
            default -> {}
        }
    }

    private static String contradiction(Entry entry) {
        return (entry.event() instanceof Event.Read read
                        ? read.quantity().words() + " " + read.point() + " of "
                                + read.typed().echo() + " came in"
                        : "“On” was declared on " + entry.device())
                + " while the amp was declared off: everything is locked. Declare what is true, and drain again.";
    }

    private void residuals() {
        Optional<Double> bleeder =
                session.last(Quantity.BLEEDER_OHMS, "").map(r -> r.typed().value());
        for (SupplyNode node : session.nodes()) {
            List<Taken> read = session.residuals(node.name());
            if (read.isEmpty()) {
                continue;
            }
            Taken last = read.get(read.size() - 1);
            double volts = Math.abs(last.typed().value());
            if (volts > session.plan().handsVolts()) {
                over(node.name() + " holds " + last.typed().echo() + ": hands stay out. "
                        + Drain.hint(node.name(), volts, session.plan().handsVolts(), node.nodeFarads(), bleeder));
            } else if (Drain.cameBack(read.get(0).typed().value(), volts)) {
                warm(node.name() + " came back from " + read.get(0).typed().echo() + " to "
                        + last.typed().echo() + ": keep the drain clip on.");
            }
        }
        var locks = session.locks(now);
        if (locks.ohms()) {
            good("Hands may go in and ohms may be measured.");
        } else if (locks.hands()) {
            good("Hands may go in. Ohms: " + locks.ohmsNext());
        }
    }

    private void headroom() {
        for (SupplyNode node : session.nodes()) {
            session.last(Quantity.UNLOADED, node.name()).ifPresent(r -> {
                Optional<Double> mains =
                        HeaterState.mainsNear(session, r).map(m -> m.typed().value());
                Mains amp = session.plan().amp().mains().at(mains);
                Headroom headroom = Headroom.of(
                        node,
                        Math.abs(r.typed().value()),
                        session.plan().meter().limit(r.typed()),
                        amp);
                switch (headroom.state()) {
                    case WITHIN -> good(headroom.sentence());
                    case OVER -> over(headroom.sentence());
                    case UNKNOWN -> open(headroom.sentence());
                }
            });
        }
        LeakTest.of(session).forEach((socket, shift) -> {
            if (shift.finding()) {
                warm(socket + ": " + shift.sentence());
            } else {
                open(socket + ": " + shift.sentence());
            }
        });
        session.controls().stream().filter(c -> !c.balance()).forEach(control -> {
            ControlRange.of(session, control.name()).ifPresent(range -> {
                if (range.sensible()) {
                    good(range.sentence());
                } else {
                    over(range.sentence());
                }
            });
        });
    }

    private void firstCurrent() {
        judged.present().stream()
                .flatMap(answer -> answer.sockets().stream())
                .filter(SocketAnswer::measured)
                .map(s -> FirstCurrent.of(s, judged.amp().ceilingShare()))
                .forEach(first -> {
                    if (first.over()) {
                        over(first.sentence());
                    } else {
                        open(first.sentence());
                    }
                });
    }

    private void heaters() {
        double highest = session.plan().amp().mains().highest();
        for (HeaterState heater : HeaterState.all(session, judged)) {
            heater.raisedSentence(highest).ifPresent(estimate -> {
                if (heater.raised().orElseThrow().state() == HeaterCheck.State.RED) {
                    warm(estimate);
                } else {
                    open(estimate);
                }
            });
            String sentence = heater.at() + heater.check().sentence();
            switch (heater.check().state()) {
                case WITHIN -> good(sentence);
                case AMBER -> warm(sentence);
                case RED -> over(sentence);
                case NOT_JUDGED -> open(sentence);
            }
        }
        session.last(Quantity.MAINS, "").ifPresent(m -> {
            Mains mains = session.plan().amp().mains();
            double volts = m.typed().value();
            if (volts < mains.lowest()) {
                warm(m.typed().echo() + " is below what this amp lives on (" + Show.si(mains.lowest(), Unit.VOLT, 3)
                        + " at lowest): readings at it are provisional.");
            } else if (volts > mains.highest()) {
                warm(m.typed().echo() + " is above the highest mains given for this amp, "
                        + Show.si(mains.highest(), Unit.VOLT, 3) + ".");
            }
        });
    }

    private void warmth() {
        for (Stability stability : Curves.of(session).warmth(now)) {
            if (stability.stable()) {
                good(stability.sentence());
            } else {
                open(stability.sentence());
            }
        }
    }

    private void measured() {
        RoundAnswer answer = judged.present().orElse(null);
        if (answer == null) {
            return;
        }
        answer.warnings().forEach(this::over);
        answer.balances()
                .forEach(b -> open("Channel " + b.channel() + ": side A " + Show.si(b.sideA(), Unit.AMPERE, 3)
                        + ", side B " + Show.si(b.sideB(), Unit.AMPERE, 3) + ", "
                        + Show.fixed(100 * b.imbalance(), 1) + " % apart."));
        Swing.of(session, judged).ifPresent(swing -> {
            if (swing.symmetric()) {
                good(swing.sentence());
            } else {
                warm(swing.sentence());
            }
        });
        judged.directions().conflicts().forEach(this::over);
        judged.directions()
                .verified()
                .forEach(c -> good(c + ": " + judged.directions().known().get(c).words() + " (verified by readings)."));
        answer.sockets()
                .forEach(s -> s.answer().slips().forEach(slip -> warm(s.socket().name() + ": " + slip.question())));
        judged.mainsExponent()
                .ifPresent(x -> open("This amp's own mains exponent, from two mains voltages at one setting: "
                        + Sheets.exponent(x) + "."));
    }

    private void soak(List<SoakWatch> watches) {
        for (SoakWatch watch : watches) {
            if (watch.stop()) {
                continue;
            }
            String ceiling = watch.minutesToCeiling()
                    .map(m -> " At this rate the ceiling is " + Show.fixed(m, 0) + " min away.")
                    .orElse("");
            if (watch.creeps()) {
                warm(watch.caution().orElseThrow() + ceiling);
            } else if (watch.drift().kind() == Drift.Kind.STEADY) {
                good(watch.drift().sentence());
            } else {
                open(watch.drift().sentence() + ceiling);
            }
        }
        SwapResult.all(session).forEach(swap -> open(swap.sentence()));
    }
}
