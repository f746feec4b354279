package yellowrail.core.session;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import yellowrail.core.idle.Verdict;
import yellowrail.core.reading.Show;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.soak.Soak;
import yellowrail.core.soak.Stability;

/**
 * What every position's soak says together, in one power-on, or by turns where one adaptor goes from tube to tube and each
 * position has a power-on and a whole soak of its own.
 */
final class SoakProof {
    /** The last readings lie together within this, and so near the start of play. */
    private static final long TOGETHER_MILLIS = 10 * 60_000L;

    private static final long SLACK_MILLIS = 30_000;
    private static final double MOVED_AT_PLAY = 0.03;
    private static final double AGAIN_WITHIN = 0.01;
    private static final double PLATE_STEADY = 0.01;

    private final Session session;
    private final SessionAssessment judged;
    private final Optional<Long> play;
    private final Map<String, Position> chosen = new LinkedHashMap<>();
    private final List<Proof.Want> wants = new ArrayList<>();
    private final Set<String> again = new LinkedHashSet<>();
    private final Map<Integer, RoundAnswer> answers = new LinkedHashMap<>();

    /** By turns: when the first position was read again at the end. */
    private long readAgainAt;

    private SoakProof(Session session, SessionAssessment judged, Optional<Long> play) {
        this.session = session;
        this.judged = judged;
        this.play = play;
    }

    /** Play ends a soak: of several times it began, the newest that followed a whole soak counts. */
    static SoakProof of(Session session, SessionAssessment judged) {
        List<Long> plays = session.plays();
        for (int i = plays.size() - 1; i >= 0; i--) {
            SoakProof proof = new SoakProof(session, judged, Optional.of(plays.get(i)));
            proof.judge();
            if (proof.wants.isEmpty()) {
                return proof;
            }
        }
        SoakProof proof = new SoakProof(session, judged, Optional.empty());
        proof.judge();
        return proof;
    }

    List<Proof.Want> wants() {
        return wants;
    }

    List<String> again() {
        return List.copyOf(again);
    }

    private boolean byTurns() {
        return answers.size() > 1;
    }

    /** Whether every position was read in this setting, stands in its window, and nothing contradicts it. */
    boolean inWindow() {
        return session.sockets().stream()
                        .allMatch(s -> verdict(s)
                                .filter(v -> v.place() == Verdict.Place.IN_WINDOW)
                                .isPresent())
                && answers.values().stream().allMatch(a -> a.contradictions().isEmpty());
    }

    /** A verdict that is no all-clear; empty when all are. By turns each position's own counts. */
    Optional<Verdict> unclear() {
        Stream<Verdict> all = byTurns()
                ? session.sockets().stream().flatMap(s -> verdict(s).stream())
                : answers.values().stream().map(RoundAnswer::verdict);
        return all.filter(v -> !v.allClear()).max(Comparator.comparing(Verdict::place));
    }

    private boolean on() {
        return session.context().power() == Power.ON_TUBES_IN;
    }

    /** When the first reading that counts was taken. */
    Optional<Long> begunAt() {
        return chosen.values().stream()
                .flatMap(p -> p.curve().warmTaken().stream())
                .map(RecordedReading::at)
                .min(Comparator.naturalOrder());
    }

    /** When the last position's soak is whole if it stays so; empty while one of them has not begun. */
    Optional<Long> wholeAt() {
        boolean all = session.sockets().stream()
                .allMatch(s ->
                        chosen.containsKey(s) && chosen.get(s).soak().begunAt().isPresent());
        return all
                ? chosen.values().stream()
                        .flatMap(p -> p.soak().begunAt().stream()
                                .map(b -> b + Math.round(p.soak().minutes() * 60_000)))
                        .max(Comparator.naturalOrder())
                : Optional.empty();
    }

    private Optional<SocketAnswer> answer(String socket) {
        return Optional.ofNullable(chosen.get(socket))
                .map(p -> answers.get(p.curve().stretch()))
                .or(() -> judged.present())
                .flatMap(a -> SessionAssessment.socket(a, socket))
                .filter(SocketAnswer::measured);
    }

    private Optional<Verdict> verdict(String socket) {
        return answer(socket).map(s -> s.answer().verdict());
    }

    private void choose() {
        for (String socket : session.sockets()) {
            List<Position> all = Position.of(session, judged, socket, play.orElse(Long.MAX_VALUE));
            all.forEach(p -> p.soak().again().stream()
                    .filter(a -> a.why() != Soak.Why.GAP)
                    .forEach(a -> again.add(a.sentence())));
            Optional<Position> newest = all.stream().reduce((a, b) -> b);
            all.stream()
                    .filter(Position::whole)
                    .reduce((a, b) -> b)
                    .or(() -> newest)
                    .ifPresent(p -> chosen.put(socket, p));
        }
        judged.present().ifPresent(p -> answers.put(session.context().stretch(), p));
        boolean turns = chosen.values().stream()
                        .map(p -> p.curve().stretch())
                        .distinct()
                        .count()
                > 1;
        if (turns) {
            answers.clear();
        }
        for (Position p : chosen.values()) {
            judged.presentIn(p.curve().stretch())
                    .ifPresent(a -> answers.putIfAbsent(p.curve().stretch(), a));
        }
    }

