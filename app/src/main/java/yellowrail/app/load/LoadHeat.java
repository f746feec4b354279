package yellowrail.app.load;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import yellowrail.app.pictures.FrequencyPlot;
import yellowrail.app.pictures.LogPlot;
import yellowrail.app.stage.StageEngine;
import yellowrail.app.stage.TubeFacts;
import yellowrail.core.amp.Duty;
import yellowrail.core.judging.At;
import yellowrail.core.load.FrequencyFigures;
import yellowrail.core.load.HeatOverFrequency;
import yellowrail.core.load.Instrument;
import yellowrail.core.load.LoadWords;
import yellowrail.core.load.OverFrequency;
import yellowrail.core.load.SpeakerOnTap;
import yellowrail.core.load.Wiring;
import yellowrail.core.reading.Show;
import yellowrail.core.stage.Heat;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.PublishedLimit;

/** Speakers over frequency, and what a stage does into them; what was computed is remembered by its content. */
@Component
public class LoadHeat {
    private static final int POINTS = 40;
    private static final int DRAWN = 240;
    private static final double LOW = 20;
    private static final double HIGH = 20_000;
    private static final int REMEMBERED = 200;
    private static final double NEAR_NOMINAL = 0.2;

    private static final List<PublishedLimit> JUDGED =
            List.of(Limit.PLATE_WATTS, DriveLimit.SCREEN_WATTS, DriveLimit.PEAK_PLATE_VOLTS);

    private record Key(StageSetting setting, SpeakerOnTap load) {}

    private final Cache<Key, HeatOverFrequency> computed =
            Caffeine.newBuilder().maximumSize(REMEMBERED).build();

    private final StageEngine engine;

    LoadHeat(StageEngine engine) {
        this.engine = engine;
    }

    /** The speakers' impedance, and beside it what the primary sees of them, without the stage. */
    static LoadView.Frequencies impedance(SpeakerOnTap load, double tap, Instrument band) {
        Wiring speakers = load.speakers();
        double square = load.turns() * load.turns();
        List<double[]> points = new ArrayList<>();
        List<double[]> seen = new ArrayList<>();
        for (double f : HeatOverFrequency.spread(LOW, HIGH, DRAWN)) {
            if (!measured(speakers, f)) {
                continue;
            }
            points.add(new double[] {f, speakers.at(f).norm()});
            seen.add(new double[] {f, load.at(f).norm() / square});
        }
        OptionalDouble least = points.stream()
                .filter(p -> p[0] >= band.lowHertz() && p[0] <= band.highHertz())
                .mapToDouble(p -> p[1])
                .min();
        LogPlot plot = new LogPlot(LOW, HIGH, 2 * tap, points);
        List<FrequencyPlot.Curve> curves = new ArrayList<>();
        curves.add(new FrequencyPlot.Curve("speakers, Ω", "plate", plot.path(points)));
        if (load.primaryHenries().isPresent()) {
            curves.add(new FrequencyPlot.Curve("with the primary's inductance beside them", "screen", plot.path(seen)));
        }
        return new LoadView.Frequencies(
                new FrequencyPlot(
                        plot.axis(),
                        band.words(),
                        plot.x(band.lowHertz()),
                        plot.x(band.highHertz()),
                        curves,
                        plot.y(tap),
                        Show.plain(tap, 4) + " Ω tap, " + LoadWords.plainOhms(square * tap) + " at the primary"),
                (least.isPresent()
                                ? "Lowest in the band of a " + band.words() + ": "
                                        + Show.significant(least.getAsDouble(), 2) + " Ω. "
                                : "Nothing was measured in the band of a " + band.words() + ". ")
                        + near(points, speakers.nominalOhms()) + " The primary sees " + Show.significant(square, 3)
                        + " times these ohms.",
                uncovered(speakers, band).stream().map(LoadHeat::caution).toList());
    }

    /** Beyond a measured curve's ends nothing is drawn and nothing said. */
    private static boolean measured(Wiring speakers, double hertz) {
        return speakers.notMeasuredOver(hertz, hertz).isEmpty();
    }

    /** The widest stretch in which the impedance is near the marking. */
    private static String near(List<double[]> points, double nominal) {
        double from = 0;
        double to = 0;
        double start = Double.NaN;
        for (double[] p : points) {
            boolean near = Math.abs(p[1] / nominal - 1) <= NEAR_NOMINAL;
            start = near ? (Double.isNaN(start) ? p[0] : start) : Double.NaN;
            if (near && p[0] / start > (from > 0 ? to / from : 1)) {
                from = start;
                to = p[0];
            }
        }
        String nominally = Show.significant(nominal, 2) + " Ω";
        return from > 0
                ? "Within 20 % of " + nominally + " from " + hertz(from) + " to " + hertz(to) + " Hz."
                : "Nowhere within 20 % of " + nominally + ".";
    }

    /**
     * Heat over frequency with what is to be known of it.
     *
     * @param duty what is played
     * @param heat at this mains, with the grid supply as it is where that is known
     * @param points of it, as far as the speakers were measured
     * @param judged plate, screen and peak at their gravest in the band, whatever the bias can turn out to be
     * @param cautions what hides a hotter point, in sentences
     */
    public record Heated(
            Duty duty,
            HeatOverFrequency heat,
            List<HeatOverFrequency.Point> points,
            List<OverFrequency> judged,
            List<String> cautions) {
        /** The hottest around one frequency while this is played, idle included. */
        public Heat at(HeatOverFrequency.Point point) {
            return heat.hottest(point, duty);
        }
    }

