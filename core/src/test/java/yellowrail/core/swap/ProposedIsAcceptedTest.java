package yellowrail.core.swap;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import yellowrail.core.amp.Duty;
import yellowrail.core.stage.Biasing;
import yellowrail.core.stage.ComputedTarget;
import yellowrail.core.stage.NoSolution;
import yellowrail.core.stage.ScreenReport;
import yellowrail.core.stage.Stage;
import yellowrail.core.stage.StageJudge;
import yellowrail.core.stage.StageJudgement;
import yellowrail.core.stage.StageSetting;
import yellowrail.core.stage.StageTube;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Figure;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.ModelTrust;
import yellowrail.core.tube.PublishedLimit;
import yellowrail.core.tube.Ratings;

/**
 * Over random stages: what a sheet, a stage or a list proposes is accepted by the judge at the setting it leads to, and a sheet
 * gives every limit the standing that the stage's own page gives it.
 */
class ProposedIsAcceptedTest {
    private static final int STAGES = Integer.getInteger("stages", 90);
    private static final List<String> TYPES =
            List.of("6V6GT", "EL84", "6L6GC", "5881", "EL34", "6550A", "KT66", "KT88", "7591");
    private static final Pattern FIT = Pattern.compile("Fit ([0-9.]+) (k?)Ω");
    private static final Pattern REMEDY = Pattern.compile("A (resistor|screen supply|load) of ([0-9]+) (?:Ω|V)");

    private static final Map<Criterion, List<PublishedLimit>> ABOUT = Map.of(
            Criterion.PLATE_VOLTS, List.of(Limit.PLATE_VOLTS),
            Criterion.SCREEN_VOLTS, List.of(Limit.SCREEN_VOLTS),
            Criterion.CATHODE_CURRENT, List.of(Limit.CATHODE_AMPERES),
            Criterion.PLATE_HEAT, List.of(Limit.PLATE_WATTS, Limit.COMBINED_WATTS),
            Criterion.SCREEN_HEAT, List.of(Limit.SCREEN_WATTS, DriveLimit.SCREEN_WATTS));

    private static Present any(Random random) {
        String type = TYPES.get(random.nextInt(TYPES.size()));
        Ratings strict = Swaps.type(type).strictest().orElseThrow();
        double most = Math.min(
                strict.figure(Limit.PLATE_VOLTS).map(Figure::value).orElse(450.0),
                strict.figure(Limit.SCREEN_VOLTS).map(Figure::value).orElse(450.0));
        double supply = most * (0.6 + 0.5 * random.nextDouble());
        double load = 3000 + 7000 * random.nextDouble();
        if (random.nextBoolean()) {
            return Swaps.fixed(type, 2, supply, load, 0.3 + 0.8 * random.nextDouble());
        }
        try {
            return Swaps.cathode(type, 2, supply, load, 60 + 400 * random.nextDouble());
        } catch (IllegalArgumentException farTooHot) {
            return any(random);
        }
    }

    /** Not every idle can be had in every stage. */
    private static boolean settles(Present present) {
        try {
            present.stage();
            return true;
        } catch (NoSolution tooHot) {
            return false;
        }
    }

    private static StageJudge judge(Present present) {
        return new StageJudge(
                Swaps.candidate(present, present.type().designation()).judge(),
                ModelTrust.of(present.type().designation()).orElseThrow(),
                present.highest());
    }

    private static SwapCandidate candidate(Present present, String to, Optional<Double> ohms, boolean asked) {
        SwapCandidate c = Swaps.candidate(present, to);
        return new SwapCandidate(
                c.type(),
                c.editions(),
                c.curves(),
                c.tubes(),
                c.connection(),
                c.tap(),
                Math.min(1.1, present.setting().idleShare()),
                ohms,
                BiasChange.AS_NOW,
                Optional.empty(),
                asked);
    }

    private static boolean accepted(List<StageJudgement> judged, List<PublishedLimit> about) {
        return judged.stream().filter(j -> about.contains(j.limit())).allMatch(StageJudgement::accepted);
    }

    @Test
    void everyResistorAndIdleOfASheetPassesThatSheet() {
        Random random = new Random(26);
        int proposed = 0;
        for (int i = 0; i < STAGES; i++) {
            Present present = any(random).playing(Duty.values()[random.nextInt(Duty.values().length)]);
            String to = TYPES.get(random.nextInt(TYPES.size()));
            SwapSheet sheet = SwapSheet.of(
                    new SwapQuestion(present, Around.generous(), candidate(present, to, Optional.empty(), false)));
            if (sheet.after().isEmpty()) {
                continue;
            }
            if (sheet.question().cathodeBias()) {
                Matcher fit =
                        FIT.matcher(Swaps.row(sheet, Criterion.CATHODE_RESISTOR).mend());
                if (fit.find()) {
                    double ohms =
                            Double.parseDouble(fit.group(1)) * (fit.group(2).isEmpty() ? 1 : 1000);
                    SwapSheet there = SwapSheet.of(new SwapQuestion(
                            present, Around.generous(), candidate(present, to, Optional.of(ohms), false)));
                    assertThat(Swaps.row(there, Criterion.PLATE_HEAT).verdict())
                            .as("%s to %s on %s Ω: %s", present, to, ohms, there.rows())
                            .isIn(SwapVerdict.PASS, SwapVerdict.NOTE);
                    proposed++;
                }
            } else {
                List<StageJudgement> idle = StageJudgement.of(
                                sheet.question().candidate().judge(),
                                present.setting().duty(),
                                sheet.after().get().figures(present, List.of()))
                        .stream()
                        .filter(StageJudge.BY_IDLE)
                        .filter(j -> j.limit() == Limit.PLATE_WATTS && j.when() == yellowrail.core.stage.When.IDLE)
                        .toList();
                boolean volts = sheet.rows().stream()
                        .anyMatch(
                                r -> (r.criterion() == Criterion.PLATE_VOLTS || r.criterion() == Criterion.SCREEN_VOLTS)
                                        && r.verdict().compareTo(SwapVerdict.UNKNOWN) >= 0);
                if (!volts && sheet.after().get().bands().hold()) {
                    assertThat(StageJudge.accepted(idle))
                            .as("%s to %s: %s", present, to, idle)
                            .isTrue();
                    proposed++;
                }
            }
        }
        assertThat(proposed).isGreaterThan(STAGES / 6);
    }

