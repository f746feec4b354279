package yellowrail.app.load;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;
import yellowrail.app.forms.FieldErrors;
import yellowrail.app.settings.SettingStore;
import yellowrail.app.speakers.SpeakerStore;
import yellowrail.app.stage.TubeFactsOf;
import yellowrail.app.transformers.KeptTransformer;
import yellowrail.app.transformers.TransformerStore;
import yellowrail.core.load.AcReading;
import yellowrail.core.load.LoadMap;
import yellowrail.core.load.LoadWords;
import yellowrail.core.load.MeasuredTransformer;
import yellowrail.core.load.PublishedLoads;
import yellowrail.core.load.Remark;
import yellowrail.core.load.Speaker;
import yellowrail.core.load.SpeakerNetwork;
import yellowrail.core.load.SpeakerOnTap;
import yellowrail.core.load.TapRatio;
import yellowrail.core.load.Transformer;
import yellowrail.core.load.TransformerDescription;
import yellowrail.core.load.Wiring;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Show;
import yellowrail.core.stage.Netlist;
import yellowrail.core.stage.ReactiveSolver;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.stage.StageSolver;

/** Makes what the load page shows of what was typed. */
@Component
public class LoadPages {
    private static final int SECONDARY_STEP = 46;
    /** Where speakers are about their nominal ohms. */
    private static final double MIDDLE_HERTZ = 400;
    /** From this ratio on it is told how the power is shared. */
    private static final double UNEQUAL = 1.05;

    private static final Pattern READING = Pattern.compile("(?:driven|drive|other|volts)(\\d)");
    private static final Pattern WORD = Pattern.compile("\\p{L}{2}|\\p{L}\\d");
    private static final Pattern ID = Pattern.compile("[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}");
    private static final Pattern KEY = Pattern.compile("\\d{1,4}(\\.\\d{1,3})?:\\d");

    private final TubeFactsOf facts;
    private final LoadEffects effects;
    private final LoadHeat heat;
    private final LoadChoices choices;
    private final SettingStore settings;
    private final TransformerStore transformers;
    private final SpeakerStore speakers;

    LoadPages(
            TubeFactsOf facts,
            LoadEffects effects,
            LoadHeat heat,
            LoadChoices choices,
            SettingStore settings,
            TransformerStore transformers,
            SpeakerStore speakers) {
        this.facts = facts;
        this.effects = effects;
        this.heat = heat;
        this.choices = choices;
        this.settings = settings;
        this.transformers = transformers;
        this.speakers = speakers;
    }

    LoadView of(LoadForm form) {
        TubeFactsOf.Answer tube = facts.of(form.stage());
        LoadReader.Read read = LoadReader.read(form, tube, settings.meters(), before(form));
        Map<String, FieldErrors.Complaint> said =
                new LinkedHashMap<>(read.complaints().byField());
        read.stage().complaints().byField().forEach(said::putIfAbsent);
        read.stage()
                .setting()
                .filter(s -> s.loadFactor() != 1)
                .ifPresent(s -> said.putIfAbsent("loadFactor", moved(s)));
        Optional<KeptTransformer> kept = kept(form);
        if (!form.blank("transformer") && kept.isEmpty()) {
            said.put("transformer", notKept());
        }
        Optional<StageSetting> setting = read.stage().setting().map(s -> s.load(1));
        Optional<LoadMap> map = read.transformer()
                .flatMap(t -> setting.map(
                        s -> LoadMap.of(t, read.sets(), s.described().loadOhms())));
        Optional<Opened> opened = map.flatMap(m -> opened(m, form.text("open"), said));
        LoadEffects.Judge judge = judge(read, setting, opened, tube);
        return new LoadView(
                said,
                expected(read),
                read.transformer().map(LoadPages::taps).orElse(List.of()),
                read.transformer()
                        .flatMap(t -> t.measured().screenTap())
                        .map(LoadPages::screenTap)
                        .orElse(""),
                read.transformer().map(t -> remarks(t, read, setting, tube)).orElse(List.of()).stream()
                        .map(LoadPages::line)
                        .toList(),
                read.transformer().map(t -> picture(t, opened, setting)).orElse(null),
                opened.map(o -> o.row().speakers())
                        .filter(s -> s.drivers().size() > 1)
                        .map(WiringDrawing::of)
                        .orElse(null),
                map.map(m -> grid(m, read.transformer().orElseThrow(), judge, opened))
                        .orElse(null),
                opened.map(o -> effects.beside(o.row().text(), o.cell(), judge)).orElse(null),
                opened.filter(o -> o.cell().stop().isEmpty())
                        .map(o -> real(read, o, judge))
                        .orElse(List.of()),
                opened.filter(o -> o.row().speakers().hasCurve())
                        .map(o ->
                                LoadHeat.impedance(o.row().speakers(), o.cell().tap(), read.band()))
                        .orElse(null),
                opened.filter(o -> heats(o, setting)).isPresent(),
                setting.isPresent() ? "" : trouble(read.stage().complaints()));
    }

