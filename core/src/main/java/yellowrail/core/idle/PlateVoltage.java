package yellowrail.core.idle;

import java.util.Optional;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.sensing.SensedCurrent;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.reading.ErrorBudget;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** Turns a plate-voltage reading into plate-to-cathode volts: {@code Vpk = Vpg − Vk}, less a winding's drop if need be. */
final class PlateVoltage {
    /** What is left out at most when the drop over a half primary is not known, as a share: copper of 2.5 % of Zaa. */
    private static final double WINDING_EFFECT = 0.02;

    private static final String PLATE = "meter on volts";

    private final IdleQuestion question;
    private final Findings findings;

    PlateVoltage(IdleQuestion question, Findings findings) {
        this.question = question;
        this.findings = findings;
    }

    Optional<Estimate> find(Optional<SensedCurrent.Current> seen, Optional<Estimate> plateAmperes) {
        PlateVolts plate = question.plate();
        if (plate.volts().isEmpty()) {
            findings.needs("plate volts", "Plate volts are missing: without them there are no watts.");
            return Optional.empty();
        }
        Typed volts = plate.volts().get();
        if (plate.reference() == PlateVolts.Reference.TUBES_OUT) {
            findings.needs(
                    "plate volts with the tubes in",
                    "Volts with the output tubes out are the unloaded B+: kept as"
                            + " such, but B+ falls once current flows, so no watts follow from them.");
            return Optional.empty();
        }
        if (plate.reference() == PlateVolts.Reference.CATHODE && !(volts.value() > 0)) {
            findings.needs(
                    "plate volts above the cathode's",
                    "The plate stands above its cathode, not at " + volts.echo() + " from it: read it again.");
            return Optional.empty();
        }
        if (plate.reference() == PlateVolts.Reference.CATHODE) {
            findings.notes.add(
                    "Both probes were live for a plate-to-cathode reading. Two readings to chassis are safer; the"
                            + " difference is taken here.");
            findings.formula(() -> new Formula("Plate to cathode", "Vpk as read", volts.echo(), volts.echo()));
            return Optional.of(new Estimate(volts.value(), error(PLATE, volts, volts.value(), question.voltMeter())));
        }
        return toChassis(volts, seen, plateAmperes);
    }

    private Optional<Estimate> toChassis(
            Typed volts, Optional<SensedCurrent.Current> seen, Optional<Estimate> plateAmperes) {
        Optional<CathodeVolts> cathode = cathodeVolts(seen);
        double cathodeValue = cathode.map(CathodeVolts::volts).orElse(0.0);
        double winding = windingDrop(plateAmperes);
        double vpk = volts.value() - cathodeValue - winding;
        if (!(vpk > 0)) {
            findings.needs(
                    "plate volts above the cathode's",
                    "The plate reading of " + volts.echo()
                            + " is not above the cathode voltage of " + Show.si(cathodeValue, Unit.VOLT)
                            + ": one of the two is wrong.");
            return Optional.empty();
        }
        ErrorBudget errors = error(PLATE, volts, vpk, question.voltMeter());
        if (cathode.isPresent()) {
            errors = errors.and(cathode.get().errors().times(-cathodeValue / vpk));
        }
        String windingText = winding > 0 ? " − " + Show.si(winding, Unit.VOLT, 3) : "";
        findings.formula(() -> new Formula(
                "Plate to cathode",
                winding > 0 ? "Vpk = V node − Vk − I · R half" : "Vpk = V plate − Vk",
                volts.echo() + " − "
                        + cathode.map(c -> Show.si(c.volts(), Unit.VOLT)).orElse("0 V") + windingText,
                Show.si(vpk, Unit.VOLT)));
        if (cathodeValue / vpk > 0.005) {
            findings.notes.add("The ground reading would overstate the watts by "
                    + Show.fixed(100 * (volts.value() / vpk - 1), 1) + " %; the cathode's "
                    + Show.si(cathodeValue, Unit.VOLT, 3) + " is taken off.");
        }
        return Optional.of(new Estimate(vpk, errors));
    }

    private record CathodeVolts(double volts, ErrorBudget errors) {}

    private Optional<CathodeVolts> cathodeVolts(Optional<SensedCurrent.Current> seen) {
        PlateVolts plate = question.plate();
        if (plate.cathodeVolts().isPresent()) {
            Typed measured = plate.cathodeVolts().get();
            return Optional.of(new CathodeVolts(
                    measured.value(),
                    error("meter on cathode volts", measured, measured.value(), question.voltMeter())));
        }
        SensingMethod method = question.method();
        Optional<Typed> reading = question.reading();
        BiasScheme bias = question.stage().bias();
        boolean dropIsCathode = method.tellsCathodeVolts() || bias.fixed();
        if (dropIsCathode
                && reading.isPresent()
                && seen.isPresent()
                && seen.get().kind() == SensedCurrent.Kind.CATHODE) {
            Typed drop = reading.get();
            if (drop.unit() == Unit.VOLT && method.readsCathodePath()) {
                return Optional.of(new CathodeVolts(
                        drop.value(), error(SensingMethod.CURRENT_READING, drop, drop.value(), question.meter())));
            }
            if (method.tellsCathodeVolts() && drop.unit() == Unit.AMPERE) {
                double derived = method.readingAt(new yellowrail.core.amp.sensing.TubeCurrents(
                                seen.get().perTube().value(), 0))
                        .orElse(0);
                return Optional.of(
                        new CathodeVolts(derived, seen.get().perTube().errors()));
            }
        }
        if (!bias.fixed()) {
            findings.lacks(
                    "cathode volts",
                    0.08,
                    "Cathode volts are missing: with " + bias.words() + " they are several per"
                            + " cent of the plate reading, so the watts shown are an upper bound.",
                    true);
            findings.upperBound = true;
        }
        return Optional.empty();
    }

    private double windingDrop(Optional<Estimate> plateAmperes) {
        PlateVolts plate = question.plate();
        if (plate.reference() != PlateVolts.Reference.SUPPLY_NODE) {
            return 0;
        }
        if (plate.halfPrimaryOhms().isEmpty() || plateAmperes.isEmpty()) {
            findings.lacks(
                    "half-primary ohms",
                    WINDING_EFFECT,
                    "Volts at the supply node are higher than at the plate by the"
                            + " winding's drop: give the half primary's ohms; until then the watts are an upper bound.",
                    true);
            findings.upperBound = true;
            return 0;
        }
        return plateAmperes.get().value()
                * plate.tubesOnSide()
                * plate.halfPrimaryOhms().get().value();
    }

    /** The meter's limit as a share of {@code result}; the same meter as the current's shares its key. */
    private ErrorBudget error(String source, Typed reading, double result, Meter meter) {
        if (reading.value() == 0 || result == 0) {
            return ErrorBudget.exact();
        }
        String key = meter.equals(question.meter()) ? SensingMethod.METER : "volt meter";
        return ErrorBudget.exact().and(source, meter.limit(reading) / Math.abs(result), key);
    }
}
