package yellowrail.core.session;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.idle.Verdict;
import yellowrail.core.reading.Band;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.session.events.CauseFound;
import yellowrail.core.soak.Sample;
import yellowrail.core.soak.Soak;
import yellowrail.core.soak.Soak.Again;
import yellowrail.core.soak.SoakReading;
import yellowrail.core.soak.SoakReading.Level;
import yellowrail.core.soak.SoakReading.MainsReading;

/**
 * One socket watched in one power-on of the present setting.
 *
 * @param socket the socket
 * @param curve its own current over time
 * @param soak what the watch says
 */
public record Position(String socket, Curves.Curve curve, Soak soak) {
    /** Where nothing is known of the idle yet, share of the rating. */
    private static final double USUAL_IDLE = 0.6;

    boolean whole() {
        return soak.whole() && soak.wants().isEmpty();
    }

    /** When it was last read for the soak; when it was last read at all while it has no soak. */
    long lastAt() {
        return soak.window().isEmpty()
                ? newest().at()
                : soak.window().get(soak.window().size() - 1).at();
    }

    RecordedReading newest() {
        return curve.taken().get(curve.taken().size() - 1);
    }

    /** How far the newest reading lies from the last of the soak, as a share; zero when it is that one. */
    double movedSince() {
        return soak.window().isEmpty()
                ? 0
                : Math.abs(curve.amperes(newest())
                                / soak.window().get(soak.window().size() - 1).amperes()
                        - 1);
    }

    int run() {
        return curve.taken().get(0).context().run();
    }

    /** Each power-on of the present setting in which this socket was read alone, oldest first. */
    static List<Position> of(Session session, SessionAssessment judged, String socket) {
        return of(session, judged, socket, Long.MAX_VALUE);
    }

    /** The same from readings up to a time: what is read while playing is no soak. */
    static List<Position> of(Session session, SessionAssessment judged, String socket, long until) {
        int setting = session.context().setting();
        return Curves.of(session).all().stream()
                .filter(c -> c.sockets().equals(List.of(socket))
                        && c.taken().get(0).context().setting() == setting
                        && !session.safety.early(c.taken().get(0).context().run()))
                .sorted(Comparator.<Curves.Curve>comparingInt(Curves.Curve::stretch)
                        .thenComparingInt(c -> c.sinceOn().size()))
                .map(c -> new Position(socket, c, soak(session, judged, socket, c, until)))
                .toList();
    }

    private static Soak soak(Session session, SessionAssessment judged, String socket, Curves.Curve curve, long until) {
        List<SoakReading> readings = new ArrayList<>();
        for (RecordedReading taken :
                curve.warmTaken().stream().filter(t -> t.at() <= until).toList()) {
            readings.add(reading(session, curve, taken, level(judged, taken, curve.amperes(taken), socket)));
        }
        return Soak.of(
                socket,
                readings,
                outside(session, judged, curve, socket),
                exponent(judged, socket),
                session.plan().soakMinutes());
    }

    /** How far a point was watched, whatever its level: what the stop itself wants. */
    public static Soak watched(Session session, Curves.Curve curve) {
        return Soak.of(
                curve.point(),
                curve.warmTaken().stream()
                        .map(t -> reading(session, curve, t, Level.BELOW))
                        .toList(),
                List.of(),
                between(RoundAssembler.amp(session).bias().scheme(), USUAL_IDLE),
                session.plan().soakMinutes());
    }

    private static SoakReading reading(Session session, Curves.Curve curve, RecordedReading taken, Level level) {
        return new SoakReading(
                taken.at(),
                curve.amperes(taken),
                taken.typed().lastDigit() / Math.abs(taken.typed().value()),
                mains(session, taken),
                level);
    }

    /** The mains read nearest in time in the same power-on. */
    static Optional<MainsReading> mains(Session session, RecordedReading taken) {
        return mainsBeside(session, taken)
                .map(r -> new MainsReading(r.at(), r.typed().value()));
    }

    static Optional<RecordedReading> mainsBeside(Session session, RecordedReading taken) {
        return session.holding().stream()
                .filter(r -> r.quantity() == Quantity.MAINS
                        && r.context().run() == taken.context().run()
                        && r.context().power() == taken.context().power())
                .min(Comparator.comparingLong(r -> Math.abs(r.at() - taken.at())));
    }