    Heated heated(StageSetting setting, LoadEffects.Judge judge, HeatedLoad load, Instrument band) {
        ModelTrust.Bands bands = judge.facts().orElseThrow().bands(engine.picture(setting, judge.highest()));
        List<FrequencyFigures> outcomes = setting.outcomes().parallelStream()
                .map(o -> figures(o, judge.highest(), load, band, bands))
                .toList();
        HeatOverFrequency here = heat(setting.outcomes().get(0), load.onTap());
        return new Heated(
                setting.duty(),
                here,
                here.points().stream()
                        .filter(p -> measured(load.speakers(), p.hertz()))
                        .toList(),
                JUDGED.stream()
                        .filter(limit -> outcomes.get(0).of(limit, At.NOW).isPresent())
                        .map(limit -> OverFrequency.of(
                                limit,
                                setting.duty(),
                                outcomes,
                                judge.facts().get().judge(),
                                uncovered(load.speakers(), band).isEmpty()))
                        .toList(),
                cautions(outcomes, load, band));
    }

    /** The same as a picture, in per cent of the ratings. */
    LoadView.Frequencies heat(StageSetting setting, LoadEffects.Judge judge, HeatedLoad load, Instrument band) {
        TubeFacts facts = judge.facts().orElseThrow();
        Heated heat = heated(setting, judge, load, band);
        List<FrequencyPlot.Curve> curves = new ArrayList<>();
        List<double[]> plate = drawn(heat, h -> 100 * h.plateWatts() / facts.plateWatts());
        List<double[]> screen = Double.isNaN(facts.screenWatts())
                ? List.of()
                : drawn(heat, h -> 100 * h.screenWatts() / facts.screenWatts());
        List<double[]> all = new ArrayList<>(plate);
        all.addAll(screen);
        LogPlot plot = new LogPlot(LOW, HIGH, 120, all);
        curves.add(new FrequencyPlot.Curve(
                "plate, % of " + Show.plain(facts.plateWatts(), 3) + " W", "plate", plot.path(plate)));
        if (!screen.isEmpty()) {
            curves.add(new FrequencyPlot.Curve(
                    "screen, % of " + Show.plain(facts.screenWatts(), 3) + " W", "screen", plot.path(screen)));
        }
        return new LoadView.Frequencies(
                new FrequencyPlot(
                        plot.axis(),
                        band.words(),
                        plot.x(band.lowHertz()),
                        plot.x(band.highHertz()),
                        curves,
                        plot.y(100),
                        "rating"),
                HeatWords.drawn(heat),
                Stream.concat(
                                heat.cautions().stream().map(LoadHeat::caution),
                                heat.judged().stream().flatMap(HeatWords::lines))
                        .toList());
    }

    private HeatOverFrequency heat(StageSetting setting, SpeakerOnTap load) {
        return computed.get(
                new Key(setting, load),
                k -> HeatOverFrequency.of(
                        setting.stage(), setting.duty(), load, HeatOverFrequency.frequencies(load, LOW, HIGH, POINTS)));
    }

    /** Only where the load differs it is solved again. */
    private HeatOverFrequency into(HeatOverFrequency heat, StageSetting setting, SpeakerOnTap other) {
        return computed.get(new Key(setting, other), k -> heat.into(setting.stage(), setting.duty(), other));
    }

    private FrequencyFigures figures(
            StageSetting setting, double highest, HeatedLoad load, Instrument band, ModelTrust.Bands bands) {
        FrequencyFigures figures = new FrequencyFigures(band, bands, setting.duty());
        Map<At, Double> mains = new EnumMap<>(Map.of(At.NOW, setting.mains(), At.HIGHEST, highest));
        if (setting.mains() < 1) {
            mains.put(At.NOMINAL, 1.0);
        }
        mains.entrySet().parallelStream()
                .map(e -> at(setting.mains(e.getValue()), load, e.getKey()))
                .toList()
                .forEach(e -> e.accept(figures));
        return figures;
    }

    private Consumer<FrequencyFigures> at(StageSetting setting, HeatedLoad load, At at) {
        HeatOverFrequency heat = heat(setting, load.onTap());
        List<HeatOverFrequency> others =
                load.others().stream().map(other -> into(heat, setting, other)).toList();
        return figures -> figures.with(at, setting.mains(), heat, others);
    }

    private static List<double[]> drawn(Heated heat, ToDoubleFunction<Heat> figure) {
        return heat.points().stream()
                .map(p -> new double[] {p.hertz(), figure.applyAsDouble(heat.at(p))})
                .toList();
    }

    private static List<String> cautions(List<FrequencyFigures> outcomes, HeatedLoad load, Instrument band) {
        List<String> cautions = new ArrayList<>();
        uncovered(load.speakers(), band).ifPresent(cautions::add);
        load.inductance().assumption().ifPresent(cautions::add);
        outcomes.stream()
                .mapToInt(FrequencyFigures::unsolved)
                .filter(count -> count > 0)
                .max()
                .ifPresent(count -> cautions.add(
                        count + " frequencies could not be computed: the hottest point may lie among them."));
        return cautions;
    }

    private static LoadView.RemarkLine caution(String sentence) {
        return new LoadView.RemarkLine("caution", "warm", sentence);
    }

    /** A curve that ends within the band hides what lies beyond its end: a resonance below, a rise above. */
    private static Optional<String> uncovered(Wiring speakers, Instrument band) {
        return speakers.notMeasuredOver(band.lowHertz(), band.highHertz()).stream()
                .findFirst()
                .map(first ->
                        "The curve of " + first.name() + " does not reach over the band of a " + band.words() + ", "
                                + hertz(band.lowHertz()) + " to " + hertz(band.highHertz())
                                + " Hz: beyond its ends its last figure stands, and a resonance or a rise there is not seen. Measure it"
                                + " over the whole band before you trust what is computed here.");
    }

    private static String hertz(double hertz) {
        return Show.plain(hertz, 2);
    }
}
