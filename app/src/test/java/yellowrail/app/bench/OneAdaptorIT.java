package yellowrail.app.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.microsoft.playwright.Locator;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import yellowrail.app.amps.Amp;
import yellowrail.app.rounds.Round;
import yellowrail.app.rounds.RoundStore;
import yellowrail.app.store.StoredTurns;
import yellowrail.core.amp.AmpDescription;
import yellowrail.core.amp.Bias;
import yellowrail.core.amp.BiasScheme;
import yellowrail.core.amp.ControlLayout;
import yellowrail.core.amp.Judging;
import yellowrail.core.amp.Mains;
import yellowrail.core.amp.OutputTransformer;
import yellowrail.core.amp.SenseGroup;
import yellowrail.core.amp.Socket;
import yellowrail.core.amp.StageLayout;
import yellowrail.core.amp.Supply;
import yellowrail.core.amp.Topology;
import yellowrail.core.amp.Windings;
import yellowrail.core.amp.sensing.SocketAdaptor;
import yellowrail.core.round.RoundAnswer;
import yellowrail.core.tube.Connection;

/** One adaptor on four tubes: each read in a power-on of its own, judged together. */
class OneAdaptorIT extends CountedPage {
    @Autowired
    private RoundStore rounds;

    @Autowired
    private EarlierTurns earlier;

    private static final List<String> SOCKETS = List.of("V1", "V2", "V3", "V4");

    private Amp quad(String name) {
        List<Socket> sockets = SOCKETS.stream()
                .map(s -> new Socket(s, 1, SOCKETS.indexOf(s) < 2 ? Socket.Side.A : Socket.Side.B, "EL34"))
                .toList();
        return amps.keep(
                UUID.randomUUID(),
                UUID.randomUUID(),
                0,
                new AmpDescription(
                        name,
                        new StageLayout(Topology.PUSH_PULL, Connection.PENTODE, 0, sockets, Optional.empty()),
                        new Bias(BiasScheme.FIXED_TRACKING, ControlLayout.PER_TUBE),
                        sockets.stream()
                                .map(s -> new SenseGroup(s.name(), List.of(s.name()), new SocketAdaptor(1, 1, 0)))
                                .toList(),
                        new Supply(
                                new Mains(Optional.empty(), 230, 216, 244),
                                List.of(),
                                Optional.empty(),
                                Windings.UNKNOWN),
                        OutputTransformer.UNKNOWN,
                        new Judging("middle", Optional.empty(), "", ""),
                        ""));
    }

    private void beginsByTurns(Amp amp, String soaks) {
        opensNew(amp);
        page.selectOption("select[name=meter]", "fine handheld");
        page.selectOption("select[name=access]", "adaptors");
        page.selectOption("select[name=turns]", "yes");
        page.selectOption("select[name=soaks]", soaks);
        begin();
    }

    /** Off, cool, moved, on: the step from one position to the next. */
    private void moves(String socket) {
        if (!page.locator(".power").first().innerText().contains("off")) {
            declaresCounted("OFF");
        }
        confirmsAll();
        clock.minutes(1.2);
        page.selectOption("#adaptor-socket", socket);
        presses(page.locator("#adaptor button"));
    }

    private void readsAll(String socket, double milliamperes) {
        enters("MAINS", "", "230");
        enters("CURRENT", socket, String.format(java.util.Locale.ROOT, "%.1f", milliamperes));
        enters("PLATE", socket, "421");
    }

