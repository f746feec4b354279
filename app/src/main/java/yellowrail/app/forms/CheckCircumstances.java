package yellowrail.app.forms;

import java.util.Optional;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.sensing.Way;
import yellowrail.core.idle.Circumstances;
import yellowrail.core.reading.Pairing;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** Mains and what else was so while it was read. */
final class CheckCircumstances {
    private static final double DEFAULT_NOMINAL = 230;

    private final CheckForm form;
    private final FieldErrors complaints;
    private Optional<Typed> mains = Optional.empty();

    CheckCircumstances(CheckForm form, FieldErrors complaints) {
        this.form = form;
        this.complaints = complaints;
    }

    /** Told how far apart, the core decides whether that is too far; told only that they are apart, it is. */
    private Pairing pairing() {
        boolean apart = form.read(CheckFields.APART, complaints).orElse(false);
        complaints.counts(CheckFields.MINUTES, form, apart, "when the volts were taken before");
        complaints.counts(CheckFields.MOVED, form, apart, "when the volts were taken before");
        if (!apart) {
            return Pairing.together();
        }
        Optional<Double> minutes = form.read(CheckFields.MINUTES, complaints).map(Typed::value);
        Optional<Double> moved = form.read(CheckFields.MOVED, complaints).map(t -> t.value() / 100);
        return minutes.isEmpty() || moved.isEmpty()
                ? new Pairing(minutes, moved, true)
                : new Pairing(minutes, moved, false);
    }

    Circumstances circumstances() {
        Pairing pairing = pairing();
        complaints.counts(
                CheckFields.SPREAD,
                form,
                MethodReader.way(form.text(CheckFields.METHOD))
                        .filter(Way::several)
                        .isPresent(),
                "where one reading stands for several tubes");
        Optional<Double> spread = form.read(CheckFields.SPREAD, complaints);
        return new Circumstances(
                mains(),
                form.read(CheckFields.LIMITER, complaints).orElse(false),
                form.read(CheckFields.REDUCED, complaints).orElse(false),
                pairing,
                spread,
                Optional.empty());
    }

    /** Mains as read; empty when they were not, or cannot be. */
    Optional<Typed> read() {
        return mains;
    }

    private Optional<Mains> mains() {
        mains = form.read(CheckFields.MAINS, complaints);
        if (mains.filter(v -> !Mains.possible(v.value())).isPresent()) {
            complaints.add(
                    "mains", "No outlet gives " + Show.siPlain(mains.get().value(), Unit.VOLT, 4) + "; 300 V at most.");
            mains = Optional.empty();
        }
        Optional<Double> now = mains.map(Typed::value);
        double nominal =
                form.read(CheckFields.NOMINAL, complaints).map(Typed::value).orElse(DEFAULT_NOMINAL);
        double highest =
                form.read(CheckFields.HIGHEST, complaints).map(Typed::value).orElse(nominal * 1.1);
        try {
            return Optional.of(new Mains(now, nominal, nominal * 0.9, highest));
        } catch (IllegalArgumentException refused) {
            complaints.add(now.filter(v -> v > 300).isPresent() ? "mains" : "highest", FieldErrors.sentence(refused));
            return Optional.empty();
        }
    }
}
