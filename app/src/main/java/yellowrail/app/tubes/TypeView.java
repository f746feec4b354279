package yellowrail.app.tubes;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Correction;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.PublishedLimit;
import yellowrail.core.tube.PublishedLimits;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;

/** A catalogue entry as rows of words and figures; unknown stays "not known". */
record TypeView(
        String designation,
        String subtitle,
        List<String> editions,
        List<Row> rows,
        List<Row> more,
        boolean own,
        List<String> differences) {
    /** One property; one value for each edition. */
    record Row(String name, List<String> values) {}

    static TypeView of(TubeType type) {
        List<Row> rows = new ArrayList<>();
        PublishedLimits.ALL.stream().filter(l -> shown(l, type)).forEach(l -> rows.add(row(type, l)));
        List<Row> more = new ArrayList<>();
        more.add(new Row(
                "heater",
                List.of(text(type.heaterVolts(), Unit.VOLT) + ", " + text(type.heaterAmperes(), Unit.AMPERE))));
        more.add(new Row(
                "usual screen share of cathode current",
                List.of(
                        type.hasScreen()
                                ? type.screenShare()
                                        .map(s -> Show.plain(100 * s.share(), 3) + " ± " + Show.plain(100 * s.band(), 2)
                                                + " %")
                                        .orElse("not known")
                                : "not applicable")));
        type.transconductance()
                .ifPresent(gm -> more.add(new Row("transconductance", List.of(text(Optional.of(gm), Unit.SIEMENS)))));
        more.add(new Row(
                "base",
                List.of(type.pinout()
                        .map(p -> p.base().words() + " " + p.code())
                        .orElse("not known"))));
        more.add(new Row(
                "envelope, diameter and height",
                List.of(mm(type.envelope().diameterMm()) + ", "
                        + mm(type.envelope().overallMm()))));
        type.related().forEach((name, difference) -> more.add(new Row("not the same: " + name, List.of(difference))));
        return new TypeView(
                type.designation(),
                (type.aliases().isEmpty() ? "" : "same as " + String.join(", ", type.aliases()) + "; ")
                        + type.construction()
                        + (type.own() ? "; own entry: " + type.origin() : "; " + type.origin()),
                type.ratings().stream()
                        .map(r -> r.edition().startsWith(r.system().words())
                                ? r.edition()
                                : r.edition() + " (" + r.system().words() + ")")
                        .toList(),
                rows,
                more,
                type.own(),
                Correction.differences(type));
    }

    /** A limit with signal is shown where a publication gives it. */
    private static boolean shown(PublishedLimit limit, TubeType type) {
        return !(limit instanceof DriveLimit)
                || type.ratings().stream().anyMatch(r -> r.figure(limit).isPresent());
    }

    private static Row row(TubeType type, PublishedLimit limit) {
        boolean applies = type.hasScreen() || !limit.ofScreen();
        return new Row(
                limit.label(),
                type.ratings().stream()
                        .map(r -> applies ? words(r, limit) : "not applicable")
                        .toList());
    }

    private static String words(Ratings ratings, PublishedLimit limit) {
        return limit.printed().declared()
                ? Correction.words(ratings, limit)
                        + (ratings.figure(limit).filter(Figure::toBeVerified).isPresent() ? " (verify)" : "")
                : text(ratings.figure(limit), limit.unit());
    }

    private static String text(Optional<Figure> figure, Unit unit) {
        return figure.map(f -> Show.siPlain(f.value(), unit, 3) + (f.toBeVerified() ? " (verify)" : ""))
                .orElse("not known");
    }

    private static String mm(Optional<Figure> figure) {
        return figure.map(f -> Show.plain(f.value(), 3) + " mm" + (f.toBeVerified() ? " (verify)" : ""))
                .orElse("not known");
    }
}