    @Test
    void fourTubesAreSetByTurns() {
        beginsByTurns(quad("Reed 4"), "no");
        enters("LOAD_OHMS", "", "8");
        confirmsAll();
        // Hot sockets: not before a minute of off, standby and cool tubes.
        assertThat(page.locator("#adaptor").innerText()).contains("It is in no socket yet");
        clock.minutes(1.2);
        page.selectOption("#adaptor-socket", "V1");
        presses(page.locator("#adaptor button"));
        at("MAINS");
        declaresCounted("ON_TUBES_IN");
        enters("MAINS", "", "230");
        at("WARM_UP");
        // The adaptor's own socket alone is asked for; another's reading is a slip of the field.
        assertThat(page.locator(field("CURRENT", "V2")).count()).isZero();
        clock.minutes(10.5);
        enters("CURRENT", "V1", "39.2");
        at("MEASURE");
        enters("PLATE", "V1", "421");
        double[] milli = {39.2, 38.6, 39.6, 38.9};
        for (int i = 1; i < SOCKETS.size(); i++) {
            assertThat(page.locator(".next .do").innerText()).contains("Move the adaptor to " + SOCKETS.get(i));
            assertThat(page.locator(".next .figure").innerText()).contains(i + " of 4 read");
            moves(SOCKETS.get(i));
            declaresCounted("ON_TUBES_IN");
            assertThat(page.locator(".next .do").innerText()).contains("warms up");
            assertThat(page.locator(".tube-row").allInnerTexts().toString())
                    .contains("of this setting, before the move");
            clock.minutes(10.5);
            readsAll(SOCKETS.get(i), milli[i]);
        }
        // All were read; the first again says how far everything moved meanwhile.
        assertThat(page.locator(".next .do").innerText()).contains("Move the adaptor to V1 again");
        assertThat(verdicts()).allMatch(v -> !v.contains("in the window"));
        moves("V1");
        declaresCounted("ON_TUBES_IN");
        clock.minutes(10.5);
        readsAll("V1", 39.5);
        assertThat(page.locator(".findings").allInnerTexts().toString())
                .contains("4 of 4 read, one by one")
                .contains("0.77 % off");
        assertThat(verdicts()).allMatch(v -> v.contains("in the window"));
        presses(page.locator(".moves button:has-text('Go to Play')"));
        at("PLAY");
        confirmsAll();
        at("CLOSE");
        declaresCounted("OFF");
        clock.minutes(1.2);
        confirmsAll();
        at("SIGN_OFF");
        signsCounted();
        assertThat(page.locator("article.sheet .stamp").innerText()).isEqualTo("set, not proven");
        assertThat(page.locator("article.sheet").innerText()).contains("Adaptor moved to V4");
        leavesAllItsTubesInTheHistory(milli);
    }

    /** On the amp's page, in the round and in JSON: four tubes, each of its own power-on, with what drifted in their bands. */
    private void leavesAllItsTubesInTheHistory(double[] milli) {
        UUID session = UUID.fromString(page.url().replaceAll(".*/(?:bench|sessions)/([0-9a-f-]{36}).*", "$1"));
        Round round = keptRound(session);
        StoredTurns turns = round.turns().orElseThrow();
        assertThat(turns.positions()).containsOnlyKeys("V1", "V2", "V3", "V4");
        assertThat(turns.positions().values().stream()
                        .map(StoredTurns.PowerOn::on)
                        .distinct())
                .hasSize(4);
        assertThat(turns.drift().orElseThrow()).isCloseTo(0.0077, within(0.0001));
        RoundAnswer answer = round.judged(List.of());
        assertThat(answer.unmeasured()).isEmpty();
        for (int i = 1; i < 4; i++) {
            assertThat(answer.sockets()
                            .get(i)
                            .answer()
                            .cathodeAmperes()
                            .orElseThrow()
                            .value())
                    .isCloseTo(milli[i] / 1000, within(1e-6));
        }
        page.navigate(url("/amps/" + round.amp().id()));
        assertThat(page.locator("body").innerText()).contains("by turns").doesNotContain("sampled");
        page.navigate(url("/rounds/" + round.id()));
        assertThat(page.locator("body").innerText())
                .contains("Read by turns", "V4 on at", "0.77 %")
                .doesNotContain("not measured");
        String json = page.request().get(url("/api/v1/rounds/" + round.id())).text();
        assertThat(json).contains("\"turns\"", "\"drift\"", "by turns");
        looksRight();
        asAnEarlierVersionKeptIt(session, round);
    }

    private Round keptRound(UUID session) {
        return rounds.round(UUID.nameUUIDFromBytes((session + "/round").getBytes(StandardCharsets.UTF_8)));
    }

