package yellowrail.core.round;

import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Socket;
import yellowrail.core.idle.Contradiction;
import yellowrail.core.idle.Contradiction.Code;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** Readings of the same quantity taken in two ways must agree, else one of them is wrong. */
final class CrossCheck {
    /** Individual readings and the combined one behind the same tubes. */
    private static final double COMBINED_WITHIN = 0.03;
    /** The tubes' sum and the choke's current: other stages flow there too. */
    private static final double SUPPLY_WITHIN = 0.10;
    /** Plates of one channel differ by the drop over their half primaries: at most some per cent of B+. */
    private static final double ONE_SUPPLY = 0.03;
    /** Plates on one half primary hang on one point. */
    private static final double ONE_WINDING = 0.015;
    /** A mains that moves by more while a round is read is worth a word. */
    static final double MAINS_MOVED = 0.01;
    /** Beyond this the readings of one round do not belong together: watts go with the 2nd to 7th power. */
    static final double MAINS_TOO_FAR = 0.03;

    private CrossCheck() {}

    /**
     * What contradicts when the single readings and the combined reading, A, contradict each other.
     *
     * @param all whether every tube behind the point was read alone; if not, their sum can only be smaller
     */
    static Optional<Contradiction> combined(String point, double sumAmperes, boolean all, double combinedAmperes) {
        boolean more = sumAmperes > combinedAmperes * (1 + COMBINED_WITHIN);
        boolean less = all && sumAmperes < combinedAmperes * (1 - COMBINED_WITHIN);
        if (!more && !less) {
            return Optional.empty();
        }
        String apart = combinedAmperes > 0
                ? Show.fixed(100 * Math.abs(sumAmperes / combinedAmperes - 1), 1) + " % apart (3 % allowed)"
                : "one of them is wrong";
        return Optional.of(new Contradiction(
                Code.COMBINED_CURRENT,
                point,
                "The single readings add up to " + Show.si(sumAmperes, Unit.AMPERE) + ", the point " + point + " reads "
                        + Show.si(combinedAmperes, Unit.AMPERE) + ": " + apart + ". Read both again."));
    }

    /**
     * What contradicts when the tubes draw more than the choke carries, or less than nine tenths of it.
     *
     * @param all whether every tube's current is known; if not, their sum can only be smaller
     */
    static Optional<Contradiction> supply(double tubesAmperes, boolean all, double chokeAmperes) {
        boolean more = tubesAmperes > chokeAmperes * (1 + SUPPLY_WITHIN);
        boolean less = all && tubesAmperes < chokeAmperes * (1 - SUPPLY_WITHIN);
        if (!more && !less) {
            return Optional.empty();
        }
        return Optional.of(new Contradiction(
                Code.SUPPLY_CURRENT,
                "",
                "The output tubes add up to " + Show.si(tubesAmperes, Unit.AMPERE) + ", the choke carries "
                        + Show.si(chokeAmperes, Unit.AMPERE)
                        + (more
                                ? ": tubes cannot draw more than the supply gives; read both again."
                                : ": the rest must be other stages, or a reading is wrong.")));
    }

    /** What contradicts when plates of one channel were read further apart than windings and meter allow. */
    static Optional<Contradiction> plateVolts(AmpDescription amp, RoundReadings readings) {
        Meter meter = readings.meter();
        for (Socket a : amp.sockets()) {
            for (Socket b : amp.sockets()) {
                Typed first = readings.plate().get(a.name());
                Typed second = readings.plate().get(b.name());
                if (a.channel() != b.channel() || first == null || second == null) {
                    continue;
                }
                double allowed = (a.side() == b.side() ? ONE_WINDING : ONE_SUPPLY) * second.value()
                        + meter.limit(first)
                        + meter.limit(second);
                if (first.value() - second.value() > allowed) {
                    return Optional.of(
                            new Contradiction(
                                    Code.PLATE_VOLTS,
                                    a.name(),
                                    "Plate volts of " + first.echo() + " at " + a.name() + " and " + second.echo()
                                            + " at " + b.name()
                                            + " do not go with one supply: one of them is wrong, or a winding is. Read both again."));
                }
            }
        }
        return Optional.empty();
    }

    /** What contradicts when the sockets hold unlike types. */
    static Optional<Contradiction> unlikeTypes(List<String> types) {
        return types.size() < 2
                ? Optional.empty()
                : Optional.of(new Contradiction(
                        Code.UNLIKE_TYPES,
                        "",
                        "The sockets hold unlike types (" + String.join(", ", types)
                                + "): output tubes of one amp are alike. Correct the description, or the tubes."));
    }
}
