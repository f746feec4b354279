package yellowrail.core.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.adjust.Advice;
import yellowrail.core.adjust.AtMains;
import yellowrail.core.adjust.MiddleAt;
import yellowrail.core.adjust.NextTurn;
import yellowrail.core.adjust.TubeNow;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.reading.Band;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Typed;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.round.RoundReadings;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.session.events.Turned;

/** What to do next to the idle of a session: the next turn with those after it, or the resistor to fit. */
final class IdleAdvice {
    /** Plate volts have to move by this share before they show how currents follow them. */
    private static final double MOVED = 0.004;

    /** How currents follow B+, known worse than this, is not known. */
    private static final double TELLS_NOTHING = 3;

    private final Session session;
    private final SessionAssessment judged;
    private final AmpDescription amp;

    IdleAdvice(Session session, SessionAssessment judged) {
        this.session = session;
        this.judged = judged;
        this.amp = judged.amp();
    }

    Advice advice() {
        Optional<RoundAnswer> present = judged.present();
        boolean whole = present.isPresent() && present.get().unmeasured().isEmpty();
        Optional<Advice> next = whole ? Optional.empty() : onTheWay();
        if (next.isPresent()) {
            return next.get();
        }
        if (!whole) {
            return new Advice.Refused(
                    present.isEmpty()
                            ? "Nothing is read in this setting yet: read every point."
                            : "Not read in this setting: "
                                    + String.join(", ", present.get().unmeasured()) + ".");
        }
        return of(present.get(), judged.presentReadings(), List.of());
    }

    /** After the first turns of a plan, and before every point was read again: the next stop of that plan. */
    private Optional<Advice> onTheWay() {
        Optional<SessionAssessment.JudgedRound> last = judged.rounds().stream()
                .filter(r -> r.answer().unmeasured().isEmpty())
                .reduce((a, b) -> b);
        if (last.isEmpty() || session.lastAt() - last.get().round().at() > RoundAssembler.MAINS_MILLIS) {
            return Optional.empty();
        }
        List<String> turned = turnedSince(last.get().round());
        int settings = session.context().setting()
                - last.get().round().taken().get(0).context().setting();
        if (turned.isEmpty()
                || settings != turned.size()
                || session.context().run()
                        != last.get().round().taken().get(0).context().run()) {
            return Optional.empty();
        }
        Optional<RoundReadings> read = Optional.of(last.get().round().readings());
        Advice first = of(last.get().answer(), read, List.of());
        // Where the plan is not sure of its figures, every point is read after the first turn.
        return first instanceof Advice.Turn turn
                        && turn.between().isEmpty()
                        && !turn.then().isEmpty()
                ? Optional.of(of(last.get().answer(), read, turned))
                : Optional.empty();
    }

    /** Controls turned after a round, in order; one for each turn. */
    private List<String> turnedSince(SessionRound round) {
        return turned(place(round), session.entries().size());
    }

    /** Controls turned between two places of the record: entries of two devices may bear one time. */
    private List<String> turned(int after, int until) {
        return session.entries().subList(Math.min(after, until), until).stream()
                .filter(e -> e.event() instanceof Turned)
                .map(e -> ((Turned) e.event()).control())
                .toList();
    }

    /** How many entries there were when a round was read. */
    private int place(SessionRound round) {
        RecordedReading newest = round.taken().get(round.taken().size() - 1);
        // A correction is no newer than what it corrects.
        while (!newest.supersedes().isEmpty()) {
            newest = session.reading(newest.supersedes()).orElseThrow();
        }
        List<Entry> entries = session.entries();
        int place = entries.size();
        while (place > 0 && !entries.get(place - 1).id().equals(newest.id())) {
            place--;
        }
        return place;
    }

    private Advice of(RoundAnswer answer, Optional<RoundReadings> last, List<String> done) {
        Optional<String> stale = answer.sockets().stream()
                .flatMap(s -> s.question().circumstances().pairing().stale().stream()
                        .map(why -> s.socket().name() + ": " + why + "."))
                .findFirst();
        if (stale.isPresent()) {
            return new Advice.Refused(stale.get());
        }
        if (judged.window().isEmpty()) {
            return new Advice.Refused(
                    judged.target().isPresent()
                            ? "The target is the maker's figure: "
                                    + (session.controls().isEmpty()
                                            ? "the test point should show it."
                                            : "turn until the test point shows it.")
                            : "No target is chosen: pick one, then the next "
                                    + (session.controls().isEmpty() ? "step" : "turn") + " can be given.");
        }
        List<TubeNow> tubes = tubesNow(answer);
        if (tubes.size() < amp.sockets().size()) {
            return new Advice.Refused(
                    "Watts are not known for every tube: plate volts, the type or its rating is missing.");
        }
        if (amp.bias().scheme() == BiasScheme.CATHODE) {
            return new ResistorAdvice(
                            amp,
                            answer,
                            judged.window().get(),
                            group -> session.last(Quantity.DRIVEN_CATHODE, group)
                                    .map(r -> Math.abs(r.typed().value())))
                    .advice();
        }
        AtMains now = session.toMiddle() ? middleNow(last) : AtMains.SAME;
        return NextTurn.of(
                amp,
                tubes,
                judged.window().get(),
                judged.sag(),
                judged.directions().known(),
                new NextTurn.Wish(pull(), session.toMiddle(), done, now));
    }

    /** To the middle means at nominal mains: else every wander of it would ask for another turn. */
    private AtMains middleNow(Optional<RoundReadings> read) {
        return read.flatMap(RoundReadings::mains)
                .map(m -> MiddleAt.of(
                        judged.window().orElseThrow(), m / amp.mains().nominal(), Position.usualExponent(session)))
                .orElse(AtMains.SAME);
    }

