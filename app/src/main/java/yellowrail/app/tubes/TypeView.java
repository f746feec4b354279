package yellowrail.app.tubes;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.tube.Correction;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeType;
import yellowrail.core.tube.WithSignal;

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
        rows.add(row("plate dissipation", type, Limit.PLATE_WATTS));
        rows.add(row("screen dissipation", type, Limit.SCREEN_WATTS));
        rows.add(row("plate plus screen", type, Limit.COMBINED_WATTS));
        rows.add(row("plate volts, DC", type, Limit.PLATE_VOLTS));
        rows.add(row("screen volts, DC", type, Limit.SCREEN_VOLTS));
        rows.add(row("cathode current, DC", type, Limit.CATHODE_AMPERES));
        rows.add(row("grid circuit, fixed bias", type, Ratings::gridOhmsFixedBias, Unit.OHM));
        rows.add(row("grid circuit, cathode bias", type, Ratings::gridOhmsCathodeBias, Unit.OHM));
        given(type, WithSignal::screenWatts, DriveLimit.SCREEN_WATTS).ifPresent(rows::add);
        given(type, WithSignal::peakPlateVolts, DriveLimit.PEAK_PLATE_VOLTS).ifPresent(rows::add);
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

    private static Row row(String name, TubeType type, Limit limit) {
        boolean applies = type.hasScreen() || !limit.ofScreen();
        return new Row(
                name,
                type.ratings().stream()
                        .map(r -> applies
                                ? Correction.words(r, limit)
                                        + (r.figure(limit)
                                                        .filter(Figure::toBeVerified)
                                                        .isPresent()
                                                ? " (verify)"
                                                : "")
                                : "not applicable")
                        .toList());
    }

    private static Row row(String name, TubeType type, Function<Ratings, Optional<Figure>> of, Unit unit) {
        return new Row(
                name, type.ratings().stream().map(r -> text(of.apply(r), unit)).toList());
    }

    /** A limit with signal, which is shown where a publication gives it. */
    private static Optional<Row> given(TubeType type, Function<WithSignal, Optional<Figure>> of, DriveLimit limit) {
        return type.ratings().stream().anyMatch(r -> of.apply(r.withSignal()).isPresent())
                ? Optional.of(row(limit.words(), type, r -> of.apply(r.withSignal()), limit.unit()))
                : Optional.empty();
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
