package yellowrail.app.forms;

import java.util.Map;
import java.util.Optional;
import yellowrail.core.amp.sensing.HalfPrimary;
import yellowrail.core.amp.sensing.SenseResistor;
import yellowrail.core.idle.PlateVolts;
import yellowrail.core.idle.ScreenCurrent;
import yellowrail.core.reading.Typed;

/** Plate volts and screen current of a check, with what each needs to count. */
final class CheckVolts {
    private static final Map<String, String> SCREENS = Map.of("share", "share", "measured", "measured", "none", "none");

    private final CheckForm form;
    private final FieldErrors complaints;

    CheckVolts(CheckForm form, FieldErrors complaints) {
        this.form = form;
        this.complaints = complaints;
    }

    PlateVolts plate() {
        PlateVolts.Reference reference =
                complaints.pick("ref", form.ref(), Words.REFERENCE, PlateVolts.Reference.CHASSIS);
        boolean node = reference == PlateVolts.Reference.SUPPLY_NODE;
        complaints.counts("rhalf", form.rhalf(), node, "with plate volts read at the supply node");
        complaints.counts("side", form.side(), node, "with plate volts read at the supply node");
        return new PlateVolts(
                reference,
                complaints.quantity("volts", form.volts(), Fields.PLATE),
                complaints.quantity("vk", form.vk(), Fields.CATHODE),
                complaints.quantity("rhalf", form.rhalf(), HalfPrimary.OHMS),
                complaints.count("side", form.side(), 1, 4, 1));
    }

    /** @param hasScreen whether the tube has a screen */
    ScreenCurrent screen(boolean hasScreen) {
        String source = complaints.pick("screen", form.screen(), SCREENS, "share");
        boolean measured = source.equals("measured");
        complaints.counts("screen", measured ? source : "", hasScreen, "with a tube that has a screen");
        complaints.counts("vg2", form.vg2(), hasScreen, "with a tube that has a screen");
        complaints.counts("g2drop", form.g2drop(), measured, "when the screen current is measured");
        complaints.counts("g2r", form.g2r(), measured, "when the screen current is measured");
        complaints.counts("g2n", form.g2n(), measured, "when the screen current is measured");
        if (source.equals("none")) {
            return new ScreenCurrent.NotCounted();
        }
        if (!measured) {
            return new ScreenCurrent.TypeShare();
        }
        Optional<Typed> drop = complaints.quantity("g2drop", form.g2drop(), Fields.SCREEN_DROP);
        Optional<Typed> ohms = complaints.quantity("g2r", form.g2r(), Fields.SCREEN_OHMS);
        int screens = complaints.count("g2n", form.g2n(), 1, 8, 1);
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
