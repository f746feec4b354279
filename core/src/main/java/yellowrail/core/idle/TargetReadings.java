package yellowrail.core.idle;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowrail.core.amp.Seen;
import yellowrail.core.amp.TubeCurrents;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Typed;
import yellowrail.core.target.Target;
import yellowrail.core.target.Target.Window;

/**
 * Turns targets into meter readings at the present plate volts: {@code V = f·P rated / Vpk / (1 − q) · Rs (· N)}. Plate
 * volts move while one turns, so the reading is good for the neighbourhood of the present point.
 */
final class TargetReadings {
    private TargetReadings() {}

    static List<TargetReading> of(
            IdleQuestion question, List<Window> windows, double ratedWatts, Estimate vpk, CurrentSplit split) {
        List<TargetReading> lines = new ArrayList<>();
        double relative = split.plate().errors().and(vpk.errors()).likely();
        Optional<Target> chosen = question.target();
        for (Window window : windows) {
            boolean isChosen = chosen.filter(window::equals).isPresent();
            lines.add(line(question, window.name(), window.aim(), ratedWatts, vpk, split, relative, isChosen));
        }
        if (chosen.isPresent() && chosen.get() instanceof Window own && !windows.contains(own)) {
            lines.add(line(question, own.name(), own.aim(), ratedWatts, vpk, split, relative, true));
        }
        return lines;
    }

    private static TargetReading line(
            IdleQuestion question,
            String name,
            double share,
            double ratedWatts,
            Estimate vpk,
            CurrentSplit split,
            double relative,
            boolean chosen) {
        double watts = share * ratedWatts;
        double plate = watts / vpk.value();
        double screen = split.screen()
                .map(s -> split.plate().value() > 0
                        ? plate * s.value() / split.plate().value()
                        : 0.0)
                .orElse(0.0);
        OptionalDouble reading = question.method().readingAt(new TubeCurrents(plate, screen));
        if (reading.isEmpty()) {
            return new TargetReading(name, share, watts, plate, Optional.empty(), 0, chosen);
        }
        return new TargetReading(
                name,
                share,
                watts,
                plate,
                Optional.of(Typed.of(
                        reading.getAsDouble(), question.method().field().unit())),
                Math.abs(reading.getAsDouble()) * relative,
                chosen);
    }

    /** A maker's figure as a window of ±5 % about what it means in watts here; empty when the method gives no current. */
    static Optional<Window> meaning(
            IdleQuestion question, Target.MakersFigure figure, double ratedWatts, Estimate vpk, CurrentSplit split) {
        if (!(question.method().see(figure.reading(), question.meter()) instanceof Seen.Current asked)
                || !(question.reading()
                                .map(r -> question.method().see(r, question.meter()))
                                .orElse(null)
                        instanceof Seen.Current now)
                || !(now.perTube().value() > 0)
                || !(asked.perTube().value() > 0)) {
            return Optional.empty();
        }
        double plate =
                split.plate().value() * asked.perTube().value() / now.perTube().value();
        double share = plate * vpk.value() / ratedWatts;
        double within = Target.MakersFigure.MET_WITHIN;
        if (!(share * (1 + within) <= 1.5)) {
            return Optional.empty();
        }
        return Optional.of(new Window(
                figure.name(),
                share * (1 - within),
                share * (1 + within),
                "what the maker asks to be read at the test point"));
    }
}
