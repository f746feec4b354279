package yellowrail.core.round;

import java.util.Map;
import java.util.Optional;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.reading.Band;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Pairing;
import yellowrail.core.reading.Typed;

/**
 * The readings of one round, taken in one state. A socket or point without an entry was not measured.
 *
 * @param meter the meter used
 * @param reference between which points plate volts were read
 * @param mains mains now, V; empty when not read
 * @param limiter whether a limiter stood in series
 * @param reduced whether the mains was turned down
 * @param pairing how volts and currents belong together
 * @param spread stated spread behind shared points, share of the mean
 * @param points reading of each sense point, by its name
 * @param individual current of single sockets behind a shared point, read on an adaptor, A, by socket
 * @param plate plate volts by socket
 * @param cathode cathode volts by socket
 * @param screenVolts screen volts by socket
 * @param screenDrop drop over each screen resistor by socket
 * @param choke drop over the choke or B+ resistor
 * @param pairings how volts and current of single sockets belong together; the others go by {@code pairing}
 * @param mainsMoved how far the mains moved while the round was read, share; empty when it was read once
 * @param grid grid volts by socket, below zero but for a fault
 * @param biasNode the node of the bias supply; empty when not read
 * @param turns what is known of readings that were taken by turns; empty when all were read in one power-on
 * @param ownExponent how this amp's dissipation follows the mains, from its own readings; empty when not known
 */
public record RoundReadings(
        Meter meter,
        PlateVolts.Reference reference,
        Optional<Double> mains,
        boolean limiter,
        boolean reduced,
        Pairing pairing,
        Optional<Double> spread,
        Map<String, Typed> points,
        Map<String, Typed> individual,
        Map<String, Typed> plate,
        Map<String, Typed> cathode,
        Map<String, Typed> screenVolts,
        Map<String, Typed> screenDrop,
        Optional<Typed> choke,
        Map<String, Pairing> pairings,
        Optional<Double> mainsMoved,
        Optional<Band> ownExponent,
        Map<String, Typed> grid,
        Optional<Typed> biasNode,
        Optional<Turns> turns) {
    /**
     * Read by turns: one adaptor went from socket to socket, each in a power-on of its own.
     *
     * @param mains V, by socket, as read in its power-on; a socket without one was read without it
     * @param drift how far the first position had moved when it was read again at the end, share; empty before that
     */
    public record Turns(Map<String, Double> mains, Optional<Double> drift) {
        public Turns {
            mains = Map.copyOf(mains);
        }
    }

    public RoundReadings(
            Meter meter,
            PlateVolts.Reference reference,
            Optional<Double> mains,
            boolean limiter,
            boolean reduced,
            Pairing pairing,
            Optional<Double> spread,
            Map<String, Typed> points,
            Map<String, Typed> individual,
            Map<String, Typed> plate,
            Map<String, Typed> cathode,
            Map<String, Typed> screenVolts,
            Map<String, Typed> screenDrop,
            Optional<Typed> choke,
            Map<String, Pairing> pairings) {
        this(
                meter,
                reference,
                mains,
                limiter,
                reduced,
                pairing,
                spread,
                points,
                individual,
                plate,
                cathode,
                screenVolts,
                screenDrop,
                choke,
                pairings,
                Optional.empty(),
                Optional.empty(),
                Map.of(),
                Optional.empty(),
                Optional.empty());
    }

    public RoundReadings {
        points = Map.copyOf(points);
        individual = Map.copyOf(individual);
        plate = Map.copyOf(plate);
        cathode = Map.copyOf(cathode);
        screenVolts = Map.copyOf(screenVolts);
        screenDrop = Map.copyOf(screenDrop);
        pairings = Map.copyOf(pairings);
        grid = Map.copyOf(grid);
    }

    /** The same round, judged with the amp's own way of following the mains. */
    public RoundReadings following(Optional<Band> exponent) {
        return with(mainsMoved, exponent, grid, biasNode, turns);
    }

    /** The same round with its grids, and the node that feeds them. */
    public RoundReadings grids(Map<String, Typed> sockets, Optional<Typed> node) {
        return with(mainsMoved, ownExponent, sockets, node, turns);
    }

    /** The same round with how far the mains moved meanwhile, share. */
    public RoundReadings mainsMoved(Optional<Double> share) {
        return with(share, ownExponent, grid, biasNode, turns);
    }

    /** The same round, read by turns. */
    public RoundReadings byTurns(Turns how) {
        return with(mainsMoved, ownExponent, grid, biasNode, Optional.of(how));
    }

    /** Mains while a socket was read, V; empty when it was not read. */
    Optional<Double> mainsOf(String socket) {
        return turns.isPresent() ? Optional.ofNullable(turns.get().mains().get(socket)) : mains;
    }

    private RoundReadings with(
            Optional<Double> moved,
            Optional<Band> exponent,
            Map<String, Typed> grids,
            Optional<Typed> node,
            Optional<Turns> how) {
        return new RoundReadings(
                meter,
                reference,
                mains,
                limiter,
                reduced,
                pairing,
                spread,
                points,
                individual,
                plate,
                cathode,
                screenVolts,
                screenDrop,
                choke,
                pairings,
                moved,
                exponent,
                grids,
                node,
                how);
    }

    Pairing pairingOf(String socket) {
        return pairings.getOrDefault(socket, pairing);
    }
}
