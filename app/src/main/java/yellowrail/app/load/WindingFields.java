package yellowrail.app.load;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.app.forms.FieldErrors;
import yellowrail.core.load.Windings;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;

/** Copper, inductance and ratings of a transformer as typed. */
final class WindingFields {
    private static final String HALF_B = "halfB";

    private static final Map<String, Field> FIELDS = Map.of(
            "halfA",
            copper("the winding's ohms", 0.1, 20e3),
            HALF_B,
            copper("the other half's ohms", 0.1, 20e3),
            "secondaryDc",
            copper("the secondary's ohms", 0.01, 100),
            "henries",
            Field.of("the primary's inductance", Unit.HENRY, Prefix.NONE, 0.5, 2000)
                    .aboveZero(),
            "coreDc",
            Field.of("the core's direct current", Unit.AMPERE, Prefix.MILLI, 0.1e-3, 2)
                    .aboveZero(),
            "ratedWatts",
            Field.of("the rated power", Unit.WATT, Prefix.NONE, 0.1, 1000).aboveZero(),
            "ratedHertz",
            Field.of("the lowest frequency for it", Unit.HERTZ, Prefix.NONE, 5, 1000)
                    .aboveZero());

    static final List<String> NAMES =
            List.of("halfA", HALF_B, "secondaryDc", "henries", "coreDc", "ratedWatts", "ratedHertz");

    private WindingFields() {}

    private static Field copper(String what, double low, double high) {
        return Field.of(what, Unit.OHM, Prefix.NONE, low, high).aboveZero();
    }

    /** What the core carries at its lowest rated frequency. */
    record Rated(double watts, double hertz) {}

    /**
     * @param primaryHenries inductance of the whole primary, H
     * @param coreAmperes direct current the core is rated for, A; push-pull: the difference of the sides
     */
    record Read(
            Windings windings, Optional<Double> primaryHenries, Optional<Double> coreAmperes, Optional<Rated> rated) {}

    static Read read(LoadForm form, boolean pushPull, FieldErrors complaints) {
        if (!pushPull && !form.blank(HALF_B)) {
            complaints.add(HALF_B, "A single-ended primary has no halves: type the whole of it, plate to B+.");
        }
        Optional<Double> watts = value("ratedWatts", form, complaints);
        Optional<Double> hertz = value("ratedHertz", form, complaints);
        if (form.blank("ratedWatts") != form.blank("ratedHertz")) {
            complaints.add(
                    form.blank("ratedWatts") ? "ratedWatts" : "ratedHertz",
                    "Rated power and the lowest frequency for it belong together: this one is missing.");
        }
        return new Read(
                new Windings(
                        pushPull,
                        value("halfA", form, complaints),
                        pushPull ? value(HALF_B, form, complaints) : Optional.empty(),
                        value("secondaryDc", form, complaints)),
                value("henries", form, complaints),
                value("coreDc", form, complaints),
                watts.flatMap(w -> hertz.map(f -> new Rated(w, f))));
    }

    private static Optional<Double> value(String name, LoadForm form, FieldErrors complaints) {
        return form.blank(name)
                ? Optional.empty()
                : complaints.quantity(name, form.text(name), FIELDS.get(name)).map(Typed::value);
    }
}