    /** How currents follow B+ while their own control stays, from tubes that were not turned between two rounds. */
    private Optional<Band> pull() {
        List<SessionAssessment.JudgedRound> rounds = judged.rounds();
        for (int j = rounds.size() - 1; j > 0; j--) {
            Optional<Band> seen = pull(rounds.get(j - 1), rounds.get(j));
            if (seen.isPresent()) {
                return seen;
            }
        }
        return Optional.empty();
    }

    private Optional<Band> pull(SessionAssessment.JudgedRound a, SessionAssessment.JudgedRound b) {
        Optional<Double> mainsA = a.round().readings().mains();
        Optional<Double> mainsB = b.round().readings().mains();
        List<String> turned = turned(place(a.round()), place(b.round()));
        if (mainsA.isEmpty()
                || mainsB.isEmpty()
                || turned.isEmpty()
                || a.round().taken().get(0).context().run()
                        != b.round().taken().get(0).context().run()) {
            return Optional.empty();
        }
        double mains = mainsB.get() / mainsA.get();
        double low = Double.NEGATIVE_INFINITY;
        double high = Double.POSITIVE_INFINITY;
        double sum = 0;
        int seen = 0;
        for (SocketAnswer was : a.answer().sockets()) {
            String name = was.socket().name();
            Optional<SocketAnswer> is = SessionAssessment.socket(b.answer(), name);
            boolean moved = session.controls().stream()
                    .anyMatch(c -> turned.contains(c.name()) && c.sockets().contains(name));
            if (moved || is.isEmpty() || !whole(was) || !whole(is.get())) {
                continue;
            }
            double volts = Math.log(volts(is.get()) / volts(was) / mains);
            double exponent = Position.usualExponent(session).mid();
            double current = Math.log(amperes(is.get()) / amperes(was) / Math.pow(mains, exponent));
            double follows = current / volts;
            // A ratio of two differences: the digits of its numerator, and those of its denominator as often as it is
            // large.
            double error = (digit(reading(was))
                            + digit(reading(is.get()))
                            + Math.abs(follows) * (digit(plate(was)) + digit(plate(is.get()))))
                    / Math.abs(volts);
            if (Math.abs(volts) < MOVED || error > TELLS_NOTHING) {
                continue;
            }
            sum += follows;
            low = Math.max(low, follows - error);
            high = Math.min(high, follows + error);
            seen++;
        }
        double mid = Math.max(0, seen == 0 ? 0 : sum / seen);
        return seen == 0
                ? Optional.empty()
                : Optional.of(new Band(Math.min(mid, Math.max(0, low)), mid, Math.max(mid, high)));
    }

    private static boolean whole(SocketAnswer s) {
        return s.measured()
                && s.answer().cathodeAmperes().isPresent()
                && s.answer().plateToCathodeVolts().isPresent();
    }

    private static double volts(SocketAnswer s) {
        return s.answer().plateToCathodeVolts().orElseThrow().value();
    }

    private static double amperes(SocketAnswer s) {
        return s.answer().cathodeAmperes().orElseThrow().value();
    }

    private static Optional<Typed> reading(SocketAnswer s) {
        return s.question().reading();
    }

    private static Optional<Typed> plate(SocketAnswer s) {
        return s.question().plate().volts();
    }

    /** Size of the last digit, as a share; what was not typed tells nothing. */
    private static double digit(Optional<Typed> read) {
        return read.map(r -> r.lastDigit() / Math.abs(r.value())).orElse(Double.POSITIVE_INFINITY);
    }

    private List<TubeNow> tubesNow(RoundAnswer answer) {
        List<TubeNow> tubes = new ArrayList<>();
        for (SocketAnswer s : answer.sockets()) {
            Optional<Estimate> plate = s.answer().plateAmperes();
            Optional<Estimate> volts = s.answer().plateToCathodeVolts();
            Optional<Double> rated =
                    s.answer().ratings().flatMap(r -> r.plateWatts()).map(f -> f.value());
            if (plate.isPresent()
                    && volts.isPresent()
                    && rated.isPresent()
                    && plate.get().value() > 0) {
                SenseGroup group = amp.groupOf(s.socket().name());
                tubes.add(new TubeNow(
                        s.socket(),
                        plate.get().value(),
                        s.answer().screenAmperes().map(Estimate::value).orElse(0.0),
                        volts.get().value(),
                        s.answer().plateWatts().map(w -> w.errors().likely()).orElse(0.05),
                        rated.get(),
                        group.name(),
                        group.method(),
                        s.seenAlone(),
                        grids(s.socket().name()),
                        s.answer().window(),
                        s.answer().permitted()));
            }
        }
        return tubes;
    }

    private List<TubeNow.GridPoint> grids(String socket) {
        List<TubeNow.GridPoint> points = new ArrayList<>();
        for (SessionAssessment.JudgedRound round : judged.rounds()) {
            Optional<Double> grid = round.round().taken().stream()
                    .filter(r -> r.isOf(Quantity.GRID, socket))
                    .map(r -> r.typed().value())
                    .findFirst();
            Optional<Double> plate = SessionAssessment.socket(round.answer(), socket)
                    .flatMap(s -> s.answer().plateAmperes())
                    .map(Estimate::value)
                    .filter(i -> i > 0);
            if (grid.isPresent() && plate.isPresent()) {
                points.add(new TubeNow.GridPoint(grid.get(), plate.get()));
            }
        }
        return points;
    }
}
