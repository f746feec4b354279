package yellowrail.app.tubes;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.Pinout;
import yellowrail.core.tube.RatingSystem;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeKind;
import yellowrail.core.tube.TubeType;
import yellowrail.core.tube.WithSignal;

/**
 * A tube type as typed; blank is unknown.
 *
 * @param none names of the {@link Limit}s that the sheet does not give
 */
public record TypeForm(
        String designation,
        String aliases,
        String kind,
        String source,
        String system,
        String plateWatts,
        String screenWatts,
        String combinedWatts,
        String plateVolts,
        String screenVolts,
        String cathodeAmperes,
        String gridFixed,
        String gridCathode,
        String heaterVolts,
        String heaterAmperes,
        String share,
        String band,
        List<String> none,
        String transconductance,
        String base,
        String pins,
        String cap,
        String peakPlateVolts,
        String signalScreenWatts) {
    public TypeForm {
        none = none == null ? List.of() : List.copyOf(none);
        // Those who write forms of their own may not know the later fields.
        peakPlateVolts = peakPlateVolts == null ? "" : peakPlateVolts;
        signalScreenWatts = signalScreenWatts == null ? "" : signalScreenWatts;
    }

    static TypeForm empty() {
        return new TypeForm(
                "",
                "",
                TubeKind.UNKNOWN.name(),
                "",
                "UNSTATED",
                "",
                "",
                "",
                "",
                "",
                "",
                "",
                "",
                "6.3",
                "",
                "",
                "",
                List.of(),
                "",
                "",
                "",
                "",
                "",
                "");
    }

    /** The entry as it stands, with its strictest publication, to be corrected. */
    static TypeForm of(TubeType type) {
        Optional<Ratings> r = type.strictest();
        return new TypeForm(
                type.designation(),
                String.join(", ", type.aliases()),
                type.kind().name(),
                "",
                r.map(Ratings::system).orElse(RatingSystem.UNSTATED).name(),
                text(r.flatMap(Ratings::plateWatts), 1),
                text(r.flatMap(Ratings::screenWatts), 1),
                text(r.flatMap(Ratings::combinedWatts), 1),
                text(r.flatMap(Ratings::plateVolts), 1),
                text(r.flatMap(Ratings::screenVolts), 1),
                text(r.flatMap(Ratings::cathodeAmperes), 1000),
                text(r.flatMap(Ratings::gridOhmsFixedBias), 1),
                text(r.flatMap(Ratings::gridOhmsCathodeBias), 1),
                text(type.heaterVolts(), 1),
                text(type.heaterAmperes(), 1),
                type.screenShare().map(s -> plain(100 * s.share())).orElse(""),
                type.screenShare().map(s -> plain(100 * s.band())).orElse(""),
                r.map(TypeForm::none).orElse(List.of()),
                text(type.transconductance(), 1000),
                type.pinout().map(p -> PinsText.word(p.base())).orElse(""),
                type.pinout().map(PinsText::of).orElse(""),
                type.pinout().flatMap(Pinout::cap).map(PinsText::word).orElse(""),
                text(r.map(Ratings::withSignal).flatMap(WithSignal::peakPlateVolts), 1),
                text(r.map(Ratings::withSignal).flatMap(WithSignal::screenWatts), 1));
    }

    private static List<String> none(Ratings ratings) {
        return Arrays.stream(Limit.values())
                .filter(l -> ratings.nonePublished().contains(l))
                .map(Limit::name)
                .toList();
    }

    private static String text(Optional<Figure> figure, double scale) {
        return figure.map(f -> plain(f.value() * scale)).orElse("");
    }

    private static String plain(double value) {
        return Show.plain(value, 6);
    }
}
