package yellowrail.core.idle;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import yellowrail.core.amp.sensing.SensedCurrent;
import yellowrail.core.reading.Estimate;
import yellowrail.core.reading.Typed;
import yellowrail.core.target.Profiles;
import yellowrail.core.target.Target;
import yellowrail.core.target.Target.Window;

/**
 * Turns targets into meter readings at the present plate volts: {@code V = f·P rated / Vpk / (1 − q) · Rs (· N)}. Plate
 * volts move while one turns, so the reading is good for the neighbourhood of the present point.
 */
final class TargetReadings {
    /** From no current at all a turn is as far as any. */
    private static final double MOST_TURN = 1000;

    /** What is permitted moves by less than this share of the rating with the plate volts of such a turn. */
    private static final double MOVES = 0.005;

    private TargetReadings() {}

    /** Targets of profiles that do not belong to this stage are left out, unless one of them is chosen. */
    static List<TargetReading> of(
            IdleQuestion question,
            List<Window> windows,
            double ratedWatts,
            Estimate vpk,
            CurrentSplit split,
            HighestPermitted limits,
            Optional<Permitted> permitted) {
        List<TargetReading> lines = new ArrayList<>();
        Optional<Target> chosen = question.target();
        Line line = new Line(question, ratedWatts, vpk, split, limits, permitted);
        for (Window window : windows) {
            boolean isChosen = chosen.filter(window::equals).isPresent();
            if (isChosen
                    || Profiles.belongs(
                            window.name(),
                            question.stage().bias(),
                            question.stage().topology())) {
                lines.add(line.of(window, isChosen));
            }
        }
        if (chosen.isPresent() && chosen.get() instanceof Window own && !windows.contains(own)) {
            lines.add(line.of(own, true));
        }
        return lines;
    }

    private record Line(
            IdleQuestion question,
            double ratedWatts,
            Estimate vpk,
            CurrentSplit split,
            HighestPermitted limits,
            Optional<Permitted> permitted) {
        TargetReading of(Window window, boolean chosen) {
            double watts = window.aim() * ratedWatts;
            double plate = watts / vpk.value();
            OptionalDouble reading = question.method().readingAt(split.at(plate));
            double relative = split.plate().errors().and(vpk.errors()).likely();
            return new TargetReading(
                    window.name(),
                    window.aim(),
                    watts,
                    plate,
                    reading.isEmpty()
                            ? Optional.empty()
                            : Optional.of(Typed.of(
                                    reading.getAsDouble(),
                                    question.method().field().unit())),
                    reading.isEmpty() ? 0 : Math.abs(reading.getAsDouble()) * relative,
                    chosen,
                    permitted.filter(p -> plate > p.plateAmperes() * (1 + 1e-9)).map(Permitted::limit),
                    step(window, plate));
        }

        /** Whether the softest supply would carry it out of its window, or its volts past a limit, while one turns. */
        private boolean step(Window window, double plate) {
            double turn = split.plate().value() > 0 ? plate / split.plate().value() : MOST_TURN;
            double there = window.aim() * Math.max(0, 1 + SupplySoftness.MOST_SAG * (1 - turn));
            double low = Math.min(
                    window.low(),
                    permitted
                            .filter(Permitted::exists)
                            .map(p -> p.share() - IdleCheck.PERMITTED_WINDOW + MOVES)
                            .orElse(1.0));
            return !(there >= low && there <= window.high()) || !limits.holds(turn);
        }
    }

    /** A maker's figure as a window of ±5 % about what it means in watts here; empty when the method gives no current. */
    static Optional<Window> meaning(
            IdleQuestion question, Target.MakersFigure figure, double ratedWatts, Estimate vpk, CurrentSplit split) {
        if (!(question.method().see(figure.reading(), question.meter()) instanceof SensedCurrent.Current asked)
                || !(question.reading()
                                .map(r -> question.method().see(r, question.meter()))
                                .orElse(null)
                        instanceof SensedCurrent.Current now)
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