    /** What everything on the page is judged by: the stage with this transformer's copper in it. */
    private static LoadEffects.Judge judge(
            LoadReader.Read read, Optional<StageSetting> setting, Optional<Opened> opened, TubeFactsOf.Answer tube) {
        Optional<StageSetting> copper = setting.map(s -> opened.map(o -> LoadReal.copper(
                        s, read.windings().windings(), o.cell(), o.row().nominalOhms()))
                .orElse(s));
        return new LoadEffects.Judge(
                copper, tube.facts(), read.stage().highest(), read.windings().coreAmperes());
    }

    private List<LoadView.RemarkLine> real(LoadReader.Read read, Opened opened, LoadEffects.Judge judge) {
        if (judge.setting().isEmpty() || judge.facts().isEmpty()) {
            return List.of();
        }
        return effects.full(opened.cell().factor(), judge)
                .map(full -> LoadReal.lines(
                        read.windings(),
                        judge.setting().get().load(opened.cell().factor()),
                        read.transformer()
                                .orElseThrow()
                                .turns(opened.cell().tap())
                                .orElseThrow()
                                .value(),
                        opened.row().nominalOhms(),
                        full.watts(),
                        read.band()))
                .orElse(List.of());
    }

    /**
     * A load understood as a whole.
     *
     * @param judged the worst limit of each cell that is an operation, by cell
     */
    public record Answered(
            Transformer transformer, LoadMap map, List<Remark> remarks, Map<LoadMap.Cell, LoadEffects.Worst> judged) {}

    /** @throws Refused when a field is not understood, or nothing of the stage can be computed */
    public Answered answered(LoadForm form) {
        TubeFactsOf.Answer tube = facts.of(form.stage());
        LoadReader.Read read = LoadReader.read(form, tube, settings.meters(), before(form));
        Optional<StageSetting> setting = read.stage().setting().map(s -> s.load(1));
        if (read.complaints().any() || read.transformer().isEmpty() || setting.isEmpty()) {
            throw new Refused(
                    read.complaints().any() ? read.complaints() : read.stage().complaints());
        }
        Transformer transformer = read.transformer().get();
        LoadMap map =
                LoadMap.of(transformer, read.sets(), setting.get().described().loadOhms());
        LoadEffects.Judge judge = judge(read, setting, opened(map, form.text("open"), new LinkedHashMap<>()), tube);
        Map<LoadMap.Cell, LoadEffects.Worst> judged = new LinkedHashMap<>();
        map.rows().stream()
                .flatMap(row -> row.cells().stream())
                .filter(cell -> cell.stop().isEmpty())
                .forEach(cell -> judged.put(cell, effects.worst(cell, judge)));
        return new Answered(transformer, map, remarks(transformer, read, setting, tube), judged);
    }

    /** What was typed is not understood. */
    public static final class Refused extends RuntimeException {
        private static final long serialVersionUID = 1L;
        private final transient FieldErrors complaints;

        Refused(FieldErrors complaints) {
            super("not understood: " + complaints.byField().keySet());
            this.complaints = complaints;
        }

        public FieldErrors complaints() {
            return complaints;
        }
    }

    /** What the page asks for once it stands: which load these tubes would like. */
    Optional<LoadView.Choice> choice(LoadForm form) {
        TubeFactsOf.Answer tube = facts.of(form.stage());
        LoadReader.Read read = LoadReader.read(form, tube, settings.meters(), before(form));
        Optional<StageSetting> setting = read.stage().setting().map(s -> s.load(1));
        if (read.transformer().isEmpty() || setting.isEmpty()) {
            return Optional.empty();
        }
        LoadMap map = LoadMap.of(
                read.transformer().get(), read.sets(), setting.get().described().loadOhms());
        Optional<Opened> opened = opened(map, form.text("open"), new LinkedHashMap<>());
        return Optional.of(choices.of(
                map,
                opened.map(Opened::cell),
                opened.map(o -> o.row().speakers()).filter(Wiring::hasCurve),
                judge(read, setting, opened, tube),
                read.band()));
    }

