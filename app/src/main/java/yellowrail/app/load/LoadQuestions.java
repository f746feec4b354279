package yellowrail.app.load;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import yellowrail.app.forms.Confirmed;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.settings.SettingStore;
import yellowrail.app.speakers.SpeakerStore;
import yellowrail.app.stage.OnStage;
import yellowrail.app.stage.StageFields;
import yellowrail.app.stage.TubeFactsOf;
import yellowrail.app.transformers.KeptTransformer;
import yellowrail.app.transformers.TransformerStore;
import yellowrail.core.load.LoadMap;
import yellowrail.core.load.Speaker;
import yellowrail.core.load.Windings;
import yellowrail.core.reading.Show;
import yellowrail.core.stage.StageSetting;

/** Understands a typed load with what was kept of its transformer and speakers: the same for page, JSON and netlist. */
@Component
class LoadQuestions {
    private static final Pattern WORD = Pattern.compile("\\p{L}{2}|\\p{L}\\d");
    static final String NOT_KEPT = "No transformer is kept under this address: what is shown stands without it.";
    private static final Pattern KEY = Pattern.compile("\\d{1,4}(\\.\\d{1,3})?:\\d");

    private final TubeFactsOf facts;
    private final SettingStore settings;
    private final TransformerStore transformers;
    private final SpeakerStore speakers;

    LoadQuestions(TubeFactsOf facts, SettingStore settings, TransformerStore transformers, SpeakerStore speakers) {
        this.facts = facts;
        this.settings = settings;
        this.transformers = transformers;
        this.speakers = speakers;
    }

    LoadQuestion ask(OnStage form) {
        TubeFactsOf.Answer tube = facts.of(form.stage());
        LoadReader.Read read = LoadReader.read(form, tube, settings.meters(), before(form));
        Map<String, FieldErrors.Complaint> said =
                new LinkedHashMap<>(read.complaints().byField());
        read.stage().complaints().byField().forEach(said::putIfAbsent);
        read.stage()
                .setting()
                .filter(s -> s.loadFactor() != 1)
                .ifPresent(s -> said.putIfAbsent("loadFactor", moved(s)));
        if (!form.blank(LoadFields.TRANSFORMER) && kept(form).isEmpty()) {
            said.put(LoadFields.TRANSFORMER.name(), said(NOT_KEPT));
        }
        Optional<StageSetting> setting = read.stage().setting().map(s -> s.load(1));
        Optional<LoadMap> map = read.transformer()
                .flatMap(t -> setting.map(
                        s -> LoadMap.of(t, read.sets(), s.described().loadOhms())));
        // Readings that contradict each other leave no cell: that is said of them, not of the cell that was open.
        Optional<OpenCell> opened = map.filter(m ->
                        read.transformer().filter(t -> t.measured().agrees()).isPresent())
                .flatMap(m -> opened(m, form.text(LoadFields.OPEN), said));
        Optional<String> unusual =
                opened.flatMap(o -> copper(read.parts(), o.cell().tap()));
        Confirmed confirmed = form.stage().read(StageFields.CONFIRMED, new FieldErrors());
        String field = LoadFields.SECONDARY_DC.name();
        boolean right = confirmed.holds(field, form.text(LoadFields.SECONDARY_DC));
        FieldErrors asked = new FieldErrors();
        unusual.filter(sentence -> !right)
                .ifPresent(sentence -> asked.askUnusual(
                        field,
                        sentence + " Is it right? No verdict before that.",
                        form.text(LoadFields.SECONDARY_DC),
                        confirmed));
        asked.byField().forEach(said::putIfAbsent);
        List<String> noted = new ArrayList<>(read.stage().unusual());
        unusual.filter(sentence -> right).ifPresent(sentence -> noted.add(sentence + " Confirmed as right."));
        return new LoadQuestion(tube, read, asked.any() ? Optional.empty() : setting, map, opened, noted, said);
    }

    /** Copper that a secondary can hardly have, as a sentence; empty where it is usual or was not read. */
    private static Optional<String> copper(FittedParts parts, double tap) {
        return parts.windings()
                .secondary()
                .filter(ohms -> ohms > Windings.MOST_SECONDARY * tap)
                .map(ohms -> "Secondary copper of " + Show.plain(ohms, 3) + " Ω is "
                        + Show.fixed(100 * ohms / tap, 0) + " % of the " + Show.plain(tap, 4) + " Ω tap's ohms: "
                        + Windings.USUAL_SECONDARY + ".");
    }

    /** What was kept before and is named here; a transformer that is not there is said at its field. */
    private LoadReader.Kept before(OnStage form) {
        String sets = LoadFields.SPEAKERS.stream().map(form::text).collect(Collectors.joining(" "));
        // Words are looked for only where a wiring holds some: a page of plain ohms asks the database nothing.
        Map<String, Speaker> named =
                WORD.matcher(sets.replaceAll("(?i)\\b(dc|ohms?|x)\\b", " ")).find()
                        ? speakers.named(name -> sets.contains(name))
                        : Map.of();
        return new LoadReader.Kept(kept(form).map(KeptTransformer::counting).orElse(List.of()), named);
    }

    /** The kept transformer that is looked at; empty for none, or where the address names none that is there. */
    Optional<KeptTransformer> kept(OnStage form) {
        return form.read(LoadFields.TRANSFORMER, new FieldErrors()).flatMap(transformers::find);
    }

    private static FieldErrors.Complaint said(String sentence) {
        return new FieldErrors.Complaint(sentence, List.of(), false, false);
    }

    /** The stage's slider moves what this page moves itself. */
    private static FieldErrors.Complaint moved(StageSetting setting) {
        return said("The stage's load slider stands at × " + Show.plain(setting.loadFactor(), 3)
                + ": here taps and speakers move the load, from the load it is meant for.");
    }

    /** {@code 8:2}: the tap's ohms and the place of the set; nothing asked for opens the nearest tap of the first set. */
    private static Optional<OpenCell> opened(LoadMap map, String key, Map<String, FieldErrors.Complaint> said) {
        if (key.isEmpty()) {
            return map.rows().stream().findFirst().flatMap(row -> row.nearest().map(cell -> new OpenCell(row, cell)));
        }
        for (int i = 0; i < map.rows().size(); i++) {
            for (LoadMap.Cell cell : map.rows().get(i).cells()) {
                if (key(cell, i).equals(key)) {
                    return Optional.of(new OpenCell(map.rows().get(i), cell));
                }
            }
        }
        // A cell of a map as it was before: its tap or speakers are gone.
        boolean gone = KEY.matcher(key).matches()
                && map.rows().stream().anyMatch(r -> !r.cells().isEmpty());
        said.putIfAbsent(
                "open",
                said(
                        gone
                                ? "The cell that was open (" + key.replace(":", " Ω tap, speakers ")
                                        + ") is not in this map: the nearest tap of the first speakers is shown."
                                : "“" + FieldErrors.shorten(key) + "” is no cell of this map: pick one."));
        return gone ? opened(map, "", said) : Optional.empty();
    }

    static String key(LoadMap.Cell cell, int set) {
        return Show.plain(cell.tap(), 4) + ":" + (set + 1);
    }
}
