package yellowrail.core.swap;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;

/** The work that a swap asks for, in the order it is done, with its cautions. */
public final class WorkList {
    private WorkList() {}

    /** @param sheet of a swap that passes */
    public static List<String> of(SwapSheet sheet) {
        SwapQuestion question = sheet.question();
        String type = question.candidate().type().designation();
        List<String> work = new ArrayList<>();
        work.add(
                "Amp off, unplugged, speaker connected. Drain every supply node and read it: what is left can kill. Let the"
                        + " tubes cool before a hand goes near them.");
        row(sheet, Criterion.PINS)
                .ifPresent(r -> work.add("Look at every socket before a tube goes in: " + lower(r.reason())));
        row(sheet, Criterion.CONNECTION).ifPresent(r -> work.add("Wire the screens of every tube: " + r.reason()));
        for (Criterion part : List.of(Criterion.CATHODE_RESISTOR, Criterion.CATHODE_PARTS, Criterion.LOAD)) {
            row(sheet, part)
                    .filter(r -> r.verdict() != SwapVerdict.PASS)
                    .ifPresent(r -> work.add(r.reason() + (r.mend().isEmpty() ? "" : " " + r.mend())));
        }
        if (!question.cathodeBias()) {
            work.add("Turn the bias to its coldest end before the " + type + " go in."
                    + row(sheet, Criterion.BIAS_RANGE)
                            .map(r -> " " + r.reason())
                            .orElse(""));
        }
        work.add(
                "Put the tubes in straight, key or gap first looked at: a broken key lets a tube in the wrong way round.");
        for (SwapRow row : sheet.rows()) {
            boolean told = List.of(
                            Criterion.PINS,
                            Criterion.CONNECTION,
                            Criterion.CATHODE_RESISTOR,
                            Criterion.CATHODE_PARTS,
                            Criterion.LOAD,
                            Criterion.BIAS_RANGE)
                    .contains(row.criterion());
            if (!told && row.verdict() != SwapVerdict.PASS) {
                work.add("To know: " + row.criterion().title().toLowerCase(Locale.ROOT) + ". " + row.reason());
            }
        }
        work.add("First power through a limiter, with a bench session for new tubes: watch for red plates, then "
                + idle(sheet, question.cathodeBias()));
        return List.copyOf(work);
    }

    private static String idle(SwapSheet sheet, boolean cathodeBias) {
        String watts = sheet.after()
                .map(a -> Show.si(a.drive().idle().hottestPlateWatts(), Unit.WATT, 3) + " a tube")
                .orElse("");
        return cathodeBias
                ? "read the idle that the resistor gives" + (watts.isEmpty() ? "." : ", computed as " + watts + ".")
                : "set the idle" + (watts.isEmpty() ? "" : " towards " + watts)
                        + " from the coldest end, as read and not as computed.";
    }

    private static Optional<SwapRow> row(SwapSheet sheet, Criterion criterion) {
        return sheet.rows().stream().filter(r -> r.criterion() == criterion).findFirst();
    }

    private static String lower(String sentence) {
        // A designation at its beginning keeps its letters.
        return Character.isUpperCase(sentence.charAt(0)) && Character.isLowerCase(sentence.charAt(1))
                ? Character.toLowerCase(sentence.charAt(0)) + sentence.substring(1)
                : sentence;
    }
}
