package yellowrail.core.session;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import yellowrail.core.adjust.Advice;
import yellowrail.core.adjust.MainsExponent;
import yellowrail.core.adjust.SupplySag;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.idle.Missing;
import yellowrail.core.reading.Band;
import yellowrail.core.reading.Estimate;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.round.RoundCheck;
import yellowrail.core.round.RoundReadings;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.soak.Stability;
import yellowrail.core.target.Target;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.TubeType;

/** A session judged: its rounds, where it stands now, what the supply does, and what to do next to the idle. */
public final class SessionAssessment {
    /**
     * How well one meter repeats a sum of currents: its gain cancels in a difference, its last digits do not. Two counts of
     * a reading in the upper part of a 2000-count range.
     */
    private static final double TOTAL_REPEATS = 0.002;
    /** Volts and current read within this are of one moment to the supply. */
    private static final double PAIRED_MINUTES = 5;
    /** A tube follows a change of mains within this time, milliseconds. */
    private static final long WARM_MILLIS = 10 * 60_000L - 15_000;

    /** One round with its answer. */
    public record JudgedRound(SessionRound round, RoundAnswer answer) {}

    private final Session session;
    private final JudgingBasis standards;
    private final AmpDescription amp;
    private final List<JudgedRound> rounds;
    private final Optional<Band> mainsExponent;
    private final Optional<RoundReadings> presentReadings;
    private final Optional<RoundAnswer> present;

    private SessionAssessment(Session session, JudgingBasis standards) {
        this.session = session;
        this.standards = standards;
        this.amp = RoundAssembler.amp(session);
        this.rounds = SessionRound.all(session).stream()
                .map(r -> new JudgedRound(r, check(r.readings())))
                .toList();
        this.mainsExponent = findMainsExponent();
        this.presentReadings = SessionRound.present(session);
        this.present = presentReadings.map(r -> check(r.following(mainsExponent)));
    }

    public static SessionAssessment of(Session session, JudgingBasis standards) {
        return new SessionAssessment(session, standards);
    }

    private RoundAnswer check(RoundReadings readings) {
        return RoundCheck.check(amp, standards.types(), readings, target(), standards.windows());
    }

    public AmpDescription amp() {
        return amp;
    }

    /** What was changed of the description or a type since the session was begun. */
    List<JudgingBasis.Change> changed() {
        return standards.changed();
    }

    /** Heater volts of a type; empty when they or the type are not known. */
    Optional<Double> heaterVolts(String designation) {
        return type(designation).flatMap(t -> t.heaterVolts()).map(f -> f.value());
    }

    /** A type as this session judges by it; empty when it is not known. */
    public Optional<TubeType> type(String designation) {
        return Optional.ofNullable(standards.types().get(designation));
    }

    public Optional<Target> target() {
        return standards.target(amp.judging().target());
    }

    public Optional<Window> window() {
        return target().filter(Window.class::isInstance).map(Window.class::cast);
    }

    public List<JudgedRound> rounds() {
        return rounds;
    }

    /** What {@link #present} was judged from: only what counts as read now is in it. */
    public Optional<RoundReadings> presentReadings() {
        return presentReadings;
    }

    /** The newest readings of an earlier power-on of the present setting, judged together. */
    Optional<RoundAnswer> presentIn(int stretch) {
        return stretch == session.context().stretch()
                ? present
                : SessionRound.present(session, stretch).map(r -> check(r.following(mainsExponent)));
    }

    /** The round a reading belongs to; empty for one that does not hold. */
    Optional<JudgedRound> roundOf(RecordedReading reading) {
        return rounds.stream().filter(r -> r.round().taken().contains(reading)).findFirst();
    }

    /** Whether a current that holds no longer stood above ceiling or rating, by the volts and the limit as known now. */
    boolean stoodHigh(RecordedReading reading, String socket) {
        return ceilingAmperes(socket)
                .filter(ceiling -> Curves.amperes(session, reading)
                        .filter(i -> i > ceiling)
                        .isPresent())
                .isPresent();
    }

    /** Current of one tube at the ceiling with the plate volts as they are; empty while that is not known. */
    Optional<Double> ceilingAmperes(String socket) {
        return present.flatMap(p -> socket(p, socket)).flatMap(s -> {
            Optional<Double> share = s.answer().share().map(Estimate::value).filter(v -> v > 0);
            Optional<Double> now = s.answer().cathodeAmperes().map(Estimate::value);
            return share.isPresent() ? now.map(i -> i * amp.ceilingShare() / share.get()) : Optional.empty();
        });
    }

