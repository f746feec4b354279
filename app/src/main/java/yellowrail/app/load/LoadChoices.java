package yellowrail.app.load;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import org.springframework.stereotype.Component;
import yellowrail.app.pictures.FrequencyPlot;
import yellowrail.app.pictures.LogPlot;
import yellowrail.app.stage.JudgedRow;
import yellowrail.app.stage.StageEngine;
import yellowrail.core.load.Instrument;
import yellowrail.core.load.Lead;
import yellowrail.core.load.LoadChoice;
import yellowrail.core.load.LoadMap;
import yellowrail.core.load.LoadWords;
import yellowrail.core.load.Wiring;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.stage.StageSetting;

/** Which load these tubes would like, by what a builder wishes for, and how to get it from what is at hand. */
@Component
class LoadChoices {
    /** A cell of the map within this of a load stands for it, share. */
    private static final double SAME_LOAD = 0.1;

    private final StageEngine engine;
    private final LoadEffects effects;

    LoadChoices(StageEngine engine, LoadEffects effects) {
        this.engine = engine;
        this.effects = effects;
    }

    /**
     * @param open the cell that is open
     * @param speakers whose curve is known; empty where only markings are
     */
    LoadView.Choice of(
            LoadMap map,
            Optional<LoadMap.Cell> open,
            Optional<Wiring> speakers,
            LoadEffects.Judge judge,
            Instrument band) {
        StageSetting setting = judge.setting().orElseThrow();
        LoadChoice choice =
                LoadChoice.of(setting, at -> engine.picture(at, judge.highest()).drive());
        ToDoubleFunction<LoadChoice.Point> change =
                point -> speakers.map(s -> point.changeOfTone(s, band.lowHertz(), band.highHertz()))
                        .orElse(Double.NaN);
        Map<Double, JudgedRow> worst = new HashMap<>();
        for (LoadChoice.Point point : choice.points()) {
            effects.worstOf(
                            setting.load(point.factor()),
                            engine.picture(setting.load(point.factor()), judge.highest()),
                            judge)
                    .ifPresent(limit -> worst.put(point.factor(), limit));
        }
        Map<LoadChoice.Wish, LoadChoice.Point> best = new EnumMap<>(LoadChoice.Wish.class);
        for (LoadChoice.Wish wish : LoadChoice.Wish.values()) {
            choice.best(wish, point -> within(worst.get(point.factor())), change)
                    .ifPresent(point -> best.put(wish, point));
        }
        List<LoadView.ChoiceRow> rows = choice.points().stream()
                .map(point -> row(point, worst.get(point.factor()), best, change, open))
                .toList();
        return new LoadView.Choice(
                rows,
                marks(
                        best,
                        change,
                        cell -> effects.worst(cell, judge).standing().passes(),
                        map),
                speakers.isPresent(),
                plot(choice),
                words(choice, best, speakers));
    }

    /** A load is a choice only where the judge accepts everything. */
    private static boolean within(JudgedRow worst) {
        return worst != null && worst.standing().passes();
    }

    private static LoadView.ChoiceRow row(
            LoadChoice.Point point,
            JudgedRow worst,
            Map<LoadChoice.Wish, LoadChoice.Point> best,
            ToDoubleFunction<LoadChoice.Point> change,
            Optional<LoadMap.Cell> open) {
        double tone = change.applyAsDouble(point);
        return new LoadView.ChoiceRow(
                LoadWords.times(point.factor()),
                LoadWords.plainOhms(point.ohms()),
                Show.si(point.watts(), Unit.WATT, 3),
                LoadEffects.percent(point.second()),
                LoadEffects.percent(point.third()),
                Double.isNaN(tone) ? "" : Show.fixed(tone, 1) + " dB",
                worst == null ? "unknown" : worst.tone(),
                worst == null ? "?" : LoadEffects.mark(worst.tone()),
                worst == null ? "no limit is published" : LoadEffects.percent(worst),
                best.entrySet().stream()
                        .filter(e -> e.getValue() == point)
                        .map(e -> e.getKey().words())
                        .toList(),
                open.filter(cell -> stands(cell, point)).isPresent());
    }