    private void judge() {
        choose();
        for (String socket : session.sockets()) {
            Position position = chosen.get(socket);
            if (position == null) {
                boolean mean = judged.present()
                        .flatMap(p -> SessionAssessment.socket(p, socket))
                        .filter(SocketAnswer::measured)
                        .isPresent();
                wants.add(Proof.Want.of(
                        mean
                                ? socket + " was only seen in a mean with others, never alone."
                                : socket + " was not read in this setting."));
                continue;
            }
            if (position.curve().warmTaken().isEmpty()) {
                long counts = position.curve().taken().get(0).context().runSince()
                        + Math.round(Stability.WARM_MINUTES * 60_000);
                wants.add(new Proof.Want(socket + ": readings count from 10 min after power on.", Optional.of(counts)));
                continue;
            }
            if (!position.soak().whole() && !on()) {
                wants.add(
                        Proof.Want.of(
                                socket
                                        + ": not watched over a whole soak in this power-on. A soak begins when the amp is on and warm."));
                continue;
            }
            position.soak().wants().forEach(w -> wants.add(new Proof.Want(w.sentence(), w.due())));
            if (position.soak().whole() && !position.soak().carried()) {
                plateSteady(position);
            }
            answer(socket)
                    .flatMap(s -> s.question().circumstances().pairing().stale())
                    .ifPresent(why -> wants.add(Proof.Want.of(socket + ": " + why + ".")));
        }
        if (chosen.size() < session.sockets().size()) {
            return;
        }
        if (byTurns()) {
            turns();
        } else {
            together();
        }
        play();
    }

    /** Mains read once or never over the soak: plate volts that stood still speak for it. */
    private void plateSteady(Position position) {
        long from = position.soak().begunAt().orElseThrow() - TOGETHER_MILLIS;
        int channel = channel(position.socket());
        List<Double> volts = session.holding().stream()
                .filter(r -> r.quantity() == Quantity.PLATE
                        && channel(r.point().name()) == channel
                        && r.context().stretch() == position.curve().stretch()
                        && r.at() >= from)
                .filter(r -> r.point().name().equals(position.socket())
                        || session.holding().stream()
                                .noneMatch(o -> o.isOf(Quantity.PLATE, position.socket())
                                        && o.context().stretch()
                                                == position.curve().stretch()
                                        && o.at() >= from))
                .map(r -> r.typed().value())
                .toList();
        double low = volts.stream().min(Double::compare).orElse(0.0);
        double high = volts.stream().max(Double::compare).orElse(0.0);
        if (volts.size() < 2) {
            wants.add(Proof.Want.of(position.socket()
                    + ": read the mains at the beginning and the end of the soak, or plate volts twice: one of them shows"
                    + " that the currents belong together."));
        } else if (high / low - 1 > PLATE_STEADY + 1e-9) {
            wants.add(Proof.Want.of(position.socket() + ": plate volts moved "
                    + FindingList.percent(high / low - 1)
                    + " and the mains was not read beside them: read it at the beginning and the end of a soak."));
        }
    }

    private int channel(String socket) {
        return session.plan().amp().sockets().stream()
                .filter(s -> s.name().equals(socket))
                .mapToInt(s -> s.channel())
                .findFirst()
                .orElse(0);
    }

    private void together() {
        long newest = chosen.values().stream().mapToLong(Position::lastAt).max().orElse(0);
        chosen.values().stream()
                .filter(p -> newest - p.lastAt() > TOGETHER_MILLIS + SLACK_MILLIS)
                .forEach(p -> wants.add(Proof.Want.of(p.socket() + " was last read "
                        + Show.fixed((newest - p.lastAt()) / 60_000.0, 0)
                        + " min before the newest reading: read every position together.")));
    }

    /** Each in a power-on of its own; the first is read again in the last one. */
    private void turns() {
        Position first = chosen.values().stream()
                .min(Comparator.comparingInt(Position::run))
                .orElseThrow();
        Position last = chosen.values().stream()
                .max(Comparator.comparingInt(Position::run))
                .orElseThrow();
        Optional<RecordedReading> read = Position.of(session, judged, first.socket()).stream()
                .filter(p -> p.run() >= last.run())
                .flatMap(p -> p.curve().warmTaken().stream())
                .reduce((a, b) -> b);
        if (read.isEmpty()) {
            wants.add(Proof.Want.of("By turns: read " + first.socket()
                    + " again at the end, warm; within 1 % it says that nothing else moved."));
            return;
        }
        readAgainAt = read.get().at();
        List<RecordedReading> before = first.curve().warmTaken();
        double was = first.curve().amperes(before.get(before.size() - 1));
        double now = Curves.amperes(session, read.get()).orElseThrow();
        if (Math.abs(now / was - 1) > AGAIN_WITHIN + 1e-9) {
            wants.add(Proof.Want.of("By turns: " + first.socket() + " read again at the end is "
                    + FindingList.percent(Math.abs(now / was - 1)) + " off (1 % at most)."));
        }
    }

    private void play() {
        long newest = Math.max(
                readAgainAt,
                chosen.values().stream().mapToLong(Position::lastAt).max().orElse(0));
        if (play.isEmpty()) {
            boolean played = !session.plays().isEmpty();
            if (wants.isEmpty() || played) {
                wants.add(new Proof.Want(
                        played
                                ? "Play began more than 10 min after the readings of a whole soak: read every position once more"
                                        + " and play again within 10 min."
                                : "The soak is whole: play follows within 10 min of the last readings.",
                        Optional.of(newest + TOGETHER_MILLIS)));
            }
            return;
        }
        if (play.get() - newest > TOGETHER_MILLIS + SLACK_MILLIS) {
            wants.add(Proof.Want.of("Play began " + Show.fixed((play.get() - newest) / 60_000.0, 0)
                    + " min after the last readings (10 min at most)."));
        }
        chosen.values().stream()
                .filter(p -> p.movedSince() > MOVED_AT_PLAY)
                .forEach(p -> wants.add(Proof.Want.of(p.socket() + " read after the soak is "
                        + FindingList.percent(p.movedSince()) + " off it (3 % at most).")));
    }
}
