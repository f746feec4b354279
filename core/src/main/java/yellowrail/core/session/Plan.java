package yellowrail.core.session;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.reading.Meter;

/**
 * What a session was begun with; it does not change.
 *
 * @param amp the description as it was then
 * @param purpose why
 * @param meter the meter used
 * @param reference where plate volts are read
 * @param handsVolts residual volts up to which hands go in, 1 to 30 V
 * @param soakMinutes how long a soak has to span, 10 to 1440 min
 * @param heaterAmber heater deviation that is marked, per cent
 * @param heaterRed heater deviation that is too much, per cent
 * @param tubes labels of the tubes as the session before left them, by socket
 * @param carried findings that the session before left open
 * @param setup how it is worked
 */
public record Plan(
        AmpDescription amp,
        Purpose purpose,
        Meter meter,
        PlateVolts.Reference reference,
        double handsVolts,
        double soakMinutes,
        double heaterAmber,
        double heaterRed,
        Map<String, String> tubes,
        List<CarriedFinding> carried,
        Setup setup) {
    /** Ohms are measured at this residual or less, V: more spoils the reading and can harm the meter. */
    public static final double OHMS_VOLTS = 1;

    public static final double USUAL_HANDS_VOLTS = 10;
    public static final double USUAL_SOAK_MINUTES = 30;
    /** Per cent. */
    public static final double USUAL_HEATER_AMBER = 5;
    /** Per cent. */
    public static final double USUAL_HEATER_RED = 10;

    /** Why hands cannot go in at these volts; empty where they can. */
    public static Optional<String> handsRefusal(double volts) {
        return volts >= 1 && volts <= 30
                ? Optional.empty()
                : Optional.of("The volts that are safe to touch lie from 1 to 30 V, not at " + volts + " V.");
    }

    /** Why a soak cannot span so many minutes; empty where it can. */
    public static Optional<String> soakRefusal(double minutes) {
        return minutes >= 10 && minutes <= 1440
                ? Optional.empty()
                : Optional.of("A soak spans 10 to 1440 minutes, not " + minutes + ".");
    }

    /** Why sockets cannot be read by turns; empty where they can, or are read at once. */
    public static Optional<String> turnsRefusal(Setup setup, AmpDescription amp) {
        if (!setup.byTurns()) {
            return Optional.empty();
        }
        if (setup.access() == Access.TEST_POINTS) {
            return Optional.of("One adaptor goes into the sockets: that is more than the outside test points.");
        }
        return amp.groups().stream().anyMatch(g -> g.shared())
                ? Optional.of(
                        "By turns means that each tube has a sense point of its own; here one shows several tubes.")
                : Optional.empty();
    }

    /** Why heater deviations, per cent, cannot be marked so; empty where they can. */
    public static Optional<String> heaterRefusal(double amber, double red) {
        return amber > 0 && red >= amber && red <= 25
                ? Optional.empty()
                : Optional.of("Heater bands rise within 0 to 25 %.");
    }

    public Plan {
        tubes = Map.copyOf(tubes);
        carried = List.copyOf(carried);
        turnsRefusal(setup, amp).ifPresent(why -> {
            throw new IllegalArgumentException(why);
        });
        handsRefusal(handsVolts)
                .or(() -> soakRefusal(soakMinutes))
                .or(() -> heaterRefusal(heaterAmber, heaterRed))
                .ifPresent(why -> {
                    throw new IllegalArgumentException(why);
                });
        if (reference == PlateVolts.Reference.TUBES_OUT) {
            throw new IllegalArgumentException("plate volts of a session are read with the tubes in");
        }
    }

    /** A plan of an amp without a history. */
    public Plan(
            AmpDescription amp,
            Purpose purpose,
            Meter meter,
            PlateVolts.Reference reference,
            double handsVolts,
            double soakMinutes,
            double heaterAmber,
            double heaterRed) {
        this(
                amp,
                purpose,
                meter,
                reference,
                handsVolts,
                soakMinutes,
                heaterAmber,
                heaterRed,
                Map.of(),
                List.of(),
                Setup.WHOLE);
    }

    /** The same with what the session before left behind: a tube of another type than is described now is not there any more. */
    public Plan after(Seating left, List<CarriedFinding> carried) {
        return after(left.labelsIn(amp), carried);
    }

    /** @param tubes labels by socket */
    public Plan after(Map<String, String> tubes, List<CarriedFinding> carried) {
        return new Plan(
                amp, purpose, meter, reference, handsVolts, soakMinutes, heaterAmber, heaterRed, tubes, carried, setup);
    }

    /** The same worked in another way. */
    public Plan worked(Setup other) {
        return new Plan(
                amp, purpose, meter, reference, handsVolts, soakMinutes, heaterAmber, heaterRed, tubes, carried, other);
    }

    /** The same of another description. */
    public Plan of(AmpDescription other) {
        return new Plan(
                other,
                purpose,
                meter,
                reference,
                handsVolts,
                soakMinutes,
                heaterAmber,
                heaterRed,
                tubes,
                carried,
                setup);
    }

    /** The usual limits: hands at 10 V, 30 min of soak, heaters amber at ±5 % and red at ±10 %. */
    public static Plan usual(AmpDescription amp, Purpose purpose, Meter meter) {
        return new Plan(amp, purpose, meter, PlateVolts.Reference.CHASSIS, 10, 30, 5, 10);
    }
}
