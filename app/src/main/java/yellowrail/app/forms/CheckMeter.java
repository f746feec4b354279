package yellowrail.app.forms;

import java.util.List;
import yellowrail.core.reading.Meter;

/** The meter of a check: one of the classes, one that is kept, or one described here. */
final class CheckMeter {
    private final CheckForm form;
    private final FieldErrors complaints;
    private final List<Meter> meters;

    /** @param meters those that can be named */
    CheckMeter(CheckForm form, FieldErrors complaints, List<Meter> meters) {
        this.form = form;
        this.complaints = complaints;
        this.meters = meters;
    }

    Meter meter() {
        String name = form.text(CheckFields.METER);
        boolean own = name.equals("own");
        for (FieldSpec<?> field : List.of(CheckFields.OWN_VOLTS, CheckFields.OWN_AMPERES, CheckFields.OWN_OHMS)) {
            complaints.counts(field, form, own, "with a meter of your own");
        }
        if (!own) {
            return MeterName.read(name, meters, complaints);
        }
        return new Meter(
                "own meter",
                form.read(CheckFields.OWN_VOLTS, complaints).orElse(Meter.HANDHELD.volts()),
                form.read(CheckFields.OWN_AMPERES, complaints).orElse(Meter.HANDHELD.amperes()),
                form.read(CheckFields.OWN_OHMS, complaints).orElse(Meter.HANDHELD.ohms()));
    }
}