    /** The newest readings since the last break, judged together; empty when nothing was read since. */
    public Optional<RoundAnswer> present() {
        return present;
    }

    /** The supply's source resistance from the newest round and the newest earlier one with another current. */
    public SupplySag sag() {
        List<SupplySag.Load> loads =
                rounds.stream().flatMap(r -> load(r).stream()).toList();
        if (loads.size() < 2) {
            return new SupplySag.Refused(
                    "One round only: a second one at another setting shows how B+ moves. Turn a little colder or hotter"
                            + " and read every point again.");
        }
        SupplySag.Load last = loads.get(loads.size() - 1);
        SupplySag first = new SupplySag.Refused("");
        for (int i = loads.size() - 2; i >= 0; i--) {
            SupplySag sag = SupplySag.between(loads.get(i), last);
            if (sag instanceof SupplySag.Known) {
                return sag;
            }
            if (i == loads.size() - 2) {
                first = sag;
            }
        }
        return first;
    }

    /** A round in which every tube's current and fresh volts are known. */
    private Optional<SupplySag.Load> load(JudgedRound judged) {
        List<SocketAnswer> sockets = judged.answer().sockets();
        boolean whole = sockets.stream()
                .allMatch(s -> s.measured()
                        && s.answer().cathodeAmperes().isPresent()
                        && s.answer().plateToCathodeVolts().isPresent());
        boolean stale = sockets.stream()
                .anyMatch(s -> s.question().circumstances().pairing().stale().isPresent());
        if (!whole || stale || judged.round().readings().limiter() || !warm(judged) || !together(judged)) {
            return Optional.empty();
        }
        double total = sockets.stream()
                .mapToDouble(s -> s.answer().cathodeAmperes().orElseThrow().value())
                .sum();
        double volts = sockets.stream()
                .mapToDouble(s -> s.answer().plateToCathodeVolts().orElseThrow().value())
                .average()
                .orElseThrow();
        double digit = judged.round().readings().plate().values().stream()
                .mapToDouble(t -> t.lastDigit())
                .max()
                .orElse(0.1);
        return Optional.of(new SupplySag.Load(
                total,
                volts,
                TOTAL_REPEATS * total,
                2 * digit,
                judged.round().readings().mains(),
                mainsLimit(judged)));
    }

    /** Whether every current was read after the warm-up. */
    private static boolean warm(JudgedRound judged) {
        return currents(judged).allMatch(r -> r.minutesOn() >= Stability.WARM_MINUTES - 0.25);
    }

    /** Whether volts and currents are of the same few minutes and none was carried over from before. */
    private boolean together(JudgedRound judged) {
        long first = judged.round().taken().stream()
                .filter(r -> r.quantity() == Quantity.PLATE || r.quantity() == Quantity.CURRENT)
                .mapToLong(RecordedReading::at)
                .min()
                .orElse(0);
        boolean volts = judged.answer().sockets().stream()
                .allMatch(s -> s.question()
                        .circumstances()
                        .pairing()
                        .minutesApart()
                        .filter(m -> m <= PAIRED_MINUTES)
                        .isPresent());
        return volts && judged.round().at() - first <= RoundAssembler.TOGETHER_MILLIS;
    }

    private static Stream<RecordedReading> currents(JudgedRound judged) {
        return judged.round().taken().stream()
                .filter(r -> r.quantity() == Quantity.CURRENT || r.quantity() == Quantity.INDIVIDUAL);
    }

    /** Half the mains reading's last digit and how far it moved, as a share. */
    private double mainsLimit(JudgedRound judged) {
        double mains = judged.round().readings().mains().orElse(0.0);
        double digit = session.holding().stream()
                .filter(r -> r.quantity() == Quantity.MAINS && r.typed().value() == mains)
                .mapToDouble(r -> r.typed().lastDigit())
                .max()
                .orElse(1);
        return (mains > 0 ? digit / 2 / mains : 0)
                + judged.round().readings().mainsMoved().orElse(0.0) / 2;
    }

    /** What to do next to the idle. */
    public Advice advice() {
        return new IdleAdvice(session, this).advice();
    }

    /** Which turn of each control is hotter. */
    public Directions directions() {
        return Directions.of(session, rounds);
    }

    public static Optional<SocketAnswer> socket(RoundAnswer answer, String socket) {
        return answer.sockets().stream()
                .filter(s -> s.socket().name().equals(socket))
                .findFirst();
    }

