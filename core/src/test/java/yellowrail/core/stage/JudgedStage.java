package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import yellowrail.core.amp.Duty;
import yellowrail.core.amp.Topology;
import yellowrail.core.judging.Judge;
import yellowrail.core.tube.Catalogue;
import yellowrail.core.tube.Connection;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.Ratings;
import yellowrail.core.tube.TubeModels;
import yellowrail.core.tube.TubeType;

/** A stage by the fields of the stage's page, for planted cases: {@code tube=EL84; supply=310; idle=80}. */
public record JudgedStage(TubeType type, Optional<Ratings> picked, StageSetting setting, double highest) {
    private static final Map<String, String> USUAL = Map.ofEntries(
            Map.entry("tube", "6L6GC"),
            Map.entry("topology", "pp"),
            Map.entry("connection", "pentode"),
            Map.entry("judge", ""),
            Map.entry("tubes", "2"),
            Map.entry("bias", "tracking"),
            Map.entry("supply", "460"),
            Map.entry("source", "90"),
            Map.entry("screens", ""),
            Map.entry("feed", "200"),
            Map.entry("rdc", "70"),
            Map.entry("rg2", "470"),
            Map.entry("load", "4200"),
            Map.entry("tap", "43"),
            Map.entry("idle", "65"),
            Map.entry("mains", "100"),
            Map.entry("highest", "110"),
            Map.entry("duty", "tone"));

    /** The words of the stage's page. */
    private static final Map<String, Duty> DUTIES = Map.of(
            "unsaid", Duty.NOT_SAID,
            "music", Duty.MUSIC,
            "clean", Duty.CLEAN,
            "hard", Duty.HARD,
            "tone", Duty.TONE);

    /** Fields of a line, apart by semicolons. */
    public static Map<String, String> fields(String text) {
        Map<String, String> fields = new HashMap<>();
        for (String part : text.split(";")) {
            String[] pair = part.strip().split("=", 2);
            if (pair.length == 2) {
                fields.put(pair[0], pair[1]);
            }
        }
        return fields;
    }

    public static JudgedStage of(Map<String, String> typed) {
        Map<String, String> f = new HashMap<>(USUAL);
        typed.forEach((name, text) -> {
            if (!USUAL.containsKey(name)) {
                throw new IllegalArgumentException("no field of a stage: " + name);
            }
            f.put(name, text);
        });
        TubeType type = Catalogue.shippedType(f.get("tube")).orElseThrow();
        boolean pushPull = f.get("topology").equals("pp");
        List<StageTube> tubes = new ArrayList<>();
        for (int t = 0; t < Integer.parseInt(f.get("tubes")); t++) {
            tubes.add(new StageTube(
                    TubeModels.of(f.get("tube")).orElseThrow(), pushPull ? t % 2 : 0, 1, number(f, "rg2"), 0));
        }
        Connection connection = switch (f.get("connection")) {
            case "ul" -> Connection.ULTRALINEAR;
            case "triode" -> Connection.TRIODE;
            default -> Connection.PENTODE;
        };
        Stage stage = new Stage(
                pushPull ? Topology.PUSH_PULL : Topology.SINGLE_ENDED,
                connection,
                connection == Connection.ULTRALINEAR ? number(f, "tap") / 100 : 0.5,
                number(f, "supply"),
                number(f, "source"),
                connection == Connection.PENTODE && !f.get("screens").isEmpty() ? number(f, "screens") : Double.NaN,
                number(f, "feed"),
                number(f, "rdc"),
                0,
                number(f, "load"),
                tubes,
                f.get("bias").equals("cathode") ? Biasing.cathode(250, true) : Biasing.fixed(-20));
        return new JudgedStage(
                type,
                type.of(f.get("judge")),
                new StageSetting(
                        stage,
                        type.strictest()
                                .orElseThrow()
                                .plateWatts()
                                .orElseThrow()
                                .value(),
                        number(f, "idle") / 100,
                        1,
                        number(f, "mains") / 100,
                        switch (f.get("bias")) {
                            case "constant" -> GridSupply.HELD;
                            case "unknown" -> GridSupply.UNKNOWN;
                            default -> GridSupply.FOLLOWS;
                        },
                        DUTIES.get(f.get("duty"))),
                number(f, "highest") / 100);
    }

    private static double number(Map<String, String> fields, String name) {
        return Double.parseDouble(fields.get(name));
    }

    public StageJudge judge() {
        return new StageJudge(
                Judge.by(type.editions(picked), type.hasScreen()),
                ModelTrust.of(type.designation()).orElseThrow(),
                highest);
    }

    public List<StageJudgement> judged() {
        return judge().of(setting);
    }
}