    /** As its round was judged; where volts were not known then, by the current that stands at the ceiling now. */
    private static Level level(SessionAssessment judged, RecordedReading taken, double amperes, String socket) {
        return judged.roundOf(taken)
                .flatMap(r -> SessionAssessment.socket(r.answer(), socket))
                .map(SocketAnswer::answer)
                .filter(a -> a.share().isPresent())
                .map(a -> a.verdict().now().place())
                .map(p -> p.over() ? Level.ABOVE : p == Verdict.Place.TOO_CLOSE ? Level.TOUCHING : Level.BELOW)
                .orElseGet(() -> judged.ceilingAmperes(socket)
                                .filter(ceiling -> amperes > ceiling)
                                .isPresent()
                        ? Level.ABOVE
                        : Level.BELOW);
    }

    /** How this stage's current follows the mains: the amp's own way where it is known. */
    private static Band exponent(SessionAssessment judged, String socket) {
        Optional<Band> own = judged.mainsExponent().map(x -> new Band(x.low() - 1, x.mid() - 1, x.high() - 1));
        double idle = judged.present()
                .flatMap(p -> SessionAssessment.socket(p, socket))
                .flatMap(s -> s.answer().share())
                .map(s -> s.value())
                .orElse(USUAL_IDLE);
        return own.orElseGet(() -> between(judged.amp().bias().scheme(), idle));
    }

    /** How this amp's currents follow the mains where its idle is not known. */
    static Band usualExponent(Session session) {
        return between(RoundAssembler.amp(session).bias().scheme(), USUAL_IDLE);
    }

    static Band exponentAt(Session session, double share) {
        return between(RoundAssembler.amp(session).bias().scheme(), share);
    }

    private static Band between(BiasScheme bias, double idle) {
        return bias.outcomes().stream()
                .map(b -> b.amperesExponent(idle))
                .reduce((a, b) ->
                        new Band(Math.min(a.low(), b.low()), Math.max(a.mid(), b.mid()), Math.max(a.high(), b.high())))
                .orElseThrow();
    }

    /** A curve carried to one mains by either end of how the current can follow it. */
    static List<List<Sample>> carried(Session session, SessionAssessment judged, Curves.Curve curve) {
        Band current = exponent(judged, curve.sockets().get(0));
        List<List<Sample>> ends = new ArrayList<>();
        for (double exponent : new double[] {current.low(), current.high()}) {
            List<Sample> samples = new ArrayList<>();
            Optional<MainsReading> first = Optional.empty();
            for (RecordedReading taken : curve.warmTaken()) {
                Optional<MainsReading> mains = mains(session, taken);
                first = first.or(() -> mains);
                double ratio =
                        mains.isPresent() ? mains.get().volts() / first.get().volts() : 1;
                samples.add(new Sample(taken.minutesOn(), curve.amperes(taken) / Math.pow(ratio, exponent)));
            }
            ends.add(samples);
        }
        return ends;
    }

    /** What was changed of its readings afterwards or of what it is judged by, and causes found, begin its soak anew. */
    private static List<Again> outside(Session session, SessionAssessment judged, Curves.Curve curve, String socket) {
        List<Again> again = new ArrayList<>();
        int stretch = curve.stretch();
        for (Amendment a : session.amendments()) {
            RecordedReading was = a.reading();
            boolean here = was.context().stretch() == stretch
                    && (was.point().name().equals(curve.point())
                                    && was.quantity() == curve.taken().get(0).quantity()
                            || was.isOf(Quantity.PLATE, socket)
                            || was.quantity() == Quantity.MAINS);
            boolean high = was.quantity() != Quantity.PLATE
                    && was.quantity() != Quantity.MAINS
                    && judged.stoodHigh(was, socket);
            if (here && (!a.atOnce() || high)) {
                again.add(new Again(
                        a.at(),
                        Soak.Why.AMENDED,
                        was.words() + " of "
                                + was.typed().echo() + " was "
                                + a.kind().words() + (high ? "; it stood above a limit" : " after the next reading")
                                + ": " + a.reason() + "."));
            }
        }
        for (JudgingBasis.Change change : judged.changed()) {
            change.since().ifPresent(at -> again.add(new Again(at, Soak.Why.CHANGED, change.sentence())));
        }
        for (Entry entry : session.entries()) {
            if (entry.event() instanceof CauseFound found
                    && List.of(Finding.AMP, socket, curve.point()).contains(Finding.aboutOf(found.finding()))) {
                again.add(new Again(entry.at(), Soak.Why.CAUSE, "A cause was found: " + found.fact() + "."));
            }
        }
        return again;
    }
}
