package yellowrail.core.round;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.idle.Contradiction;
import yellowrail.core.idle.Verdict;

/**
 * What a round found.
 *
 * @param sockets every socket in measuring order
 * @param verdict the worst socket's place, sampled when not every socket was measured
 * @param worst name of the socket that leads, or empty
 * @param balances sides of each channel whose tubes were all read alone
 * @param contradictions cross-checks that failed
 * @param unmeasured names of sockets without a current
 * @param weak sockets whose tube is weak by its grid volts, with a sentence
 * @param byTurns whether one adaptor went from socket to socket, so that each has its own power-on
 */
public record RoundAnswer(
        List<SocketAnswer> sockets,
        Verdict verdict,
        String worst,
        List<Balance> balances,
        List<Contradiction> contradictions,
        List<String> unmeasured,
        Map<String, String> weak,
        boolean byTurns) {
    public RoundAnswer {
        sockets = List.copyOf(sockets);
        balances = List.copyOf(balances);
        contradictions = List.copyOf(contradictions);
        unmeasured = List.copyOf(unmeasured);
        weak = Map.copyOf(weak);
    }

    /** The verdict in words, with how the sockets were read where that was not at once. */
    public String words() {
        return verdict.words() + (byTurns ? " · by turns" : "");
    }

    /** The measured socket that dissipates most of its rating; empty while none has watts. */
    public static Optional<SocketAnswer> hottest(List<SocketAnswer> sockets) {
        return sockets.stream()
                .filter(s -> s.measured() && s.answer().share().isPresent())
                .max(Comparator.comparingDouble(s -> s.answer().share().get().value()));
    }
}
