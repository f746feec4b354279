package yellowrail.app.load;

import java.util.Optional;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.stage.OnStage;
import yellowrail.core.load.Speaker;
import yellowrail.core.load.Windings;

/**
 * The transformer's copper, inductance and ratings, and a speaker described by its model, as far as they are typed.
 *
 * @param primaryHenries inductance of the whole primary, H
 * @param coreAmperes direct current the core is rated for, A; push-pull: the difference of the sides
 * @param speaker the one that is called {@value #SPEAKER} in a wiring
 */
record FittedParts(
        Windings windings,
        Optional<Double> primaryHenries,
        Optional<Double> coreAmperes,
        Optional<Rated> rated,
        Optional<Speaker> speaker) {
    /** What stands for the typed speaker in a wiring. */
    static final String SPEAKER = "A";

    /** What the core carries at its lowest rated frequency. */
    record Rated(double watts, double hertz) {}

    static FittedParts read(OnStage form, boolean pushPull, FieldErrors complaints) {
        Optional<Speaker> speaker = speaker(form, complaints);
        if (!pushPull && !form.blank(LoadFields.HALF_B)) {
            complaints.add(
                    LoadFields.HALF_B.name(),
                    "A single-ended primary has no halves: type the whole of it, plate to B+.");
        }
        Optional<Double> watts = form.read(LoadFields.RATED_WATTS, complaints);
        Optional<Double> hertz = form.read(LoadFields.RATED_HERTZ, complaints);
        if (form.blank(LoadFields.RATED_WATTS) != form.blank(LoadFields.RATED_HERTZ)) {
            complaints.add(
                    (form.blank(LoadFields.RATED_WATTS) ? LoadFields.RATED_WATTS : LoadFields.RATED_HERTZ).name(),
                    "Rated power and the lowest frequency for it belong together: this one is missing.");
        }
        return new FittedParts(
                new Windings(
                        pushPull,
                        form.read(LoadFields.HALF_A, complaints),
                        pushPull ? form.read(LoadFields.HALF_B, complaints) : Optional.empty(),
                        form.read(LoadFields.SECONDARY_DC, complaints)),
                form.read(LoadFields.HENRIES, complaints),
                form.read(LoadFields.CORE_DC, complaints),
                watts.flatMap(w -> hertz.map(f -> new Rated(w, f))),
                speaker);
    }

    /** The speaker, where all of it is typed; a sentence at what is missing where some of it is. */
    private static Optional<Speaker> speaker(OnStage form, FieldErrors complaints) {
        if (form.own().blank(LoadFields.SPEAKER)) {
            return Optional.empty();
        }
        LoadFields.SPEAKER.stream()
                .filter(form::blank)
                .forEach(f -> complaints.add(
                        f.name(), "Speaker " + SPEAKER + " needs all six figures: this one is missing."));
        Optional<Double> coil = form.read(LoadFields.COIL_OHMS, complaints);
        Optional<Double> henries = form.read(LoadFields.COIL_HENRIES, complaints);
        Optional<Double> eddy = form.read(LoadFields.EDDY_OHMS, complaints);
        Optional<Double> resonance = form.read(LoadFields.RESONANCE, complaints);
        Optional<Double> peak = form.read(LoadFields.PEAK_OHMS, complaints);
        Optional<Double> quality = form.read(LoadFields.QUALITY_OF_PEAK, complaints);
        if (coil.isEmpty()
                || henries.isEmpty()
                || eddy.isEmpty()
                || resonance.isEmpty()
                || peak.isEmpty()
                || quality.isEmpty()) {
            return Optional.empty();
        }
        try {
            return Optional.of(new Speaker.Modelled(
                    coil.get(), henries.get(), eddy.get(), resonance.get(), peak.get(), quality.get()));
        } catch (IllegalArgumentException impossible) {
            complaints.add(LoadFields.COIL_OHMS.name(), "Speaker " + SPEAKER + ": " + impossible.getMessage() + ".");
            return Optional.empty();
        }
    }
}