    /** This amp's own mains exponent, from two rounds of one setting at different mains; empty without such rounds. */
    public Optional<Band> mainsExponent() {
        return mainsExponent;
    }

    private Optional<Band> findMainsExponent() {
        for (int j = rounds.size() - 1; j > 0; j--) {
            for (int i = j - 1; i >= 0; i--) {
                Optional<Band> x = exponent(rounds.get(i), rounds.get(j));
                if (x.isPresent()) {
                    return x;
                }
            }
        }
        return Optional.empty();
    }

    private Optional<Band> exponent(JudgedRound a, JudgedRound b) {
        Optional<Double> first = a.round().readings().mains();
        Optional<Double> second = b.round().readings().mains();
        if (a.round().stretch() != b.round().stretch()
                || first.isEmpty()
                || second.isEmpty()
                || !MainsExponent.apart(first.get(), second.get())
                || !settled(a)
                || !settled(b)) {
            return Optional.empty();
        }
        Map<String, Double> watts = new HashMap<>();
        fresh(a).forEach(watts::put);
        double sum1 = 0;
        double sum2 = 0;
        for (Map.Entry<String, Double> later : fresh(b).entrySet()) {
            if (watts.containsKey(later.getKey())) {
                sum1 += watts.get(later.getKey());
                sum2 += later.getValue();
            }
        }
        return MainsExponent.of(
                new MainsExponent.Reading(sum1, TOTAL_REPEATS, first.get(), mainsLimit(a)),
                new MainsExponent.Reading(sum2, TOTAL_REPEATS, second.get(), mainsLimit(b)));
    }

    /** Whether its currents were read warm: ten minutes after power came on, and after the mains was last changed. */
    private boolean settled(JudgedRound judged) {
        double mains = judged.round().readings().mains().orElse(0.0);
        long first = currents(judged).mapToLong(RecordedReading::at).min().orElse(0);
        Optional<Long> since = Optional.empty();
        boolean changed = false;
        for (RecordedReading reading : session.holding()) {
            if (reading.quantity() == Quantity.MAINS && reading.at() <= first) {
                boolean other = Math.abs(reading.typed().value() / mains - 1) > SupplySag.MAINS_WITHIN;
                changed |= other;
                since = other ? Optional.empty() : since.or(() -> Optional.of(reading.at()));
            }
        }
        return warm(judged)
                && (!changed || since.filter(s -> first - s >= WARM_MILLIS).isPresent());
    }

    private static Map<String, Double> fresh(JudgedRound judged) {
        Map<String, Double> watts = new HashMap<>();
        for (SocketAnswer s : judged.answer().sockets()) {
            if (s.measured()
                    && s.answer().plateWatts().isPresent()
                    && s.question().circumstances().pairing().stale().isEmpty()) {
                watts.put(s.socket().name(), s.answer().plateWatts().get().value());
            }
        }
        return watts;
    }

    /** Dissipation of each tube over the mains, from the present readings. */
    public List<MainsFan> fans() {
        return present.map(p -> MainsFan.of(p, amp.bias().scheme(), mainsExponent()))
                .orElse(List.of());
    }

    /** What is not known yet, weightiest first: each with how far it could move the result. */
    public List<Missing> notKnown() {
        List<Missing> all = new ArrayList<>();
        present.ifPresent(p -> {
            p.unmeasured()
                    .forEach(s -> all.add(new Missing(
                            "current of " + s,
                            Double.POSITIVE_INFINITY,
                            s + " is not read in this setting; nothing is assumed of it.",
                            true)));
            p.sockets().stream()
                    .filter(SocketAnswer::measured)
                    .forEach(s -> s.answer().missing().forEach(m -> all.add(m)));
        });
        if (present.isEmpty()) {
            all.add(new Missing(
                    "cathode current of every tube",
                    Double.POSITIVE_INFINITY,
                    "No tube's current is read in this setting: without it there are no watts.",
                    true));
        }
        if (session.context().limiter()) {
            all.add(new Missing(
                    "the amp without its limiter", 1, "A limiter is in series: every figure is provisional.", true));
        }
        Map<String, Missing> once = new HashMap<>();
        all.forEach(m -> once.merge(m.what(), m, (a, b) -> a.effect() >= b.effect() ? a : b));
        return once.values().stream()
                .sorted(Comparator.comparingDouble(Missing::effect).reversed().thenComparing(Missing::what))
                .toList();
    }
}
