package yellowrail.core.session;

import java.util.EnumSet;
import java.util.Set;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.events.Read;

/**
 * Readings that only an amp under power gives. One that comes in while off is declared closes every lock, whichever of the
 * two is wrong. Mains volts are read at the outlet, and AC on an unpowered transformer is none.
 */
public final class SignOfPower {
    private static final Set<Quantity> NONE = EnumSet.of(
            Quantity.MAINS,
            Quantity.LOAD_OHMS,
            Quantity.RESIDUAL,
            Quantity.BLEEDER_OHMS,
            Quantity.SENSE_OHMS,
            Quantity.HALF_PRIMARY_OHMS,
            Quantity.GRID_LEAK_OHMS,
            Quantity.METER_OHMS);

    private SignOfPower() {}

    /** A reading of zero is what an amp that is off gives: it is no sign, and no reading to keep either. */
    public static boolean in(Read read) {
        return read.supersedes().isEmpty()
                && !NONE.contains(read.quantity())
                && Math.abs(read.typed().value()) > read.typed().lastDigit() * (1 + 1e-9);
    }
}