    /** What an earlier version kept was the last position alone: the events complete it, once. */
    private void asAnEarlierVersionKeptIt(UUID session, Round round) {
        jdbc.sql("alter table round_turns disable trigger all").update();
        jdbc.sql("alter table reading disable trigger all").update();
        jdbc.sql("delete from round_turns where round_id = ?").param(round.id()).update();
        jdbc.sql("delete from reading where round_id = ? and point in ('V2', 'V3', 'V4')")
                .param(round.id())
                .update();
        jdbc.sql("alter table round_turns enable trigger all").update();
        jdbc.sql("alter table reading enable trigger all").update();
        assertThat(keptRound(session).judged(List.of()).unmeasured()).containsExactly("V2", "V3", "V4");
        earlier.complete();
        earlier.complete();
        Round completed = keptRound(session);
        assertThat(completed.turns()).isEqualTo(round.turns());
        assertThat(completed.readings()).hasSameSizeAs(round.readings());
        assertThat(completed.judged(List.of()).words())
                .isEqualTo(round.judged(List.of()).words());
    }

    /** Each position watched over a whole soak in a power-on of its own, and the first read again: proven. */
    @Test
    void fourTubesAreProvenByTurns() {
        beginsByTurns(quad("Reed 6"), "yes");
        enters("LOAD_OHMS", "", "8");
        confirmsAll();
        clock.minutes(1.2);
        double[] milli = {39.2, 38.6, 39.6, 38.9};
        for (int i = 0; i < SOCKETS.size(); i++) {
            String socket = SOCKETS.get(i);
            if (i > 0) {
                moves(socket);
            } else {
                page.selectOption("#adaptor-socket", socket);
                presses(page.locator("#adaptor button"));
                at("MAINS");
            }
            declaresCounted("ON_TUBES_IN");
            if (i == 0) {
                enters("MAINS", "", "230");
                at("WARM_UP");
            }
            clock.minutes(10.5);
            for (int reading = 0; reading < 5; reading++) {
                enters("MAINS", "", "230");
                enters("CURRENT", socket, String.valueOf(milli[i]));
                if (i == 0 && reading == 0) {
                    at("MEASURE");
                }
                enters("PLATE", socket, "421");
                clock.minutes(reading < 4 ? 8.5 : 1);
            }
        }
        moves("V1");
        declaresCounted("ON_TUBES_IN");
        clock.minutes(10.5);
        readsAll("V1", 39.3);
        presses(page.locator(".moves button:has-text('Go to Soak')"));
        at("SOAK");
        assertThat(page.locator(".side").innerText()).contains("The soak is whole: play follows");
        presses(page.locator(".moves button:has-text('Go to Play')"));
        at("PLAY");
        confirmsAll();
        at("CLOSE");
        declaresCounted("OFF");
        clock.minutes(1.2);
        confirmsAll();
        at("SIGN_OFF");
        signsCounted();
        assertThat(page.locator("article.sheet .stamp").innerText()).isEqualTo("proven");
    }

    private List<String> verdicts() {
        return page.locator(".tube-row .figures b").allInnerTexts();
    }

    @Test
    void aReadingOfAnotherSocketIsASlipOfTheField() {
        beginsByTurns(quad("Reed 5"), "no");
        Locator first = page.locator("#all-ticks");
        first.click();
        page.waitForFunction("() => !document.getElementById('all-ticks')");
        clock.minutes(1.2);
        page.selectOption("#adaptor-socket", "V1");
        presses(page.locator("#adaptor button"));
        Object answer = page.evaluate("""
                async (session) => {
                  const send = async (kind, fields) => (await (await fetch(`/api/v1/sessions/${session}/events`, {
                    method: 'POST', headers: { 'Content-Type': 'application/json' },
                    body: JSON.stringify({ id: crypto.randomUUID(), kind, device: 'desk', fields }),
                  })).json()).detail || 'taken';
                  await send('read', { quantity: 'LOAD_OHMS', point: '', text: '8' });
                  await send('declare', { power: 'ON_TUBES_IN' });
                  return [await send('read', { quantity: 'CURRENT', point: 'V2', text: '38' }),
                    await send('adaptor', { socket: 'V2' }),
                    await send('read', { quantity: 'CURRENT', point: 'V1', text: '38' })];
                }
                """, page.locator("#bench").getAttribute("data-session"));
        assertThat(answer.toString())
                .contains("The adaptor is in V1. To read V2, switch off")
                .contains("Tubes stay where they are")
                .contains("taken");
    }
}