    /** What is to be kept of a form: nothing where some of it is not understood. */
    record Keeping(Optional<TransformerDescription> description, List<AcReading> readings) {}

    /** Fields of the speakers and of the page, which a transformer does not hold. */
    private static boolean ofTransformer(String field) {
        return !field.startsWith("set") && !SpeakerFields.NAMES.contains(field) && !field.equals("band");
    }

    Keeping keeping(LoadForm form, String name, FieldErrors complaints) {
        LoadReader.Read read = LoadReader.read(form, facts.of(form.stage()), settings.meters(), before(form));
        read.complaints().byField().forEach((field, complaint) -> {
            if (ofTransformer(field)) {
                Matcher row = READING.matcher(field);
                complaints.add(
                        field,
                        row.matches() ? "Reading " + row.group(1) + ": " + complaint.sentence() : complaint.sentence());
            }
        });
        for (int i = 1; i <= LoadForm.READINGS; i++) {
            if (!complaints.any() && form.blank("drive" + i) != form.blank("volts" + i)) {
                complaints.add("volts" + i, "Reading " + i + " is not whole: type both voltages, or neither.");
            }
        }
        String called = name.strip();
        if (called.isEmpty() || called.length() > TransformerDescription.LONGEST_NAME) {
            complaints.add(
                    "name",
                    "A name for the transformer, 1 to " + TransformerDescription.LONGEST_NAME
                            + " characters, by which you find it on the shelf.");
        }
        return complaints.any()
                ? new Keeping(Optional.empty(), List.of())
                : new Keeping(Optional.of(described(called, read)), read.typed());
    }

    private static TransformerDescription described(String name, LoadReader.Read read) {
        Transformer transformer = read.transformer().orElseThrow();
        WindingFields.Read windings = read.windings();
        return new TransformerDescription(
                name,
                transformer.markedOhms(),
                transformer.taps(),
                windings.windings(),
                windings.primaryHenries(),
                windings.coreAmperes(),
                windings.rated().map(WindingFields.Rated::watts),
                windings.rated().map(WindingFields.Rated::hertz));
    }

    /** What was kept before and is named here; a transformer that is not there is said at its field. */
    private LoadReader.Kept before(LoadForm form) {
        String sets = IntStream.rangeClosed(1, LoadForm.SETS)
                .mapToObj(i -> form.text("set" + i))
                .collect(Collectors.joining(" "));
        // Words are looked for only where a wiring holds some: a page of plain ohms asks the database nothing.
        Map<String, Speaker> named =
                WORD.matcher(sets.replaceAll("(?i)\\b(dc|ohms?|x)\\b", " ")).find()
                        ? speakers.named(name -> sets.contains(name))
                        : Map.of();
        return new LoadReader.Kept(kept(form).map(KeptTransformer::counting).orElse(List.of()), named);
    }

    /** The kept transformer that is looked at; empty for none, or where the address names none that is there. */
    Optional<KeptTransformer> kept(LoadForm form) {
        return ID.matcher(form.text("transformer")).matches()
                ? transformers.find(UUID.fromString(form.text("transformer")))
                : Optional.empty();
    }

    private static FieldErrors.Complaint notKept() {
        return new FieldErrors.Complaint(
                "No transformer is kept under this address: what is shown stands without it.", List.of(), false, false);
    }

    /** The stage's slider moves what this page moves itself. */
    private static FieldErrors.Complaint moved(StageSetting setting) {
        return new FieldErrors.Complaint(
                "The stage's load slider stands at × " + Show.plain(setting.loadFactor(), 3)
                        + ": here taps and speakers move the load, from the load it is meant for.",
                List.of(),
                false,
                false);
    }

    private static boolean heats(Opened opened, Optional<StageSetting> setting) {
        return setting.isPresent()
                && opened.row().speakers().hasCurve()
                && opened.cell().stop().isEmpty();
    }