    private static boolean stands(LoadMap.Cell cell, LoadChoice.Point point) {
        return Math.abs(cell.factor() / point.factor() - 1) <= SAME_LOAD;
    }

    private static List<String> marks(
            Map<LoadChoice.Wish, LoadChoice.Point> best,
            ToDoubleFunction<LoadChoice.Point> change,
            Predicate<LoadMap.Cell> passes,
            LoadMap map) {
        List<String> marks = new ArrayList<>();
        best.forEach((wish, point) -> marks.add(capital(wish.words()) + ": " + LoadWords.plainOhms(point.ohms()) + " ("
                + LoadWords.times(point.factor()) + "), "
                + switch (wish) {
                    case MOST_POWER -> Show.si(point.watts(), Unit.WATT, 3);
                    case LEAST_THIRD -> LoadEffects.percent(point.third());
                    case COOLEST_SCREENS -> Show.si(point.screenWatts(), Unit.WATT, 3) + " at most";
                    case LEAST_CHANGE_OF_TONE -> Show.fixed(change.applyAsDouble(point), 1) + " dB";
                }
                + "; " + atHand(point, passes, map) + "."));
        return marks;
    }

    /** Taps and speakers that give this load; with their own errors they have to pass too. */
    private static String atHand(LoadChoice.Point point, Predicate<LoadMap.Cell> passes, LoadMap map) {
        List<String> ways = new ArrayList<>();
        for (LoadMap.Row row : map.rows()) {
            row.cells().stream()
                    .filter(cell -> cell.stop().isEmpty() && stands(cell, point) && passes.test(cell))
                    .forEach(cell -> ways.add(
                            row.text() + " on the " + Lead.tap(cell.tap()).words()));
        }
        return ways.isEmpty() ? "no tap and speakers of this map come near it and pass" : String.join(", or ", ways);
    }

    private static String words(
            LoadChoice choice, Map<LoadChoice.Wish, LoadChoice.Point> best, Optional<Wiring> speakers) {
        int missing = LoadChoice.PLACES.size() - choice.points().size();
        return (best.isEmpty()
                        ? "At no load all limits are kept with the model's band: none is marked. A colder idle or less B+ comes first. "
                        : "Marked are only loads at which every limit is kept at full sine, at highest mains too, the model's band included. ")
                + (missing > 0 ? missing + " loads could not be computed and are left out. " : "")
                + (speakers.isEmpty()
                        ? "Change of tone needs a speaker with its curve. "
                        : "Change of tone: loudest over quietest note of the band by the speaker's impedance alone, without"
                                + " feedback. ")
                + "A model, no measurement; the shape of distortion is to be trusted, its size is not.";
    }

    /** Power and third harmonic over the load. */
    private static FrequencyPlot plot(LoadChoice choice) {
        List<double[]> power = points(choice, LoadChoice.Point::watts);
        List<double[]> third = points(choice, p -> 100 * p.third());
        if (power.isEmpty()) {
            return null;
        }
        List<double[]> all = new ArrayList<>(power);
        all.addAll(third);
        double low = power.get(0)[0];
        double high = power.get(power.size() - 1)[0];
        double wanted = choice.points().get(0).ohms() / choice.points().get(0).factor();
        LogPlot plot = new LogPlot(low, high, 0, all);
        return new FrequencyPlot(
                plot.axis(),
                "wanted",
                plot.x(wanted * (1 - LoadWords.MATCHED)),
                plot.x(wanted * (1 + LoadWords.MATCHED)),
                List.of(
                        new FrequencyPlot.Curve("power at clipping, W", "plate", plot.path(power)),
                        new FrequencyPlot.Curve("3rd harmonic there, %", "screen", plot.path(third))),
                Double.NaN,
                "");
    }

    private static List<double[]> points(LoadChoice choice, ToDoubleFunction<LoadChoice.Point> figure) {
        return choice.points().stream()
                .map(p -> new double[] {p.ohms(), figure.applyAsDouble(p)})
                .toList();
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }
}
