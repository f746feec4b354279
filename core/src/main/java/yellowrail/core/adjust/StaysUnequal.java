package yellowrail.core.adjust;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.reading.Show;

/** Tubes on one control that no turn makes alike. */
final class StaysUnequal {
    private StaysUnequal() {}

    /** What stays unequal when all these move together by this factor. */
    static List<String> of(AmpDescription amp, List<TubeNow> moved, double factor) {
        Optional<TubeNow> hottest = moved.stream().max(Comparator.comparingDouble(TubeNow::share));
        Optional<TubeNow> coldest = moved.stream().min(Comparator.comparingDouble(TubeNow::share));
        if (moved.size() < 2 || hottest.equals(coldest) || !moved.stream().allMatch(TubeNow::alone)) {
            return List.of();
        }
        double apart = 1 - coldest.get().share() / hottest.get().share();
        if (apart < 0.03) {
            return List.of();
        }
        return List.of(coldest.get().socket().name() + " stays about " + Show.fixed(100 * apart, 0) + " % colder than "
                + hottest.get().socket().name() + ", near "
                + Show.plain(100 * coldest.get().share() * factor, 3) + " %" + ": "
                + (amp.bias().controls() == ControlLayout.PER_TUBE
                        ? "it has a control of its own."
                        : "no control of this amp moves it alone. Pairing the tubes anew would."));
    }
}
