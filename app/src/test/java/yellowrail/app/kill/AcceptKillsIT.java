package yellowrail.app.kill;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.web.util.HtmlUtils;

/** Ended while a swap is accepted, ticked off or taken back: all of it is there, or nothing, and once. */
class AcceptKillsIT extends Blows {
    private static final int KILLS = Math.max(4, Integer.getInteger("aimed", 1));
    private static final Pattern FORM = Pattern.compile(
            "<form method=\"post\" action=\"(/amps/[^\"]+/swap\\?[^\"]+)\">(.*?)</form>", Pattern.DOTALL);
    private static final Pattern HIDDEN = Pattern.compile("name=\"(\\w+)\"\\s+value=\"([^\"]*)\"");

    /** What a page's form sends, and where to. */
    private record Form(String path, String fields) {}

    private UUID measured() throws Exception {
        UUID amp = UUID.randomUUID();
        sendUntil(
                201,
                "/amps",
                "{\"id\":\"" + amp + "\",\"versionId\":\"" + UUID.randomUUID()
                        + "\",\"seenVersion\":0,\"description\":{\"name\":\"Struck\",\"bias\":\"tracking\","
                        + "\"topology\":\"pp\",\"zaa\":\"4000\",\"socketName\":[\"V1\",\"V2\"],\"socketSide\":[\"A\",\"B\"],"
                        + "\"socketType\":[\"EL34\",\"EL34\"],\"method\":\"own\",\"r\":\"10\"}}");
        sendUntil(
                201,
                "/amps/" + amp + "/rounds",
                "{\"id\":\"" + UUID.randomUUID() + "\",\"values\":{\"MAINS.\":\"230\",\"PLATE.V1\":\"351 V\","
                        + "\"CURRENT.V1\":\"380.0 mV\",\"PLATE.V2\":\"351 V\",\"CURRENT.V2\":\"382.0 mV\"}}");
        return amp;
    }

    /** The button of a candidate that passes, as the page has it. */
    private Form form(UUID amp) throws Exception {
        String page = requests.get(
                        "/amps/" + amp + "/swap?to1=6L6GC&winding=6&others=0.6&leak=100k&coldest=-70&hottest=-20"
                                + "&htDc=400&chokeDc=0&htOthers=20&diameter=60&height=150&tied=none&tried=yes&wanted=60")
                .body();
        Matcher form = FORM.matcher(page);
        while (form.find()) {
            if (form.group(2).contains("Describe the amp with")) {
                StringBuilder fields = new StringBuilder();
                Matcher hidden = HIDDEN.matcher(form.group(2));
                while (hidden.find()) {
                    fields.append('&').append(hidden.group(1)).append('=').append(encoded(hidden.group(2)));
                }
                return new Form(HtmlUtils.htmlUnescape(form.group(1)), fields.substring(1));
            }
        }
        throw new AssertionError("no candidate passes: " + page.replaceAll("(?s).*id=\"heads\"(.{0,900}).*", "$1"));
    }

    private static String encoded(String text) {
        return URLEncoder.encode(HtmlUtils.htmlUnescape(text), StandardCharsets.UTF_8);
    }

    private void sendForm(Form form) throws Exception {
        int status = requests.sent(form.path(), form.fields());
        for (int i = 0; i < 600 && status != 302; i++) {
            assertThat(status).as(form.path() + " " + form.fields()).isIn(0, 503);
            TimeUnit.MILLISECONDS.sleep(100);
            status = requests.sent(form.path(), form.fields());
        }
        assertThat(status).isEqualTo(302);
    }

    private int of(UUID amp, String table) throws Exception {
        return count("select count(*) from " + table + " where amp_id = '" + amp + "'");
    }

    @Test
    void whileAccepting() throws Exception {
        int first = 0;
        for (int i = 0; i < KILLS; i++) {
            UUID amp = measured();
            Form form = form(amp);
            int answer = strike(blow(i), random.nextInt(400), () -> requests.sent(form.path(), form.fields()));
            assertThat(answer).isIn(0, 302, 503);
            first += answer == 302 ? 1 : 0;
            if (answer == 302) {
                assertThat(of(amp, "accepted_swap")).as("acknowledged").isEqualTo(1);
            }
            // Half of it would be a version without its sheet, or a sheet without its version.
            assertThat(of(amp, "amp_version")).isEqualTo(1 + of(amp, "accepted_swap"));
            sendForm(form);
            assertThat(of(amp, "accepted_swap")).isEqualTo(1);
            assertThat(of(amp, "amp_version")).isEqualTo(2);
            assertThat(count(
                            "select count(*) from accepted_swap s join amp_version v on v.id = s.id and v.version = s.version"
                                    + " where s.amp_id = '" + amp + "'"))
                    .isEqualTo(1);
            String work = "/amps/" + amp + "/swap/accepted/" + swap(amp);
            assertThat(requests.get(work).body()).contains("is described with 2 × 6L6GC now");
            back(i, amp, work);
        }
        System.out.println("Aimed kills, accepting: " + KILLS + ", " + first
                + " acknowledged before the blow, 0 half, 0 lost, 0 twice");
    }

    private String swap(UUID amp) throws Exception {
        String page = requests.get("/amps/" + amp).body();
        Matcher link = Pattern.compile("/swap/accepted/([0-9a-f-]{36})").matcher(page);
        assertThat(link.find()).isTrue();
        return link.group(1);
    }

    private void back(int number, UUID amp, String work) throws Exception {
        Form step = new Form(work + "/steps", "entry=" + UUID.randomUUID() + "&step=0&done=true&device=desk");
        assertThat(strike(blow(number + 1), random.nextInt(200), () -> requests.sent(step.path(), step.fields())))
                .isIn(0, 302, 503);
        sendForm(step);
        assertThat(count("select count(*) from swap_step where swap_id = '" + swap(amp) + "'"))
                .isEqualTo(1);
        Form undo = new Form(work + "/back", "versionId=" + UUID.randomUUID() + "&now=NONE&device=desk");
        assertThat(strike(blow(number + 2), random.nextInt(200), () -> requests.sent(undo.path(), undo.fields())))
                .isIn(0, 302, 503);
        assertThat(of(amp, "amp_version"))
                .isEqualTo(2
                        + count("select count(*) from swap_taken_back where swap_id = '"
                                + work.substring(work.length() - 36) + "'"));
        sendForm(undo);
        assertThat(of(amp, "amp_version")).isEqualTo(3);
    }
}
