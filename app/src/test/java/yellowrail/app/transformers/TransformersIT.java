package yellowrail.app.transformers;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import yellowrail.app.BrowserIT;
import yellowrail.app.amps.Amp;
import yellowrail.app.store.StoredDifferently;
import yellowrail.core.load.TransformerDescription;
import yellowrail.core.load.Windings;
import yellowrail.core.reading.Meter;
import yellowrail.core.reading.Typed;
import yellowrail.core.reading.Unit;
import yellowrail.core.round.Quantity;
import yellowrail.core.session.Entry;
import yellowrail.core.session.Plan;
import yellowrail.core.session.Power;
import yellowrail.core.session.Purpose;
import yellowrail.core.session.events.Declared;
import yellowrail.core.session.events.Read;
import yellowrail.core.session.events.Skipped;
import yellowrail.core.session.events.Ticked;
import yellowrail.core.session.stops.BeforePower;
import yellowrail.core.session.stops.Stops;

/** Transformers as things of their own: measured, kept, struck out, fitted; and the session whose load was off meanwhile. */
class TransformersIT extends BrowserIT {
    @Autowired
    private TransformerStore transformers;

    private void type(String id, String text) {
        page.locator("#" + id).fill(text);
    }

    private static TransformerDescription described(String name, double ohms) {
        return new TransformerDescription(
                name,
                Optional.of(ohms),
                List.of(4.0, 8.0, 16.0),
                Windings.NONE,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    private UUID kept(String name, double ohms) {
        UUID id = UUID.randomUUID();
        transformers.keep(UUID.randomUUID(), id, 0, described(name, ohms), Map.of());
        return id;
    }

    private UUID session(Amp amp) {
        return sessions.begin(
                UUID.randomUUID(), amp, Plan.usual(amp.description(), Purpose.YEARLY_CHECK, Meter.HANDHELD));
    }

    private void say(UUID session, yellowrail.core.session.Event event) {
        sessions.append(session, new Entry(UUID.randomUUID().toString(), clock.millis(), "desk", event));
    }

    /** All that is wanted before power. */
    private void ready(UUID session) {
        for (var check : List.of(
                BeforePower.LOAD,
                BeforePower.CONTROLS_DOWN,
                BeforePower.ONE_HAND,
                BeforePower.JEWELLERY,
                BeforePower.TUBES_COOL)) {
            say(session, new Ticked(check, "", true));
        }
        say(session, new Read(Quantity.LOAD_OHMS, "", new Typed("8", 8, Unit.OHM, 1), "", ""));
        say(session, new Skipped(Stops.DRAINED, "trial"));
    }

    @Test
    void anUnknownOneIsMeasuredKeptAndFoundAgain() {
        page.navigate(url("/load?marked="));
        page.selectOption("#driven1", "tap-8");
        page.selectOption("#other1", "primary");
        type("drive1", "0.1828");
        type("volts1", "4.766");
        // The page moves while an answer comes: it is waited for before anything is pressed.
        assertThat(page.locator("#answer")).containsText("5.44 kΩ");
        page.click("text=The transformer's copper, inductance and core");
        type("halfA", "96");
        page.waitForURL(u -> u.contains("halfA=96"));
        // Without a name it is not kept, and nothing typed is lost.
        page.click("#keep button");
        assertThat(page.locator("#keep")).containsText("A name for the transformer");
        assertThat(page.locator("#drive1")).hasValue("0.1828");
        page.selectOption("#driven2", "primary");
        page.selectOption("#other2", "tap-4");
        type("drive2", "12");
        type("name", "Crake, from the scrap amp");
        page.waitForURL(u -> u.contains("drive2=12"));
        page.click("#keep button");
        assertThat(page.locator("#keep")).containsText("Reading 2 is not whole");
        type("drive2", "");
        page.selectOption("#driven2", "");
        page.selectOption("#other2", "");
        page.waitForURL(u -> u.contains("drive2=&other2=&"));
        page.locator("#keep button").dblclick();
        page.waitForURL("**/transformers/*kept=yes");
        assertThat(page.locator("h1")).hasText("Crake, from the scrap amp");
        assertThat(page.locator("main")).containsText("8 Ω tap driven with 182.8 mV, whole primary reads 4.766 V");
        assertThat(page.locator("main")).containsText("Half A 96 Ω DC.");
        assertThat(page.locator("ol li")).hasCount(1);
        looksRight();
        // A second reading, from the other side, counts beside the kept one.
        page.click("text=Measure, or change");
        assertThat(page.locator("main")).containsText("with 1 kept readings");
        assertThat(page.locator("#halfA")).hasValue("96");
        type("drive1", "30.00");
        type("volts1", "1.152");
        page.waitForURL(u -> u.contains("volts1=1.152"));
        assertThat(page.locator("#answer")).not().containsText("Drive the other winding");
        page.click("#keep button");
        page.waitForURL("**/transformers/*kept=yes");
        assertThat(page.locator("ol li")).hasCount(2);
        assertThat(page.locator("main")).containsText("version 2");
        // One is struck out with a reason: it stays to be seen.
        page.locator("ol li details summary").first().click();
        page.locator("ol li form button").first().click();
        assertThat(page.locator("[role=alert]")).containsText("why this reading does not count");
        page.locator("ol li details summary").first().click();
        page.locator("ol li input[name=reason]").first().fill("other leads");
        page.locator("ol li form button").first().click();
        assertThat(page.locator("ol li s")).hasCount(1);
        assertThat(page.locator("ol li").first()).containsText("Does not count: other leads");
        assertThat(page.locator("main")).containsText("Drive the other winding and read once more");
        page.navigate(url("/transformers"));
        assertThat(page.locator("main")).containsText("Crake, from the scrap amp");
        looksRight();
    }

    @Test
    void fromTheShelfIntoAnAmp() {
        Amp amp = keepPair("Water rail 30", "6V6GT");
        UUID first = kept("Old one", 8000);
        UUID second = kept("Bigger one", 3400);
        transformers.fit(UUID.randomUUID(), first, Optional.of(new KeptTransformer.Fitted(amp.id(), 1)));
        page.navigate(url("/transformers/" + second));
        page.selectOption("#place", "Water rail 30");
        page.click("text=Put it there");
        assertThat(page.locator("[data-kept]")).isVisible();
        assertThat(page.locator("main .soft").first()).containsText("Water rail 30");
        assertThat(transformers.transformer(first).fitted()).isEmpty();
        assertThat(transformers.fittedTo(amp.id(), 1).orElseThrow().id()).isEqualTo(second);
        // The amp's load is this transformer, and it belongs to other tubes.
        page.click("text=Load of its amp");
        assertThat(page.locator("main")).containsText("Bigger one");
        assertThat(page.locator("#marked")).hasValue("3400");
        page.navigate(url("/amps/" + amp.id()));
        assertThat(page.locator("aside")).containsText("Bigger one");
        page.navigate(url("/transformers/" + second));
        page.selectOption("#place", "shelf");
        page.click("text=Put it there");
        assertThat(transformers.fittedTo(amp.id(), 1)).isEmpty();
        page.navigate(url("/load?transformer=" + UUID.randomUUID()));
        assertThat(page.locator("#say-transformer")).containsText("No transformer is kept under this address");
    }

    private Optional<String> powerRefused(UUID session) {
        return sessions.look(session, s -> Declared.waits(s.state(), Power.ON_TUBES_IN, clock.millis()));
    }

    /** Measuring takes the speaker off: power stays locked until the load is confirmed again. AC is no sign of power. */
    @Test
    void measuringTakesTheLoadOfAnOpenSessionOff() {
        Amp amp = keepPair("Spotted rail 20", "EL84");
        UUID transformer = kept("Fitted one", 8000);
        transformers.fit(UUID.randomUUID(), transformer, Optional.of(new KeptTransformer.Fitted(amp.id(), 1)));
        UUID session = session(amp);
        say(session, new Declared(Power.OFF));
        ready(session);
        assertThat(powerRefused(session)).isEmpty();
        page.navigate(url("/amps/" + amp.id() + "/load"));
        assertThat(page.locator("main")).containsText("Fitted one");
        type("drive1", "20.00");
        type("volts1", "0.633");
        assertThat(page.locator("#answer")).containsText("8.0");
        page.click("#keep button");
        page.waitForURL("**/transformers/*kept=yes");
        assertThat(powerRefused(session).orElseThrow()).containsIgnoringCase("load is connected");
        Power power = sessions.look(session, s -> s.state().powerFor(clock.millis()));
        assertThat(power).isEqualTo(Power.OFF);
        page.navigate(url("/bench/" + session));
        assertThat(page.locator("[role=checkbox][aria-checked=false]").first()).containsText("A load is connected");
        List<String> notes = sessions.look(
                session,
                s -> s.state().entries().stream()
                        .map(e -> e.event().toString())
                        .filter(e -> e.contains("confirm the load again before power"))
                        .toList());
        assertThat(notes).hasSize(1);
    }

    /** Readings cannot be of an amp that is declared on. */
    @Test
    void nothingIsMeasuredWithTheAmpOn() {
        Amp amp = keepPair("Baillon 15", "EL84");
        UUID session = session(amp);
        say(session, new Declared(Power.OFF));
        ready(session);
        say(session, new Declared(Power.ON_TUBES_IN));
        page.navigate(url("/amps/" + amp.id() + "/load"));
        type("drive1", "20.00");
        type("volts1", "0.633");
        assertThat(page.locator("#answer")).containsText("Drive the other winding");
        type("name", "Not now");
        page.click("#keep button");
        assertThat(page.locator("#keep")).containsText("says that it is on");
        assertThat(page.locator("#drive1")).hasValue("20.00");
        assertThat(transformers.all().shown())
                .noneMatch(t -> t.description().name().equals("Not now"));
    }

    /** The same press twice keeps once; another window's newer version is not overwritten. */
    @Test
    void keepsOnceAndOverwritesNothing() {
        UUID id = UUID.randomUUID();
        UUID version = UUID.randomUUID();
        transformers.keep(version, id, 0, described("Once", 5000), Map.of());
        transformers.keep(version, id, 0, described("Once", 5000), Map.of());
        assertThat(transformers.transformer(id).version()).isEqualTo(1);
        assertThatThrownBy(() -> transformers.keep(version, id, 0, described("Once", 6000), Map.of()))
                .isInstanceOf(StoredDifferently.class);
        transformers.keep(UUID.randomUUID(), id, 1, described("Twice", 5000), Map.of());
        assertThatThrownBy(() -> transformers.keep(UUID.randomUUID(), id, 1, described("Late", 5000), Map.of()))
                .hasMessageContaining("changed in another window");
        assertThat(transformers.transformer(id).description().name()).isEqualTo("Twice");
    }
}
