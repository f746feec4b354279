package yellowrail.app.forms;

import java.util.Optional;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.idle.ScreenCurrent;
import yellowrail.core.reading.Typed;

/** Plate volts and screen current of a check, with what each needs to count. */
final class CheckVolts {
    private final CheckForm form;
    private final FieldErrors complaints;

    CheckVolts(CheckForm form, FieldErrors complaints) {
        this.form = form;
        this.complaints = complaints;
    }

    PlateVolts plate() {
        PlateVolts.Reference reference = form.read(CheckFields.REFERENCE, complaints);
        boolean node = reference == PlateVolts.Reference.SUPPLY_NODE;
        complaints.counts(CheckFields.HALF_OHMS, form, node, "with plate volts read at the supply node");
        complaints.counts(CheckFields.SIDE, form, node, "with plate volts read at the supply node");
        return new PlateVolts(
                reference,
                form.read(CheckFields.VOLTS, complaints),
                form.read(CheckFields.CATHODE_VOLTS, complaints),
                form.read(CheckFields.HALF_OHMS, complaints),
                form.read(CheckFields.SIDE, complaints).orElse(1));
    }

    /** @param hasScreen whether the tube has a screen */
    ScreenCurrent screen(boolean hasScreen) {
        CheckFields.Screen source = form.read(CheckFields.SCREEN, complaints);
        boolean measured = source == CheckFields.Screen.MEASURED;
        complaints.counts(
                "screen", measured ? form.text(CheckFields.SCREEN) : "", hasScreen, "with a tube that has a screen");
        complaints.counts(CheckFields.SCREEN_VOLTS, form, hasScreen, "with a tube that has a screen");
        complaints.counts(CheckFields.SCREEN_DROP, form, measured, "when the screen current is measured");
        complaints.counts(CheckFields.SCREEN_OHMS, form, measured, "when the screen current is measured");
        complaints.counts(CheckFields.SCREENS, form, measured, "when the screen current is measured");
        if (source == CheckFields.Screen.NONE) {
            return new ScreenCurrent.NotCounted();
        }
        if (!measured) {
            return new ScreenCurrent.TypeShare();
        }
        Optional<Typed> drop = form.read(CheckFields.SCREEN_DROP, complaints);
        Optional<Typed> ohms = form.read(CheckFields.SCREEN_OHMS, complaints);
        int screens = form.read(CheckFields.SCREENS, complaints).orElse(1);
        if (drop.isEmpty()) {
            complaints.add("g2drop", "The screen current is measured: type the drop over the screen resistor.");
        }
        if (ohms.filter(o -> o.value() <= 1e6).isEmpty()) {
            complaints.add("g2r", "The screen current is measured: type the screen resistor's ohms, 1 MΩ at most.");
            return new ScreenCurrent.TypeShare();
        }
        return drop.isPresent()
                ? new ScreenCurrent.Measured(
                        drop.get(), SenseResistor.marked(ohms.get().value(), 5), screens)
                : new ScreenCurrent.TypeShare();
    }
}
