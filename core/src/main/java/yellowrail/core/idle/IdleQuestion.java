package yellowrail.core.idle;

import java.util.Optional;
import yellowrail.core.amp.sensing.SensingMethod;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.target.Target;

/**
 * Everything an idle check is asked with.
 *
 * @param stage tube and stage
 * @param method how the current was taken
 * @param reading what the meter showed; empty when not taken
 * @param meter the meter that read the current
 * @param plate the plate-voltage reading
 * @param voltMeter the meter that read volts; equal to {@code meter} when it is the same one
 * @param screen where the screen current comes from
 * @param screenVolts screen to chassis; empty when not measured
 * @param circumstances mains, limiter, pairing, spread
 * @param target what is aimed at; empty until the builder has chosen
 * @param ceiling the builder's ceiling as a share of the plate rating
 */
public record IdleQuestion(
        StageFacts stage,
        SensingMethod method,
        Optional<Typed> reading,
        Meter meter,
        PlateVolts plate,
        Meter voltMeter,
        ScreenCurrent screen,
        Optional<Typed> screenVolts,
        Circumstances circumstances,
        Optional<Target> target,
        double ceiling) {
    public IdleQuestion {
        if (!(ceiling > 0 && ceiling <= 1.5)) {
            throw new IllegalArgumentException("a ceiling of " + 100 * ceiling + " %; above 0, at most 150 %");
        }
    }

    /** A check with one meter, the type's screen share, nothing known of the mains and no target. */
    public static IdleQuestion of(StageFacts stage, SensingMethod method, Typed reading, PlateVolts plate) {
        return new IdleQuestion(
                stage,
                method,
                Optional.of(reading),
                Meter.HANDHELD,
                plate,
                Meter.HANDHELD,
                new ScreenCurrent.TypeShare(),
                Optional.empty(),
                Circumstances.unknown(),
                Optional.empty(),
                stage.bias().usualCeiling(stage.topology()));
    }

    public IdleQuestion readBy(Meter one) {
        return new IdleQuestion(
                stage, method, reading, one, plate, one, screen, screenVolts, circumstances, target, ceiling);
    }

    public IdleQuestion with(ScreenCurrent other) {
        return new IdleQuestion(
                stage, method, reading, meter, plate, voltMeter, other, screenVolts, circumstances, target, ceiling);
    }

    public IdleQuestion withScreenVolts(Typed volts) {
        return new IdleQuestion(
                stage,
                method,
                reading,
                meter,
                plate,
                voltMeter,
                screen,
                Optional.of(volts),
                circumstances,
                target,
                ceiling);
    }

    public IdleQuestion in(Circumstances other) {
        return new IdleQuestion(
                stage, method, reading, meter, plate, voltMeter, screen, screenVolts, other, target, ceiling);
    }

    public IdleQuestion aimingAt(Target chosen) {
        return new IdleQuestion(
                stage,
                method,
                reading,
                meter,
                plate,
                voltMeter,
                screen,
                screenVolts,
                circumstances,
                Optional.of(chosen),
                ceiling);
    }

    public IdleQuestion under(double otherCeiling) {
        return new IdleQuestion(
                stage,
                method,
                reading,
                meter,
                plate,
                voltMeter,
                screen,
                screenVolts,
                circumstances,
                target,
                otherCeiling);
    }
}