    @Test
    void theHottestIdleAndTheScreenResistorsAreAccepted() {
        Random random = new Random(27);
        int targets = 0;
        int remedies = 0;
        int found = 0;
        int wanted = 0;
        for (int i = 0; i < STAGES / 3; i++) {
            Present present = any(random).playing(Duty.values()[random.nextInt(Duty.values().length)]);
            StageJudge judge = judge(present);
            StageSetting setting = present.setting();
            ComputedTarget target = ComputedTarget.of(setting, judge);
            if (target.solved()) {
                targets++;
                assertThat(StageJudge.accepted(judge.of(setting.idle(target.share())).stream()
                                .filter(StageJudge.BY_IDLE)
                                .toList()))
                        .as("%s at %s", present, target)
                        .isTrue();
            }
            wanted += target.solved() || reachable(setting, judge) ? 1 : 0;
            found += target.solved() ? 1 : 0;
            for (String remedy : remedies(setting, judge)) {
                Optional<StageSetting> with = with(setting, remedy);
                if (with.isPresent()) {
                    remedies++;
                    assertThat(accepted(judge.of(with.get()), List.of(Limit.SCREEN_WATTS, DriveLimit.SCREEN_WATTS)))
                            .as("%s with %s", present, remedy)
                            .isTrue();
                }
            }
        }
        assertThat(targets).isGreaterThan(STAGES / 12);
        assertThat(remedies).isGreaterThan(STAGES / 12);
        assertThat((double) found / wanted).isGreaterThanOrEqualTo(0.98);
    }

    /** The setting that a remedy for hot screens leads to: a resistor at each, a supply of their own, or another load. */
    private static Optional<StageSetting> with(StageSetting setting, String remedy) {
        Matcher said = REMEDY.matcher(remedy);
        if (!said.find()) {
            return Optional.empty();
        }
        Stage stage = setting.described();
        double figure = Double.parseDouble(said.group(2));
        return Optional.of(
                switch (said.group(1)) {
                    case "resistor" ->
                        setting.of(stage.tubed(stage.tubes().stream()
                                .map(t -> new StageTube(t.model(), t.side(), t.scale(), figure, t.gridOffset()))
                                .toList()));
                    case "screen supply" -> setting.of(stage.screensAt(figure));
                    default -> setting.load(figure / stage.loadOhms());
                });
    }

    /** Whether a wide search finds an idle that is accepted. */
    private static boolean reachable(StageSetting setting, StageJudge judge) {
        for (double share = 0.2; share <= 1.1; share += 0.1) {
            try {
                if (StageJudge.accepted(judge.of(setting.idle(share)).stream()
                        .filter(StageJudge.BY_IDLE)
                        .toList())) {
                    return true;
                }
            } catch (NoSolution none) {
                // not an idle this stage can have
            }
        }
        return false;
    }

    private static List<String> remedies(StageSetting setting, StageJudge judge) {
        try {
            return ScreenReport.of(setting, judge).remedies();
        } catch (NoSolution none) {
            return List.of();
        }
    }

    @Test
    void aSheetGivesEveryLimitTheStandingOfTheStage() {
        Random random = new Random(28);
        int compared = 0;
        for (int i = 0; i < STAGES; i++) {
            Present present = any(random).playing(Duty.values()[random.nextInt(Duty.values().length)]);
            String type = present.type().designation();
            if (!settles(present)) {
                continue;
            }
            Optional<Double> ohms = Optional.of(present.stage().biasing())
                    .filter(b -> b.cathodeOhms() > 0)
                    .map(Biasing::cathodeOhms);
            SwapSheet sheet =
                    SwapSheet.of(new SwapQuestion(present, Around.generous(), candidate(present, type, ohms, true)));
            if (sheet.after().isEmpty()) {
                continue;
            }
            List<StageJudgement> judged = StageJudgement.of(
                    sheet.question().candidate().judge(),
                    present.setting().duty(),
                    sheet.after().get().figures(present, List.of()));
            ABOUT.forEach((criterion, limits) -> {
                SwapVerdict worst = judged.stream()
                        .filter(j -> limits.contains(j.limit()))
                        .map(j -> SwapVerdict.of(
                                j.standing(),
                                j.judgement().filter(g -> g.toBeVerified()).isPresent()))
                        .reduce(SwapVerdict.PASS, SwapVerdict::worse);
                SwapVerdict told = Swaps.row(sheet, criterion).verdict();
                // Volts before the tubes conduct are a note beside it.
                assertThat(told == SwapVerdict.NOTE && worst == SwapVerdict.PASS ? worst : told)
                        .as("%s %s", criterion, Swaps.row(sheet, criterion))
                        .isEqualTo(worst);
            });
            compared++;
        }
        assertThat(compared).isGreaterThan(STAGES / 2);
    }
}
