package yellowrail.app.swap;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import yellowrail.app.forms.FieldSpec;
import yellowrail.core.swap.Criterion;

/**
 * A criterion with the fields that answer it.
 *
 * @param id its name for addresses and scripts
 */
record AskedOf(String id, String title, List<FieldSpec<?>> fields) {
    /** All criteria in the order of the sheet. */
    static List<AskedOf> all() {
        return Arrays.stream(Criterion.values())
                .map(c -> new AskedOf(id(c), c.title(), SwapFields.of(c)))
                .toList();
    }

    static String id(Criterion criterion) {
        return criterion.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
