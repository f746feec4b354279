package yellowrail.app.stage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import yellowrail.app.BrowserIT;
import yellowrail.app.amps.Amp;
import yellowrail.app.targets.Targets;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Bias;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.OutputTransformer;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.StageLayout;
import yellowrail.core.amp.Supply;
import yellowrail.core.amp.Windings;
import yellowrail.core.standin.SimulatedStage;
import yellowrail.core.target.Target;
import yellowrail.core.tube.TubeModels;

class AmpStageIT extends BrowserIT {
    private static final double SUPPLY = 452;
    private static final double OHMS = 95;

    @Autowired
    private Targets targets;

    @Autowired
    private FromAmp fromAmp;

    private static AmpDescription described(AmpDescription a, Optional<Double> load, BiasScheme bias, String target) {
        return new AmpDescription(
                a.name(),
                new StageLayout(
                        a.stage().topology(), a.stage().connection(), a.stage().tap(), a.sockets(), Optional.of(470.0)),
                new Bias(bias, a.bias().controls()),
                a.groups(),
                new Supply(a.mains(), a.supply().nodes(), a.supply().chokeOhms(), Windings.UNKNOWN),
                new OutputTransformer(load),
                a.judging().aimedAt(target),
                a.quirks());
    }

    private Amp keep(String name, Optional<Double> load, BiasScheme bias, String target) {
        return amps.keep(UUID.randomUUID(), UUID.randomUUID(), 0, described(pair(name, "6550"), load, bias, target));
    }

    /** A round of a simulated stage with tubes of 1.02 and 0.9 times the type's strength. */
    private void round(Amp amp, double grid, double mains) {
        SimulatedStage stage =
                new SimulatedStage(TubeModels.of("6550").orElseThrow(), List.of(1.02, 0.9), SUPPLY, OHMS, 318, grid, 0);
        SimulatedStage.Idle idle = stage.idle(mains / 230);
        Map<String, String> values = new HashMap<>();
        values.put("MAINS.", String.format(Locale.ROOT, "%.1f V", mains));
        for (int t = 0; t < 2; t++) {
            double ohms = t == 0 ? 9.94 : 10.02;
            values.put("PLATE.V" + (t + 1), String.format(Locale.ROOT, "%.1f V", idle.plateVolts()));
            values.put(
                    "CURRENT.V" + (t + 1), String.format(Locale.ROOT, "%.2f mV", 1000 * idle.cathodeAmperes(t) * ohms));
            values.put("SCREEN.V" + (t + 1), String.format(Locale.ROOT, "%.1f V", idle.screenVolts()));
            values.put("GRID.V" + (t + 1), String.format(Locale.ROOT, "%.2f V", grid * mains / 230));
        }
        keepRound(amp, values);
    }

    private static double number(String text) {
        return Double.parseDouble(text.replaceAll("[^0-9.]", ""));
    }

    @Test
    void anAmpsReadingsFillTheStageAndLieOnItsChart() {
        Amp amp = keep("Whimbrel 60", Optional.of(4200.0), BiasScheme.FIXED_TRACKING, "middle");
        round(amp, -38, 231);
        round(amp, -35.4, 229);
        AmpStage stage = fromAmp.of(amp, 1);
        assertThat(stage.missing()).isEmpty();
        assertThat(number(stage.form().texts().get("supply"))).isCloseTo(SUPPLY, within(5.0));
        assertThat(number(stage.form().texts().get("source"))).isCloseTo(OHMS, within(40.0));
        String[] scales = stage.form().texts().get("scales").split(" ");
        assertThat(Double.parseDouble(scales[0])).isCloseTo(1.02, within(0.02));
        assertThat(Double.parseDouble(scales[1])).isCloseTo(0.90, within(0.02));

        page.navigate(url("/amps/" + amp.id()));
        page.click("text=Stage >> nth=1");
        page.waitForFunction("() => document.body?.dataset.shown");
        assertThat(page.locator("#chart .read").count()).isEqualTo(4);
        assertThat(page.locator("#chart .read text").allTextContents())
                .containsExactlyInAnyOrder("V1 measured", "V2 measured");
        assertThat(page.locator("#legend").innerText())
                .contains("Measured: crosses")
                .contains("Model: thin");
        // The computed idle goes through the stronger tube's measured point.
        double idle = ((Number)
                        page.evaluate("() => Number(document.querySelector('#chart .idle').getAttribute('cy'))"))
                .doubleValue();
        double read = ((Number)
                        page.evaluate("() => { const d = JSON.parse(document.getElementById('stage').dataset.points)"
                                + ".filter((p) => p.newest)[0]; return d.amperes; }"))
                .doubleValue();
        double tile = number(page.locator(".tile[data-name='Idle'] .figure").innerText());
        assertThat(tile).isCloseTo(1000 * read, within(1.5));
        assertThat(idle).isPositive();
        assertThat(page.locator("text=Grids as read").count()).isEqualTo(1);
        looksRight();
        // Moved, the address keeps what is shown; the amp's own figures are one link away.
        page.fill("input[name=load]", "3 k");
        page.waitForURL(u -> u.contains("load=3"));
        page.reload();
        assertThat(page.inputValue("input[name=load]")).isEqualTo("3 k");
        page.click("text=Where the figures come from");
        page.click("text=Fill in again from the amp");
        page.waitForFunction("() => document.body?.dataset.shown");
        assertThat(page.inputValue("input[name=load]")).isEqualTo("4200 Ω");
    }

