package yellowrail.app.load;

import java.util.Map;
import java.util.stream.Stream;
import yellowrail.core.amp.Duty;
import yellowrail.core.judging.At;
import yellowrail.core.judging.Judgement;
import yellowrail.core.judging.Standing;
import yellowrail.core.load.FrequencyFigures;
import yellowrail.core.load.OverFrequency;
import yellowrail.core.reading.Show;
import yellowrail.core.tube.DriveLimit;
import yellowrail.core.tube.Limit;
import yellowrail.core.tube.PublishedLimit;

/** Heat over frequency in words. */
final class HeatWords {
    private static final Map<PublishedLimit, String> NAMES = Map.of(
            Limit.PLATE_WATTS, "Hottest plate in the band",
            DriveLimit.SCREEN_WATTS, "Hottest screen in the band",
            DriveLimit.PEAK_PLATE_VOLTS, "Highest plate peak");

    private HeatWords() {}

    /** What the curves are. */
    static String drawn(LoadHeat.Heated heat) {
        String full = Show.significant(heat.heat().drive(), 3)
                + " V peak at each grid, full drive into the nominal ohms. A model, no measurement.";
        if (heat.duty() == Duty.TONE) {
            return "A held sine at each frequency, at its hottest level between idle and " + full;
        }
        return "What playing around each frequency alone would do, "
                + heat.duty().over() + "; up to " + full
                + " Judged is the average over the band, each octave with equal power.";
    }

    /** How one limit stands, and what stands beside it. */
    static Stream<LoadView.RemarkLine> lines(OverFrequency judged) {
        Standing standing = judged.standing();
        LoadView.RemarkLine line = new LoadView.RemarkLine(
                standing == Standing.OVER ? "caution" : "note",
                standing == Standing.OVER ? "over" : standing.passes() ? "open" : "warm",
                NAMES.get(judged.limit()) + ": "
                        + figure(judged.found(), judged.limit())
                        + (judged.at() == At.NOW ? "" : ", at " + Show.fixed(100 * judged.mains(), 0) + " % mains")
                        + judged.worst()
                                .map(j -> against(j, judged))
                                .orElse(
                                        standing == Standing.UNKNOWN
                                                ? ", no limit is known here."
                                                : ", no published limit."));
        return Stream.concat(
                Stream.of(line),
                judged
                        .octave()
                        .map(o -> new LoadView.RemarkLine(
                                "caution",
                                "warm",
                                NAMES.get(judged.limit()) + ", worst octave: " + figure(o.found(), judged.limit())
                                        + ", " + o.standing().words() + " if nothing else were played."))
                        .stream());
    }

    private static String against(Judgement gravest, OverFrequency judged) {
        Standing standing = judged.standing();
        return ", " + Show.fixed(100 * gravest.share(), 0) + " % of "
                + Show.siPlain(gravest.allowed(), judged.limit().unit(), 3)
                + (standing.passes() || standing == Standing.OVER
                        ? ""
                        : ", " + (standing == Standing.OPEN_QUESTION ? judged.hangsOn() : standing.words()))
                + judged.caution().map(c -> "; caution: " + c).orElse("") + ".";
    }

    /** For example {@code 9.1 W over 80 to 5000 Hz with music at home}. */
    private static String figure(FrequencyFigures.Found found, PublishedLimit limit) {
        String figure = Show.si(found.figure(), limit.unit(), 3);
        if (found.atIdle()) {
            return figure + " at idle";
        }
        return found.lowHertz() == found.highHertz()
                ? figure + " at " + hertz(found.lowHertz()) + " Hz"
                : figure + " over " + hertz(found.lowHertz()) + " to " + hertz(found.highHertz()) + " Hz with "
                        + found.duty().words();
    }

    private static String hertz(double hertz) {
        return Show.plain(hertz, 2);
    }
}
