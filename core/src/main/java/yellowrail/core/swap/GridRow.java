package yellowrail.core.swap;

import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.swap.Chassis.GridCircuit;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.OtherLimit;
import yellowrail.core.tube.Ratings;

/** Resistance in the grid circuit against the candidate's limit: too much of it and grid current runs away with the bias. */
final class GridRow {
    private GridRow() {}

    static SwapRow of(SwapQuestion question, Optional<SolvedStage> after) {
        boolean cathode = question.cathodeBias();
        String scheme = cathode ? "with cathode bias" : "with fixed bias";
        SwapCandidate candidate = question.candidate();
        Optional<Figure> limit = candidate.editions().stream()
                .flatMap(e -> of(e, cathode).stream())
                .reduce((a, b) -> a.value() <= b.value() ? a : b);
        GridCircuit grid = question.chassis().part(GridCircuit.class);
        // Tubes of different sides cannot share one; parallel ones may.
        boolean alone = question.present().tubesOnASide() == 1;
        int now = grid.tubes().orElse(1);
        int sharing = Math.max(1, (int)
                Math.ceil(now * (double) candidate.tubes() / question.present().tubes()));
        String shared = sharing > 1
                ? "; the current of " + sharing + " tubes flows in one resistor, which counts as " + sharing
                        + " times its ohms"
                : "";
        if (limit.isEmpty()) {
            return SwapRow.of(
                            Criterion.GRID_CIRCUIT,
                            SwapVerdict.UNKNOWN,
                            "How much resistance the grid of the "
                                    + candidate.type().designation() + " stands " + scheme + " is not known here.")
                    .figures(grid.ohms().map(o -> ohms(o * sharing)).orElse(""), "not known", Double.NaN)
                    .mend("Enter it from the maker's sheet on the type's page.");
        }
        if (grid.ohms().isEmpty()) {
            return SwapRow.of(
                            Criterion.GRID_CIRCUIT,
                            SwapVerdict.UNKNOWN,
                            "The grid resistor is not answered; the "
                                    + candidate.type().designation() + " stands "
                                    + ohms(limit.get().value()) + " " + scheme + shared + ".")
                    .figures("not answered", ohms(limit.get().value()), Double.NaN)
                    .mend("Measure from grid to bias supply, amp off and drained.");
        }
        if (grid.tubes().isEmpty() && !alone) {
            return SwapRow.of(
                            Criterion.GRID_CIRCUIT,
                            SwapVerdict.UNKNOWN,
                            "Whether the tubes of a side share the "
                                    + ohms(grid.ohms().get())
                                    + " is not answered: shared by two it counts twice; the "
                                    + candidate.type().designation() + " stands "
                                    + ohms(limit.get().value()) + " "
                                    + scheme + ".")
                    .figures("not answered", ohms(limit.get().value()), Double.NaN)
                    .mend("Say how many tubes hang on it.");
        }
        double seen = grid.ohms().get() * sharing;
        Optional<GridOhmsAbove> falls = GridOhmsAbove.of(candidate.type());
        if (falls.isPresent() && falls.get().ohms(cathode) < limit.get().value()) {
            SwapVerdict hot = falls.get().verdict(seen, cathode, after, question.duty());
            if (hot != SwapVerdict.PASS) {
                return falling(falls.get(), hot, seen, question, after)
                        .mend(less(falls.get().ohms(cathode) / sharing));
            }
        }
        double most = limit.get().value();
        boolean over = seen > most * (1 + 1e-9);
        boolean verify = limit.get().toBeVerified();
        return SwapRow.of(
                        Criterion.GRID_CIRCUIT,
                        over ? SwapVerdict.FAIL : verify ? SwapVerdict.NOTE : SwapVerdict.PASS,
                        ohms(seen) + " of " + ohms(most) + " " + scheme + shared + "."
                                + (verify ? " That limit is to be verified with the maker's sheet." : ""))
                .figures(ohms(seen), ohms(most), seen / most)
                .mend(over ? less(most / sharing) : "")
                .formula(sharing > 1 ? ohms(grid.ohms().get()) + " · " + sharing + " tubes" : "");
    }

    private static SwapRow falling(
            GridOhmsAbove falls, SwapVerdict verdict, double seen, SwapQuestion question, Optional<SolvedStage> after) {
        boolean cathode = question.cathodeBias();
        double most = falls.ohms(cathode);
        String heat = after.map(a -> Show.si(GridOhmsAbove.watts(a, question.duty()), Unit.WATT, 3)
                        + " of plate and screen, highest average")
                .orElse("how hot plate and screen get is not computed");
        return SwapRow.of(
                        Criterion.GRID_CIRCUIT,
                        verdict,
                        ohms(seen) + "; above " + Show.siPlain(falls.watts(), Unit.WATT, 3)
                                + " of plate and screen the limit falls to " + ohms(most)
                                + (cathode ? " with cathode bias" : " with fixed bias") + "; " + heat + ".")
                .figures(ohms(seen), ohms(most), seen / most);
    }

    private static String less(double ohms) {
        return "At most " + ohms(ohms)
                + " there; the stage before then sees a heavier load and may need a larger coupling capacitor.";
    }

    private static Optional<Figure> of(Ratings edition, boolean cathode) {
        return edition.figure(cathode ? OtherLimit.GRID_OHMS_CATHODE_BIAS : OtherLimit.GRID_OHMS_FIXED_BIAS);
    }

    private static String ohms(double ohms) {
        return Show.siPlain(ohms, Unit.OHM, 3);
    }
}
