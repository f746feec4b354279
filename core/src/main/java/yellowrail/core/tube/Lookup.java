package yellowrail.core.tube;

import java.util.List;

/** What a typed tube name led to. */
public sealed interface Lookup {
    /** Exactly one type. */
    record Found(TubeType type) implements Lookup {}

    /** A family name: its ratings differ, so the builder says which variant is fitted. */
    record WhichVariant(String family, List<TubeType> variants) implements Lookup {}

    /** A close relative of a catalogue type, which is not an equivalent. */
    record Relative(String name, TubeType of, String difference) implements Lookup {}

    /** Not in the catalogue; names that begin alike, if any. */
    record Unknown(String name, List<TubeType> near) implements Lookup {}
}
