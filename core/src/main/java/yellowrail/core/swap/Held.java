package yellowrail.core.swap;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import yellowrail.core.reading.Show;
import yellowrail.core.stage.AgainstRating;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.PublishedLimit;
import yellowrail.core.tube.Ratings;

/**
 * A computed figure held against one limit of every publication.
 *
 * @param limit which
 * @param value in the unit of the limit
 * @param present the same figure with the present tubes
 * @param band of the value, share to either side; infinite where nothing tells it
 * @param highestMains whether it is the one at highest mains, where design-centre limits allow for the line
 * @param where at what, in words
 * @param formula how it is worked out
 */
record Held(
        PublishedLimit limit,
        double value,
        double present,
        double band,
        boolean highestMains,
        String where,
        String formula) {
    /** One publication's word on one figure. */
    private record Judged(Held held, Ratings edition, Figure figure, double most, AgainstRating against) {
        SwapVerdict verdict() {
            return switch (against) {
                case OVER -> SwapVerdict.FAIL;
                case NEAR, UNKNOWN -> SwapVerdict.UNKNOWN;
                case OPEN -> figure.toBeVerified() ? SwapVerdict.NOTE : SwapVerdict.PASS;
            };
        }

        double share() {
            return held.value / most;
        }
    }

    /** The worst of these, as a row; every limit among them is judged. */
    static SwapRow row(Criterion criterion, SwapCandidate candidate, List<Held> all) {
        List<SwapRow> rows = all.stream()
                .map(Held::limit)
                .distinct()
                .map(l -> of(
                        criterion,
                        candidate,
                        all.stream().filter(h -> h.limit == l).toList()))
                .toList();
        return rows.stream()
                .max(Comparator.comparing(SwapRow::verdict)
                        .thenComparingDouble(r -> Double.isNaN(r.share()) ? 0 : r.share()))
                .orElseThrow();
    }

    private static SwapRow of(Criterion criterion, SwapCandidate candidate, List<Held> all) {
        PublishedLimit limit = all.get(0).limit;
        Held largest = all.stream().max(Comparator.comparingDouble(Held::value)).orElseThrow();
        List<Judged> judged = new ArrayList<>();
        for (Ratings edition : candidate.editions()) {
            limit.in(edition).ifPresent(f -> all.forEach(h -> judged.add(h.judged(edition, f))));
        }
        if (judged.isEmpty()) {
            return unlimited(criterion, candidate, largest);
        }
        Judged worst = judged.stream()
                .max(Comparator.comparing(Judged::verdict).thenComparingDouble(Judged::share))
                .orElseThrow();
        return new SwapRow(
                criterion,
                worst.verdict(),
                worst.held.shown(worst.held.value),
                limit(worst),
                worst.share(),
                worst.held.sentence(worst),
                "",
                worst.held.formula);
    }

    private Judged judged(Ratings edition, Figure figure) {
        double most = figure.value() * (highestMains ? edition.system().allowanceAtHighestMains(limit.unit()) : 1);
        return new Judged(this, edition, figure, most, AgainstRating.of(value, most, band));
    }

    private static SwapRow unlimited(Criterion criterion, SwapCandidate candidate, Held largest) {
        boolean none =
                !candidate.editions().isEmpty() && candidate.editions().stream().noneMatch(largest.limit::unknownIn);
        boolean noted = none || largest.limit == Limit.CATHODE_AMPERES || largest.limit == DriveLimit.PEAK_PLATE_VOLTS;
        String what = largest.limit.words() + " of the " + candidate.type().designation();
        return new SwapRow(
                criterion,
                noted ? SwapVerdict.NOTE : SwapVerdict.UNKNOWN,
                largest.shown(largest.value),
                none ? "none published" : "not known",
                Double.NaN,
                (none ? "No limit is published for the " : "No published limit is known here for the ") + what + ": "
                        + largest.shown(largest.value) + " " + largest.where + ", "
                        + largest.shown(largest.present) + " with the present tubes.",
                noted ? "" : "Enter it from the maker's sheet on the type's page.",
                largest.formula);
    }

    private String sentence(Judged j) {
        String percent = Show.fixed(100 * j.share(), 0) + " % of " + limit(j);
        String figures = upper(shown(value) + " " + where + ", " + percent);
        return switch (j.against) {
            case OVER ->
                figures + ": over it by " + shown(value - j.most) + "; with the present tubes " + shown(present) + ".";
            case NEAR, UNKNOWN ->
                figures + ": "
                        + (Double.isInfinite(band)
                                ? "not told, the model is not fitted near these volts."
                                : "too close to call, the limit lies inside the model's ±" + Show.plain(100 * band, 2)
                                        + " %.");
            case OPEN ->
                figures + "."
                        + (j.figure.toBeVerified() ? " That limit is to be verified with the maker's sheet." : "");
        };
    }

    private static String upper(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    private static String limit(Judged j) {
        boolean allowing = j.most > j.figure.value();
        return j.held.shown(j.most) + " ("
                + (allowing
                        ? j.held.plain(j.figure.value()) + " "
                                + j.edition.system().words() + ", which allows for the line"
                        : j.edition.system().words())
                + ")";
    }

    private String shown(double figure) {
        return Show.si(figure, limit.unit(), 3);
    }

    private String plain(double figure) {
        return Show.siPlain(figure, limit.unit(), 3);
    }
}
