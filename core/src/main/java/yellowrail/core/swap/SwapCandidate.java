package yellowrail.core.swap;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowrail.core.judging.Judge;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;
import yellowrail.core.tube.TypeCurves;

/**
 * What is to go in.
 *
 * @param editions the publications that all have to hold: the one picked, or every one with a plate rating
 * @param curves empty when there are none
 * @param tubes in one channel
 * @param tap of the ultralinear connection, 0 to 1
 * @param idleShare plate dissipation wanted at idle with a bias control, share of the plate rating
 * @param cathodeOhms with cathode bias: another resistor than the one fitted, Ω
 * @param bias what becomes of the bias
 * @param sleeve whether the tubes to go in have a metal sleeve, of a type of which some have; empty when not answered
 * @param asked whether that idle was asked for; else it is the present one, and comes down to what is accepted
 */
public record SwapCandidate(
        TubeType type,
        List<Ratings> editions,
        Optional<TypeCurves> curves,
        int tubes,
        Connection connection,
        double tap,
        double idleShare,
        Optional<Double> cathodeOhms,
        BiasChange bias,
        Optional<Boolean> sleeve,
        boolean asked) {
    public SwapCandidate {
        editions = List.copyOf(editions);
        if (tubes < 1 || tubes > 8) {
            throw new IllegalArgumentException(tubes + " output tubes; 1 to 8");
        }
        if (!(idleShare > 0 && idleShare <= 1.5)) {
            throw new IllegalArgumentException("an idle of " + 100 * idleShare + " %; above 0, at most 150 %");
        }
    }

    /** One that is biased as the present tubes are. */
    public SwapCandidate(
            TubeType type,
            List<Ratings> editions,
            Optional<TypeCurves> curves,
            int tubes,
            Connection connection,
            double tap,
            double idleShare,
            Optional<Double> cathodeOhms) {
        this(
                type,
                editions,
                curves,
                tubes,
                connection,
                tap,
                idleShare,
                cathodeOhms,
                BiasChange.AS_NOW,
                Optional.empty(),
                true);
    }

    /** The same where it is known whether the tubes have a metal sleeve. */
    public SwapCandidate sleeved(Optional<Boolean> has) {
        return new SwapCandidate(
                type, editions, curves, tubes, connection, tap, idleShare, cathodeOhms, bias, has, asked);
    }

    /** The same biased otherwise. */
    public SwapCandidate biased(BiasChange other) {
        return new SwapCandidate(
                type, editions, curves, tubes, connection, tap, idleShare, cathodeOhms, other, sleeve, asked);
    }

    /** The same at another idle, which nobody asked for. */
    public SwapCandidate idling(double share) {
        return new SwapCandidate(
                type, editions, curves, tubes, connection, tap, share, cathodeOhms, bias, sleeve, false);
    }

    /** The lowest plate rating of its publications, W: what per cent are of; empty where there is none. */
    public OptionalDouble plateWatts() {
        return editions.stream()
                .flatMap(r -> r.plateWatts().stream())
                .mapToDouble(Figure::value)
                .min();
    }

    /** What its figures are judged by. */
    public Judge judge() {
        return Judge.by(editions, type.hasScreen());
    }

    /** {@code 2 × EL34}. */
    public String words() {
        return tubes + " × " + type.designation();
    }
}