    /**
     * Heat over frequency of the open cell; empty where it cannot be computed.
     *
     * @throws yellowrail.core.stage.NoSolution when the stage cannot be solved
     */
    Optional<LoadView.Frequencies> heat(LoadForm form) {
        TubeFactsOf.Answer tube = facts.of(form.stage());
        LoadReader.Read read = LoadReader.read(form, tube, settings.meters(), before(form));
        Optional<StageSetting> setting = read.stage().setting().map(s -> s.load(1));
        if (read.transformer().isEmpty() || setting.isEmpty()) {
            return Optional.empty();
        }
        Transformer transformer = read.transformer().get();
        LoadMap map =
                LoadMap.of(transformer, read.sets(), setting.get().described().loadOhms());
        return opened(map, form.text("open"), new LinkedHashMap<>())
                .filter(o -> heats(o, setting))
                .map(o -> heat.heat(
                        judge(read, setting, Optional.of(o), tube)
                                .setting()
                                .orElseThrow()
                                .load(o.cell().factor()),
                        judge(read, setting, Optional.of(o), tube),
                        new SpeakerOnTap(
                                o.row().speakers(),
                                transformer.turns(o.cell().tap()).orElseThrow().value(),
                                read.windings().primaryHenries()),
                        read.band()));
    }

    /**
     * The stage with the open cell's speakers as a netlist, at full drive; empty where the load is not understood.
     *
     * @param hertz frequency of the drive, Hz
     * @throws yellowrail.core.stage.NoSolution when the stage cannot be solved
     */
    Optional<String> netlist(LoadForm form, double hertz) {
        TubeFactsOf.Answer tube = facts.of(form.stage());
        LoadReader.Read read = LoadReader.read(form, tube, settings.meters(), before(form));
        Optional<StageSetting> setting = read.stage().setting().map(s -> s.load(1));
        if (read.transformer().isEmpty() || setting.isEmpty()) {
            return Optional.empty();
        }
        LoadMap map = LoadMap.of(
                read.transformer().get(), read.sets(), setting.get().described().loadOhms());
        Optional<Opened> open = opened(map, form.text("open"), new LinkedHashMap<>());
        return open.filter(o -> o.cell().stop().isEmpty()).map(o -> {
            Stage stage = judge(read, setting, open, tube)
                    .setting()
                    .orElseThrow()
                    .load(o.cell().factor())
                    .stage();
            SpeakerOnTap load = new SpeakerOnTap(
                    o.row().speakers(),
                    read.transformer().get().turns(o.cell().tap()).orElseThrow().value(),
                    read.windings().primaryHenries());
            double drive = new StageSolver(stage).fullDrive();
            return SpeakerNetwork.of(load)
                    .map(network -> Netlist.of(stage, new ReactiveSolver(stage, load).at(hertz, drive), network))
                    .orElseGet(() -> Netlist.of(stage, new StageSolver(stage).driven(drive)));
        });
    }

    private static String trouble(FieldErrors ofStage) {
        return ofStage.byField().values().stream()
                .findFirst()
                .map(FieldErrors.Complaint::sentence)
                .orElse("The stage is not understood.");
    }

    private static Map<Integer, LoadView.Expected> expected(LoadReader.Read read) {
        Map<Integer, LoadView.Expected> rows = new LinkedHashMap<>();
        for (LoadReader.Row row : read.rows()) {
            rows.put(
                    row.number(),
                    row.expected()
                            .map(e -> new LoadView.Expected(e.refusal().isPresent(), e.words()))
                            .orElse(new LoadView.Expected(false, "")));
        }
        return rows;
    }

    private static List<Remark> remarks(
            Transformer transformer, LoadReader.Read read, Optional<StageSetting> setting, TubeFactsOf.Answer tube) {
        List<Remark> all = new ArrayList<>(transformer.measured().remarks());
        transformer.againstMarking().ifPresent(all::add);
        Optional<Estimate> primary =
                transformer.taps().stream().findFirst().flatMap(tap -> transformer.reflected(tap, tap));
        primary.ifPresent(ohms -> {
            all.addAll(read.windings().windings().remarks(ohms.value()));
            if (setting.isPresent() && tube.facts().isPresent()) {
                Stage stage = setting.get().described();
                PublishedLoads.otherTubes(
                                tube.facts().get().designation(),
                                stage.connection(),
                                stage.topology(),
                                stage.tubes().size() / (stage.pushPull() ? 2 : 1),
                                ohms.low(),
                                ohms.high())
                        .ifPresent(all::add);
            }
        });
        all.sort(Comparator.comparing(r -> r.code().weight()));
        return all;
    }

    private static LoadView.RemarkLine line(Remark remark) {
        Remark.Weight weight = remark.code().weight();
        String tone = switch (weight) {
            case STOP, CONTRADICTION -> "over";
            case CAUTION -> "warm";
            case NOTE -> "open";
        };
        return new LoadView.RemarkLine(weight.name().toLowerCase(Locale.ROOT), tone, remark.sentence());
    }

