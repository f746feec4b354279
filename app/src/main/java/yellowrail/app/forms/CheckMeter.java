package yellowrail.app.forms;

import java.util.List;
import yellowrail.core.reading.Accuracy;
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
        boolean own = "own".equals(form.meter());
        complaints.counts("accv", form.accv(), own, "with a meter of your own");
        complaints.counts("acca", form.acca(), own, "with a meter of your own");
        complaints.counts("acco", form.acco(), own, "with a meter of your own");
        if (!own) {
            return MeterName.read(form.meter(), meters, complaints);
        }
        return new Meter(
                "own meter",
                accuracy("accv", form.accv(), Meter.HANDHELD.volts()),
                accuracy("acca", form.acca(), Meter.HANDHELD.amperes()),
                accuracy("acco", form.acco(), Meter.HANDHELD.ohms()));
    }

    /** {@code 0.5+2}: per cent of reading and counts. */
    private Accuracy accuracy(String field, String text, Accuracy fallback) {
        if (text == null || text.isBlank()) {
            return fallback;
        }
        String[] parts = text.replace(',', '.')
                .replaceAll("[\\s%]|counts?|digits?|±|\\(|\\)", "")
                .split("\\+", 2);
        boolean numbers =
                parts.length == 2 && parts[0].matches("\\d{1,3}(\\.\\d{1,6})?") && parts[1].matches("\\d{1,3}");
        if (!numbers || Double.parseDouble(parts[0]) > 100) {
            complaints.add(
                    field,
                    "“" + FieldErrors.shorten(text) + "” was not understood. Write per cent of reading and"
                            + " counts, for example 0.5+2.");
            return fallback;
        }
        return new Accuracy(Double.parseDouble(parts[0]), Double.parseDouble(parts[1]));
    }
}
