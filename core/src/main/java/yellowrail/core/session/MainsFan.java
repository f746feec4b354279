package yellowrail.core.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.reading.Estimate;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.round.SocketAnswer;

/**
 * Dissipation of each tube at lowest, nominal and highest mains, {@code P ∝ M^x}, an estimate within ±12 %.
 *
 * @param socket the socket
 * @param lowest W; empty when further than the estimate reaches
 * @param nominal W; empty when further than the estimate reaches
 * @param highest W; empty when further than the estimate reaches
 * @param highestShare of the plate rating with its error band; empty likewise
 * @param own whether the exponent is this amp's own
 */
public record MainsFan(
        String socket,
        Optional<Double> lowest,
        Optional<Double> nominal,
        Optional<Double> highest,
        Optional<Estimate> highestShare,
        boolean own) {
    private static final double REACH = 0.12;

    /** The fan of every tube whose watts are known; none when the mains is not. */
    static List<MainsFan> of(RoundAnswer answer, BiasScheme bias, Optional<Double> ownExponent) {
        List<MainsFan> fans = new ArrayList<>();
        for (SocketAnswer s : answer.sockets()) {
            Optional<Mains> mains = s.question().circumstances().mains();
            if (!s.measured()
                    || s.answer().plateWatts().isEmpty()
                    || s.answer().share().isEmpty()
                    || mains.flatMap(Mains::now).isEmpty()) {
                continue;
            }
            double now = mains.get().now().orElseThrow();
            double watts = s.answer().plateWatts().get().value();
            Estimate share = s.answer().share().get();
            fans.add(new MainsFan(
                    s.socket().name(),
                    factor(mains.get().lowest() / now, bias, ownExponent).map(f -> f * watts),
                    factor(mains.get().nominal() / now, bias, ownExponent).map(f -> f * watts),
                    factor(mains.get().highest() / now, bias, ownExponent).map(f -> f * watts),
                    factor(mains.get().highest() / now, bias, ownExponent).map(share::times),
                    ownExponent.isPresent()));
        }
        return fans;
    }

    private static Optional<Double> factor(double ratio, BiasScheme bias, Optional<Double> own) {
        if (Math.abs(ratio - 1) > REACH) {
            return Optional.empty();
        }
        return Optional.of(own.map(x -> Math.pow(ratio, x)).orElseGet(() -> bias.dissipationFactor(ratio)))
                .filter(f -> Double.isFinite(f));
    }
}