    @Test
    void theComputedTargetJoinsTheOthersWithItsReason() throws Exception {
        Amp amp = keep("Whimbrel 61", Optional.of(4200.0), BiasScheme.FIXED_TRACKING, "computed");
        assertThat(targets.computed(amp).words()).contains("no round holds volts and current");
        assertThat(targets.windows(amp)).extracting(Target::name).doesNotContain("computed");
        round(amp, -35.4, 230);
        Targets.Computed computed = targets.computed(amp);
        Target.Window window = computed.window().orElseThrow();
        assertThat(window.high()).isBetween(0.5, 0.8);
        assertThat(window.why()).contains("the hottest plate averages").contains("kept as a margin");
        assertThat(targets.windows(amp)).contains(window);
        // One round does not tell the source resistance: none is the hotter, and the target the colder.
        assertThat(window.why()).contains("taken as none, the stricter").containsPattern("From rounds up to \\d");
        AmpStage stage = fromAmp.of(amp, 1);
        assertThat(stage.form().texts().get("source")).isEqualTo("100 Ω");
        assertThat(stage.strict().texts().get("source")).isEqualTo("0 Ω");
        assertThat(number(stage.strict().texts().get("supply")))
                .isLessThan(number(stage.form().texts().get("supply")));
        mvc.perform(get("/amps/" + amp.id())).andExpect(content().string(containsString("Computed target")));
        UUID round = rounds.rounds(amp.id()).get(0).id();
        mvc.perform(get("/rounds/" + round)).andExpect(content().string(containsString("computed")));
        assertThat(rounds.round(round).judged(targets.judging(amp)).verdict().words())
                .isNotEqualTo(rounds.round(round).judged(List.of()).verdict().words());
        mvc.perform(get("/amps/" + amp.id() + "/edit"))
                .andExpect(content().string(containsString("<option value=\"computed\" selected=\"selected\">")));
        // A grid supply that does not follow the mains leaves less room.
        Amp held = keep("Whimbrel 62", Optional.of(4200.0), BiasScheme.FIXED_UNKNOWN, "computed");
        round(held, -35.4, 230);
        assertThat(allowed(targets.computed(held).window().orElseThrow())).isLessThan(allowed(window));
    }

    /** What the drive would allow, per cent of the rating: above the ceiling of the idle it is told apart. */
    private static double allowed(Target.Window window) {
        return window.why().startsWith("the drive would allow ")
                ? number(window.why().replaceAll("the drive would allow (\\d+) %.*", "$1"))
                : 100 * window.high();
    }

    @Test
    void aRoundWithoutMainsGivesNoTarget() {
        Amp amp = keep("Whimbrel 65", Optional.of(4200.0), BiasScheme.FIXED_TRACKING, "computed");
        round(amp, -35.4, 230);
        assertThat(targets.computed(amp).window()).isPresent();
        keepRound(
                amp, Map.of("PLATE.V1", "405 V", "CURRENT.V1", "440 mV", "PLATE.V2", "405 V", "CURRENT.V2", "430 mV"));
        assertThat(targets.computed(amp).window()).isEmpty();
        assertThat(targets.computed(amp).words()).contains("the newest round has no mains reading");
    }

    @Test
    void noWindowOfTheBuildersTakesTheComputedOnesName() throws Exception {
        mvc.perform(post("/settings/targets")
                        .with(csrf())
                        .param("id", UUID.randomUUID().toString())
                        .param("name", "Computed")
                        .param("lo", "50 %")
                        .param("hi", "60 %"))
                .andExpect(status().isUnprocessableContent())
                .andExpect(content().string(containsString("“Computed” is taken")));
        mvc.perform(get("/settings")).andExpect(content().string(containsString("the hottest idle the amp")));
    }

    @Test
    void whatIsMissingIsSaidAndNothingStandsInForIt() {
        Amp amp = keep("Whimbrel 63", Optional.empty(), BiasScheme.FIXED_TRACKING, "computed");
        round(amp, -35.4, 230);
        AmpStage stage = fromAmp.of(amp, 1);
        assertThat(stage.missing()).contains("reflected load");
        assertThat(stage.form().texts().get("load")).isEmpty();
        assertThat(targets.computed(amp).window()).isEmpty();
        page.navigate(url("/amps/" + amp.id() + "/stage"));
        page.waitForSelector("#say-load");
        assertThat(page.locator("#say-load").innerText()).contains("nothing stands in for it");
        assertThat(page.locator(".stage-body").isVisible()).isFalse();
    }

    @Test
    void stagesThatAreNotComputedSayWhy() {
        AmpDescription a = pair("Whimbrel 64", "6550");
        List<Socket> mixed =
                List.of(new Socket("V1", 1, Socket.Side.A, "6550"), new Socket("V2", 1, Socket.Side.B, "EL34"));
        List<Socket> lopsided =
                List.of(new Socket("V1", 1, Socket.Side.A, "6550"), new Socket("V2", 1, Socket.Side.A, "6550"));
        assertThat(fromAmp.of(withSockets(a, mixed), 1).missing()).contains("two tube types");
        assertThat(fromAmp.of(withSockets(a, lopsided), 1).missing()).contains("only equal sides");
        assertThat(fromAmp.of(new Amp(UUID.randomUUID(), 1, a), 2).missing()).contains("no socket");
    }

    private static Amp withSockets(AmpDescription a, List<Socket> sockets) {
        return new Amp(UUID.randomUUID(), 1, a.wired(a.stage().seated(sockets)));
    }
}
