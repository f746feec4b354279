package yellowrail.app.amps;

import java.util.List;
import java.util.Optional;
import yellowrail.app.forms.FieldSpec;
import yellowrail.core.amp.OutputTransformer;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Unit;

/** The output transformer of each channel. */
record OutputPart(PartReader in) {
    private static final Field LOAD_OHMS =
            Field.of("a reflected load", Unit.OHM, Prefix.NONE, 200, 50e3).aboveZero();

    static final FieldSpec<Optional<Double>> LOAD =
            PartReader.quantity("zaa", "Reflected load, plate to plate, Ω", "not known", LOAD_OHMS);

    static final List<FieldSpec<?>> FIELDS = List.of(LOAD);

    OutputTransformer read() {
        return new OutputTransformer(in.read(LOAD));
    }

    static AmpForm write(OutputTransformer output, AmpForm form) {
        return form.with(LOAD, output.plateToPlateOhms());
    }
}
