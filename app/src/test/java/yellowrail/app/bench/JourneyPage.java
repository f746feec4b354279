package yellowrail.app.bench;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What the tests of this kind share. */
abstract class JourneyPage extends BenchPage {
    /** The figures of a tube's row: before mA, before W, after mA, after W, per cent, ratio. */
    double[] row(String socket) {
        String row = page.locator("article.sheet .tubes tbody tr")
                .filter(new Locator.FilterOptions()
                        .setHas(page.locator("td.b", new Page.LocatorOptions().setHasText(socket))))
                .first()
                .innerText();
        Matcher m = Pattern.compile("\\d+\\.?\\d*")
                .matcher(row.substring(row.indexOf("6550") + 4).replaceAll("T-?\\d+", ""));
        return m.results().mapToDouble(r -> Double.parseDouble(r.group())).toArray();
    }

    double rated() {
        return 35;
    }

    void cathodeRound(String volts) {
        reads("PLATE", "V1", "421");
        reads("CURRENT", "V1", volts);
        reads("PLATE", "V2", "421");
        reads("CURRENT", "V2", volts);
    }
}