    private static List<LoadView.TapLine> taps(Transformer transformer) {
        List<LoadView.TapLine> lines = new ArrayList<>();
        for (double tap : transformer.taps()) {
            String name = Show.plain(tap, 4) + " Ω";
            Transformer.Source source = transformer.source(tap);
            Optional<Estimate> turns = transformer.turns(tap);
            lines.add(turns.map(n -> new LoadView.TapLine(
                            name,
                            plusMinus(n, 4) + " : 1",
                            plusMinus(n.times(n), 3) + " : 1",
                            LoadWords.ohms(n.times(n).times(tap)),
                            source.words(),
                            formula(transformer.measured(), tap, n)))
                    .orElse(new LoadView.TapLine(
                            name,
                            "?",
                            "?",
                            "?",
                            transformer.measured().agrees()
                                    ? "not known: measure it, or type what the primary is marked for"
                                    : "not told: the readings contradict one another",
                            "")));
        }
        return lines;
    }

    private static String plusMinus(Estimate value, int digits) {
        return value.likely() > 0
                ? Show.plusMinus(value.value(), value.likely())
                : Show.significant(value.value(), digits);
    }

    private static String formula(MeasuredTransformer measured, double tap, Estimate turns) {
        String square = "n² · Z = " + Show.significant(turns.value(), 4) + "² · " + Show.plain(tap, 4) + " Ω = "
                + LoadWords.plainOhms(turns.value() * turns.value() * tap);
        Optional<TapRatio> ratio = measured.tap(tap);
        if (ratio.isEmpty()) {
            return square;
        }
        return "n = "
                + String.join(
                        " and ",
                        ratio.get().from().stream()
                                .map(r -> (r.driven().secondary() ? r.volts() : r.drive()).echo() + " / "
                                        + (r.driven().secondary() ? r.drive() : r.volts()).echo())
                                .toList())
                + (turns.likely() > 0
                        ? ", ±" + Show.plain(100 * turns.errors().likely(), 2) + " % by the meter; ohms twice that"
                        : "")
                + "; " + square;
    }

    private static String screenTap(Estimate share) {
        return "Screen taps at " + Show.plusMinus(100 * share.value(), 100 * share.likely())
                + " % of their half: V(centre to screen tap) / V(centre to plate).";
    }

    private record Opened(LoadMap.Row row, LoadMap.Cell cell) {}

    /** {@code 8:2}: the tap's ohms and the place of the set; nothing asked for opens the nearest tap of the first set. */
    private static Optional<Opened> opened(LoadMap map, String key, Map<String, FieldErrors.Complaint> said) {
        if (key.isEmpty()) {
            return map.rows().stream().findFirst().flatMap(row -> row.nearest().map(cell -> new Opened(row, cell)));
        }
        for (int i = 0; i < map.rows().size(); i++) {
            for (LoadMap.Cell cell : map.rows().get(i).cells()) {
                if (key(cell, i).equals(key)) {
                    return Optional.of(new Opened(map.rows().get(i), cell));
                }
            }
        }
        // A cell of a map as it was before: its tap or speakers are gone.
        boolean gone = KEY.matcher(key).matches()
                && map.rows().stream().anyMatch(r -> !r.cells().isEmpty());
        said.putIfAbsent(
                "open",
                new FieldErrors.Complaint(
                        gone
                                ? "The cell that was open (" + key.replace(":", " Ω tap, speakers ")
                                        + ") is not in this map: the nearest tap of the first speakers is shown."
                                : "“" + FieldErrors.shorten(key) + "” is no cell of this map: pick one.",
                        List.of(),
                        false,
                        false));
        return gone ? opened(map, "", said) : Optional.empty();
    }

    private static String key(LoadMap.Cell cell, int set) {
        return Show.plain(cell.tap(), 4) + ":" + (set + 1);
    }

