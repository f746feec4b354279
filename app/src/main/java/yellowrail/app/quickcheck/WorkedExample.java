package yellowrail.app.quickcheck;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.web.util.UriComponentsBuilder;
import yellowrail.app.forms.CheckForm;
import yellowrail.app.forms.CheckReader;
import yellowrail.core.idle.IdleCheck;
import yellowrail.core.reading.Meter;
import yellowrail.core.target.Target.Window;
import yellowrail.core.tube.Catalogue;

/**
 * A check that somebody else could have typed, answered like any other, for a page on which nothing is typed yet.
 *
 * @param view the answer
 * @param href the address at which it is the builder's own
 */
public record WorkedExample(CheckView view, String href) {
    private static final Map<String, String> TYPED = typed();

    private static Map<String, String> typed() {
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("tube", "6L6GC");
        typed.put("bias", "tracking");
        typed.put("volts", "431 V");
        typed.put("reading", "36.4 mV");
        typed.put("r", "1.00");
        typed.put("rtol", "1");
        typed.put("mains", "230");
        typed.put("target", "middle");
        return typed;
    }

    static WorkedExample of(Catalogue catalogue, List<Window> windows) {
        CheckReader.Read read = CheckReader.read(CheckForm.from(TYPED::get), catalogue, windows, Meter.CLASSES);
        UriComponentsBuilder address = UriComponentsBuilder.fromPath("/");
        TYPED.forEach(address::queryParam);
        return new WorkedExample(
                CheckView.of(read, IdleCheck.answer(read.question(), windows), true),
                address.encode().build().toUriString());
    }

    /** What was typed, in a sentence. */
    public String words() {
        return "A " + TYPED.get("tube") + " of a push-pull pair with fixed bias, " + TYPED.get("volts")
                + " from plate to chassis; the meter shows " + TYPED.get("reading") + " across its own "
                + TYPED.get("r")
                + " Ω resistor, at " + TYPED.get("mains") + " V mains.";
    }
}
