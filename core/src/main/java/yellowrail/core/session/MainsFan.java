package yellowrail.core.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Mains;
import yellowrail.core.reading.Band;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.round.SocketAnswer;

/**
 * Dissipation of each tube at lowest, nominal and highest mains, {@code P ∝ M^x}, an estimate. The figure at highest mains
 * is the one the verdict is made of.
 *
 * @param socket the socket
 * @param lowest W; empty when further than the estimate reaches
 * @param nominal W; empty when further than the estimate reaches
 * @param highest W; empty when further than the estimate reaches
 * @param highestShare of the plate rating; empty likewise
 * @param own whether the exponent is this amp's own
 */
public record MainsFan(
        String socket,
        Optional<Band> lowest,
        Optional<Band> nominal,
        Optional<Band> highest,
        Optional<Band> highestShare,
        boolean own) {
    /** The fan of every tube whose watts are known; none when the mains is not. */
    static List<MainsFan> of(RoundAnswer answer, BiasScheme bias, Optional<Band> ownExponent) {
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
            double share = s.answer().share().get().value();
            double rated = s.answer()
                    .ratings()
                    .orElseThrow()
                    .plateWatts()
                    .orElseThrow()
                    .value();
            fans.add(new MainsFan(
                    s.socket().name(),
                    at(mains.get().lowest() / now, watts, share, bias, ownExponent),
                    at(mains.get().nominal() / now, watts, share, bias, ownExponent),
                    s.answer().atHighest().map(b -> scaled(b, rated)),
                    s.answer().atHighest(),
                    ownExponent.isPresent()));
        }
        return fans;
    }

    private static Optional<Band> at(
            double ratio, double watts, double share, BiasScheme bias, Optional<Band> ownExponent) {
        if (ratio < BiasScheme.LEAST_RATIO || ratio > BiasScheme.MOST_RATIO) {
            return Optional.empty();
        }
        return bias.outcomes().stream()
                .map(b -> ownExponent.orElseGet(() -> b.wattsExponent(share)).powerOf(ratio))
                .reduce((a, b) ->
                        new Band(Math.min(a.low(), b.low()), Math.max(a.mid(), b.mid()), Math.max(a.high(), b.high())))
                .map(f -> scaled(f, watts));
    }

    private static Band scaled(Band band, double factor) {
        return new Band(band.low() * factor, band.mid() * factor, band.high() * factor);
    }
}
