package yellowrail.app.swap;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import yellowrail.app.pictures.WattStrip;
import yellowrail.app.stage.DutyQuestion;
import yellowrail.app.stage.OnStage;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.Duty;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.swap.Criterion;
import yellowrail.core.swap.Present;
import yellowrail.core.swap.SolvedStage;
import yellowrail.core.swap.SwapQuestion;
import yellowrail.core.swap.SwapRow;
import yellowrail.core.swap.SwapSheet;
import yellowrail.core.swap.SwapVerdict;

/** Makes what the page of swaps shows of what was typed. */
@Component
class SwapPages {
    /** A bar ends at this share of its limit. */
    private static final double BAR = 1.5;

    private final SwapReader reader;
    private final SwapSheets sheets;

    SwapPages(SwapReader reader, SwapSheets sheets) {
        this.reader = reader;
        this.sheets = sheets;
    }

    SwapView of(OnStage form) {
        SwapReader.Read read = reader.read(form);
        List<Integer> places = List.copyOf(read.asked().keySet());
        List<SwapSheet> shown = sheets.of(List.copyOf(read.asked().values()));
        List<SwapView.Head> heads = IntStream.range(0, places.size())
                .mapToObj(i -> head(places.get(i), shown.get(i)))
                .toList();
        return new SwapView(
                read.said(),
                read.unusual(),
                DutyQuestion.of(shown.stream().flatMap(s -> s.judged().stream()).toList())
                        .orElse(null),
                heads,
                Arrays.stream(Criterion.values())
                        .map(c -> row(c, shown))
                        .filter(r ->
                                r.cells().stream().anyMatch(c -> !c.verdict().isEmpty()))
                        .toList());
    }

    /** The stage in a sentence; empty where it is not understood. */
    String stage(OnStage form) {
        return reader.read(form)
                .present()
                .map(p -> p.words() + ", B+ " + Show.si(p.setting().described().supplyVolts(), Unit.VOLT, 3)
                        + " without load, load "
                        + Show.siPlain(p.setting().described().loadOhms(), Unit.OHM, 3)
                        + ", " + p.scheme().words() + ", mains " + Show.fixed(100 * p.lowest(), 0) + " to "
                        + Show.fixed(100 * p.highest(), 0) + " % of nominal.")
                .orElse("");
    }

    /** One line of the list of all types. */
    record Ranked(String type, String verdict, String mark, String overall, String deciding, String reason) {}

    List<Ranked> everyType(OnStage form) {
        return sheets.ranked(reader.everyType(reader.read(form))).stream()
                .map(s -> new Ranked(
                        s.question().candidate().type().designation(),
                        word(s.overall()),
                        mark(s.overall()),
                        s.overall().overall(),
                        s.deciding().criterion().title(),
                        s.deciding().reason()))
                .toList();
    }

    private static SwapView.Head head(int place, SwapSheet sheet) {
        SwapQuestion question = sheet.question();
        SwapRow deciding = sheet.deciding();
        return new SwapView.Head(
                place,
                question.candidate().words(),
                word(sheet.overall()),
                mark(sheet.overall()),
                sheet.overall().overall(),
                deciding.criterion().title(),
                deciding.reason(),
                sheet.power(),
                idle(sheet),
                figures(sheet),
                sheet.trouble());
    }

    private static List<SwapView.Strip> idle(SwapSheet sheet) {
        if (sheet.before().isEmpty() || sheet.after().isEmpty()) {
            return List.of();
        }
        SwapQuestion question = sheet.question();
        Present present = question.present();
        return List.of(
                strip(
                        "Idle now",
                        sheet.before().get(),
                        present.ratings().plateWatts().orElseThrow().value(),
                        present.scheme()),
                strip(
                        "Idle then",
                        sheet.after().get(),
                        question.candidate().plateWatts().orElseThrow(),
                        question.scheme()));
    }

    private static SwapView.Strip strip(String name, SolvedStage solved, double rated, BiasScheme scheme) {
        double watts = solved.drive().idle().hottestPlateWatts();
        return new SwapView.Strip(
                name + ": " + Show.si(watts, Unit.WATT, 3) + ", " + Show.fixed(100 * watts / rated, 0) + " % of "
                        + Show.plain(rated, 3) + " W",
                WattStrip.computed(
                        watts / rated,
                        solved.bands().plate(),
                        scheme.usualCeiling(solved.stage().topology()),
                        rated,
                        name));
    }

    private static List<SwapView.Figure> figures(SwapSheet sheet) {
        Optional<SolvedStage> one = sheet.before();
        Optional<SolvedStage> two = sheet.after();
        if (one.isEmpty() || two.isEmpty()) {
            return List.of();
        }
        SolvedStage before = one.get();
        SolvedStage after = two.get();
        List<SwapView.Figure> figures = new ArrayList<>();
        Duty duty = sheet.question().duty();
        figures.add(figure(
                "Hottest plate with signal",
                before.drive().hottestPlate(duty).hottestPlateWatts(),
                after.drive().hottestPlate(duty).hottestPlateWatts(),
                Unit.WATT));
        figures.add(figure(
                "Hottest screen with signal",
                before.drive().hottestScreen(duty).hottestScreenWatts(),
                after.drive().hottestScreen(duty).hottestScreenWatts(),
                Unit.WATT));
        figures.add(figure(
                "Power at clipping",
                before.drive().full().watts(),
                after.drive().full().watts(),
                Unit.WATT));
        return figures;
    }

    private static SwapView.Figure figure(String name, double before, double after, Unit unit) {
        double most = Math.max(before, after);
        return new SwapView.Figure(
                name,
                Show.si(before, unit, 3),
                Show.si(after, unit, 3),
                tenths(most > 0 ? 100 * before / most : 0),
                tenths(most > 0 ? 100 * after / most : 0));
    }

    private static SwapView.Row row(Criterion criterion, List<SwapSheet> sheets) {
        return new SwapView.Row(
                AskedOf.id(criterion),
                criterion.title(),
                sheets.stream().map(s -> cell(criterion, s)).toList());
    }

    private static SwapView.Cell cell(Criterion criterion, SwapSheet sheet) {
        String name = sheet.question().candidate().words();
        return sheet.rows().stream()
                .filter(r -> r.criterion() == criterion)
                .findFirst()
                .map(r -> new SwapView.Cell(
                        name,
                        word(r.verdict()),
                        mark(r.verdict()),
                        r.verdict().words(),
                        r.value(),
                        r.limit(),
                        Double.isNaN(r.share()) ? -1 : tenths(100 * Math.min(r.share(), BAR) / BAR),
                        r.share() > 1,
                        r.reason(),
                        r.mend(),
                        r.formula()))
                .orElse(new SwapView.Cell(name, "", "", "does not apply", "", "", -1, false, "", "", ""));
    }

    private static double tenths(double value) {
        return Math.round(10 * value) / 10.0;
    }

    private static String word(SwapVerdict verdict) {
        return verdict.name().toLowerCase(Locale.ROOT);
    }

    private static String mark(SwapVerdict verdict) {
        return switch (verdict) {
            case PASS -> "✓";
            case NOTE -> "◇";
            case UNKNOWN -> "?";
            case FAIL -> "▲";
        };
    }
}