    private LoadView.Grid grid(LoadMap map, Transformer transformer, LoadEffects.Judge judge, Optional<Opened> opened) {
        List<LoadView.GridRow> rows = new ArrayList<>();
        for (int i = 0; i < map.rows().size(); i++) {
            LoadMap.Row row = map.rows().get(i);
            Optional<LoadMap.Cell> nearest = row.nearest();
            List<LoadView.GridCell> cells = new ArrayList<>();
            for (double tap : transformer.taps()) {
                int set = i;
                cells.add(row.cells().stream()
                        .filter(c -> c.tap() == tap)
                        .findFirst()
                        .map(c -> cell(
                                c,
                                key(c, set),
                                judge,
                                nearest.filter(c::equals).isPresent(),
                                opened.filter(o -> o.cell() == c).isPresent()))
                        .orElse(new LoadView.GridCell(
                                "", "?", "", "", "unknown", "?", "ratio not known", false, false)));
            }
            rows.add(new LoadView.GridRow(
                    row.text(), LoadWords.plainOhms(row.nominalOhms()), known(row.speakers()), cells));
        }
        Optional<LoadEffects.Worst> any = effects.atAnyLoad(judge);
        return new LoadView.Grid(
                LoadWords.plainOhms(map.wantedOhms()),
                transformer.taps().stream()
                        .map(t -> Show.plain(t, 4) + " Ω tap")
                        .toList(),
                rows,
                any.map(LoadEffects.Worst::words).orElse(""),
                any.map(LoadEffects.Worst::tone).orElse("open"));
    }

    private static List<String> known(Wiring speakers) {
        List<String> known = new ArrayList<>(speakers.drivers().stream()
                .filter(d -> !(d.speaker() instanceof Speaker.Nominal))
                .map(d -> d.name() + ": " + d.speaker().words())
                .distinct()
                .toList());
        List<Double> shares = speakers.shares(MIDDLE_HERTZ);
        double most = shares.stream().mapToDouble(s -> s).max().orElse(1);
        double least = shares.stream().mapToDouble(s -> s).min().orElse(1);
        if (most > UNEQUAL * least) {
            List<String> parts = new ArrayList<>();
            for (int i = 0; i < shares.size(); i++) {
                parts.add(Show.fixed(100 * shares.get(i), 0) + " % in "
                        + speakers.drivers().get(i).name());
            }
            known.add("Power: " + String.join(", ", parts) + ".");
        }
        return known;
    }

    private LoadView.GridCell cell(
            LoadMap.Cell cell, String key, LoadEffects.Judge judge, boolean nearest, boolean open) {
        String ohms = LoadWords.plainOhms(cell.reflected().value());
        if (cell.stop().isPresent()) {
            boolean shorted = cell.stop().get().code() == Remark.Code.SHORTED_LOAD;
            return new LoadView.GridCell(
                    key,
                    LoadWords.times(cell.factor()),
                    LoadWords.way(cell.factor()),
                    ohms,
                    "stop",
                    "■",
                    shorted ? "stop: as good as shorted" : "stop: as good as open",
                    nearest,
                    open);
        }
        LoadEffects.Worst worst = effects.worst(cell, judge);
        return new LoadView.GridCell(
                key,
                LoadWords.times(cell.factor()),
                LoadWords.way(cell.factor()),
                ohms,
                worst.tone(),
                LoadEffects.mark(worst.tone()),
                worst.words(),
                nearest,
                open);
    }

    private static LoadView.Picture picture(
            Transformer transformer, Optional<Opened> opened, Optional<StageSetting> setting) {
        boolean pushPull = setting.map(s -> s.described().pushPull()).orElse(true);
        List<LoadView.Secondary> secondaries = new ArrayList<>();
        int y = 40;
        for (double tap : transformer.taps()) {
            boolean used = opened.filter(o -> o.cell().tap() == tap).isPresent();
            secondaries.add(new LoadView.Secondary(
                    Show.plain(tap, 4),
                    Show.plain(tap, 4) + " Ω",
                    transformer
                            .turns(tap)
                            .map(n -> Show.significant(n.value(), 3) + " : 1")
                            .orElse("ratio ?"),
                    used ? opened.get().row().text() : "",
                    y,
                    used));
            y += SECONDARY_STEP;
        }
        Optional<Estimate> first = transformer.taps().stream().findFirst().flatMap(t -> transformer.reflected(t, t));
        String primary = opened.map(
                        o -> LoadWords.plainOhms(o.cell().reflected().value()))
                .orElse(first.map(z -> LoadWords.plainOhms(z.value())).orElse("?"));
        String half = opened.map(o -> LoadWords.plainOhms(o.cell().reflected().value() / 4))
                .orElse("?");
        return new LoadView.Picture(
                pushPull,
                primary,
                half,
                secondaries,
                Math.max(200, y + 40),
                opened.map(o -> "The primary shows " + primary + " with "
                                + o.row().text() + " on the "
                                + Show.plain(o.cell().tap(), 4) + " Ω tap"
                                + (pushPull ? "; half of it alone would show " + half : "") + ".")
                        .orElse("Nothing is connected: pick speakers below."));
    }
}
