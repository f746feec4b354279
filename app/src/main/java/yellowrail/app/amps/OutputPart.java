package yellowrail.app.amps;

import java.util.List;
import yellowrail.core.amp.OutputTransformer;
import yellowrail.core.reading.Field;
import yellowrail.core.reading.Prefix;
import yellowrail.core.reading.Unit;

/** The output transformer of each channel. */
record OutputPart(PartReader in) {
    static final List<AmpField> FIELDS = List.of(AmpField.text("zaa", "Reflected load, plate to plate, Ω"));

    private static final Field LOAD_OHMS =
            Field.of("a reflected load", Unit.OHM, Prefix.NONE, 200, 50e3).aboveZero();

    OutputTransformer read() {
        return new OutputTransformer(in.value("zaa", LOAD_OHMS));
    }

    static AmpForm write(OutputTransformer output, AmpForm form) {
        return form.with("zaa", PartReader.number(output.plateToPlateOhms()));
    }
}
