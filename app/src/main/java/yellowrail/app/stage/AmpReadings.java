package yellowrail.app.stage;

import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import yellowrail.app.rounds.Reading;
import yellowrail.app.rounds.Round;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.round.SocketAnswer;
import yellowrail.core.stage.ReadRound;

/** An amp's rounds as a stage is estimated from them. */
final class AmpReadings {
    private static final int SHOWN = 3;
    private static final DateTimeFormatter DAY =
            DateTimeFormatter.ofLocalizedDate(FormatStyle.MEDIUM).withLocale(Locale.UK);

    private AmpReadings() {}

    /**
     * Rounds that tell something of these sockets, newest last: same sockets, volts and currents read together, no limiter,
     * mains not turned down.
     */
    static List<Round> usable(List<Round> rounds, List<Socket> sockets) {
        return rounds.stream()
                .filter(r -> !r.state().limiter().yes()
                        && !r.state().reduced().yes()
                        && !r.state().apart().yes())
                .filter(r -> r.amp().description().sockets().containsAll(sockets))
                .filter(r -> answers(r, sockets).size() == sockets.size())
                .toList();
    }

    /** That the newest round is none of the usable ones, in a sentence; empty when it is one. */
    static String leftOut(List<Round> all, List<Round> usable) {
        if (all.isEmpty() || usable.isEmpty() || usable.contains(all.get(all.size() - 1))) {
            return "";
        }
        Round newest = all.get(all.size() - 1);
        return " A newer round, of " + DAY.format(newest.takenAt())
                + ", is left out: its volts and currents were not read together, not of every tube, or not at full mains."
                + " What is computed here is older than that.";
    }

    static ReadRound of(Round round, List<Socket> sockets) {
        Map<String, SocketAnswer> answers = answers(round, sockets);
        double nominal = round.amp().description().mains().nominal();
        return new ReadRound(
                round.holding(Quantity.MAINS, "").map(r -> r.value() / nominal),
                nodeAmperes(round),
                sockets.stream().map(s -> tube(round, answers.get(s.name()))).toList(),
                voltsLimit(round));
    }

    /** Half the last digit of the mains and of the plate volts, as a share: B+ at nominal mains is known no better. */
    private static double voltsLimit(Round round) {
        double mains = round.holding(Quantity.MAINS, "")
                .map(r -> r.lastDigit() / 2 / r.value())
                .orElse(0.0);
        double volts = round.amp().description().sockets().stream()
                .flatMap(s -> round.holding(Quantity.PLATE, s.name()).stream())
                .mapToDouble(r -> r.lastDigit() / 2 / r.value())
                .max()
                .orElse(0);
        return mains + volts;
    }

    static List<AmpStage.ReadPoint> points(List<Round> rounds, List<Socket> sockets) {
        List<AmpStage.ReadPoint> points = new ArrayList<>();
        List<Round> last = rounds.subList(Math.max(0, rounds.size() - SHOWN), rounds.size());
        for (Round round : last) {
            Map<String, SocketAnswer> answers = answers(round, sockets);
            for (Socket socket : sockets) {
                SocketAnswer answer = answers.get(socket.name());
                Estimate amperes = answer.answer().plateAmperes().orElseThrow();
                points.add(new AmpStage.ReadPoint(
                        answer.seenAlone() ? socket.name() : socket.name() + " (mean)",
                        answer.answer().plateToCathodeVolts().orElseThrow().value(),
                        amperes.value(),
                        amperes.low(),
                        amperes.high(),
                        DAY.format(round.takenAt()),
                        round == rounds.get(rounds.size() - 1)));
            }
        }
        return points;
    }

    /** Answers of sockets with volts and a current, by socket. */
    static Map<String, SocketAnswer> answers(Round round, List<Socket> sockets) {
        List<String> names = sockets.stream().map(Socket::name).toList();
        return round.judged(List.of()).sockets().stream()
                .filter(a -> names.contains(a.socket().name()) && a.measured())
                .filter(a ->
                        a.answer().plateAmperes().filter(i -> i.value() > 0).isPresent()
                                && a.answer().plateToCathodeVolts().isPresent())
                .collect(Collectors.toMap(a -> a.socket().name(), Function.identity()));
    }

    private static Optional<Double> nodeAmperes(Round round) {
        List<Socket> all = round.amp().description().sockets();
        Map<String, SocketAnswer> answers = answers(round, all);
        boolean whole = answers.size() == all.size()
                && answers.values().stream()
                        .allMatch(a -> a.answer().cathodeAmperes().isPresent());
        return whole
                ? Optional.of(answers.values().stream()
                        .mapToDouble(
                                a -> a.answer().cathodeAmperes().orElseThrow().value())
                        .sum())
                : Optional.empty();
    }

    private static ReadRound.ReadTube tube(Round round, SocketAnswer answer) {
        String name = answer.socket().name();
        double cathode = cathodeVolts(round, name);
        return new ReadRound.ReadTube(
                name,
                answer.answer().plateToCathodeVolts().orElseThrow().value(),
                answer.answer().plateAmperes().orElseThrow().value(),
                round.holding(Quantity.SCREEN, name).map(r -> r.value() - cathode),
                // Stored before the sign was asked about: a grid stands below zero.
                round.holding(Quantity.GRID, name).map(r -> -Math.abs(r.value())),
                cathode,
                answer.seenAlone());
    }

    /** Cathode to chassis, V: as read, else the drop over the cathode-bias resistor, else a sense resistor's little. */
    private static double cathodeVolts(Round round, String socket) {
        Optional<Double> read = round.holding(Quantity.CATHODE, socket).map(Reading::value);
        if (read.isPresent()) {
            return read.get();
        }
        var group = round.amp().description().groupOf(socket);
        SensingMethod method = group.method();
        return method.tellsCathodeVolts()
                ? round.holding(Quantity.CURRENT, group.name())
                        .filter(r -> r.unit() == Unit.VOLT)
                        .map(Reading::value)
                        .orElse(0.0)
                : 0;
    }
}
