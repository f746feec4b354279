package yellowrail.core.swap;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import yellowrail.core.judging.Judge;
import yellowrail.core.judging.Standing;
import yellowrail.core.judging.Value;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;
import yellowrail.core.swap.Chassis.HighTension;
import yellowrail.core.swap.Chassis.Output;

/** What the candidate draws from the supply, and what of it magnetises the output transformer. */
final class CurrentRows {
    private CurrentRows() {}

    /** What carries the current, with its rating, A. */
    private record Part(String name, double amperes) {}

    static SwapRow supply(SwapQuestion question, SolvedStage before, SolvedStage after) {
        HighTension ht = question.chassis().part(HighTension.class);
        int channels = question.chassis().channels();
        double tubes = channels * SolvedStage.supplyAmperes(after.drive());
        double present = channels * SolvedStage.supplyAmperes(before.drive());
        String bPlus = " B+ at idle goes from " + volts(before.drive().idle().supplyVolts()) + " to "
                + volts(after.drive().idle().supplyVolts()) + ".";
        if (ht.windingAmperes().isEmpty()
                || ht.otherAmperes().isEmpty()
                || ht.chokeAmperes().isEmpty()) {
            return SwapRow.of(
                            Criterion.SUPPLY_CURRENT,
                            SwapVerdict.UNKNOWN,
                            "The output tubes draw " + amps(tubes) + " at most over the drive, now " + amps(present)
                                    + "; what winding, rectifier and choke may give, or what else they feed, is not answered."
                                    + bPlus)
                    .figures(amps(tubes), "not answered", Double.NaN)
                    .mend("Type the direct current they are rated for; what flows today is no rating.");
        }
        double total = tubes + ht.otherAmperes().get();
        List<Part> parts = new ArrayList<>();
        parts.add(new Part("winding and rectifier", ht.windingAmperes().get()));
        if (ht.chokeAmperes().get() > 0) {
            parts.add(new Part("choke", ht.chokeAmperes().get()));
        }
        Part least =
                parts.stream().min(Comparator.comparingDouble(Part::amperes)).orElseThrow();
        double band = after.bands().plate() * tubes / total;
        return SwapRow.of(
                        Criterion.SUPPLY_CURRENT,
                        verdict(total, least.amperes(), band),
                        amps(total) + " at most over the drive, "
                                + amps(ht.otherAmperes().get())
                                + " of it for everything else; " + least.name() + " " + amps(least.amperes())
                                + close(total, least.amperes(), band) + "." + bPlus)
                .figures(amps(total), amps(least.amperes()), total / least.amperes())
                .mend(
                        verdict(total, least.amperes(), band) != SwapVerdict.FAIL
                                ? ""
                                : "A colder idle, a higher load, or a supply that gives more.")
                .formula("mean of Ip + Ig2 of all tubes over a cycle, the larger of idle and full drive"
                        + (channels > 1 ? ", times " + channels + " channels" : "") + " + what else is fed");
    }

    /** Single-ended: all of the current flows in the core. */
    static Optional<SwapRow> core(SwapQuestion question, SolvedStage after) {
        if (after.stage().pushPull()) {
            return Optional.empty();
        }
        double amperes = SolvedStage.cycles(after.drive()).stream()
                .mapToDouble(after.stage()::coreAmperes)
                .max()
                .orElse(0);
        Optional<Double> rated = question.chassis().part(Output.class).coreAmperes();
        SwapRow row = rated.map(most -> SwapRow.of(
                                Criterion.CORE_CURRENT,
                                verdict(amperes, most, after.bands().plate()),
                                amps(amperes) + " at most over the drive, rated for " + amps(most)
                                        + close(amperes, most, after.bands().plate()) + ".")
                        .figures(amps(amperes), amps(most), amperes / most))
                .orElseGet(() -> SwapRow.of(
                                Criterion.CORE_CURRENT,
                                SwapVerdict.UNKNOWN,
                                amps(amperes)
                                        + " at most over the drive; what the output transformer is rated for is not answered:"
                                        + " above it its inductance and its low notes go.")
                        .figures(amps(amperes), "not answered", Double.NaN)
                        .mend("Type the direct current it is rated for."));
        return Optional.of(
                row.formula("sum of the mean currents of all tubes, as far as they flow through the primary"));
    }

    private static Standing standing(double value, double most, double band) {
        return Judge.part(Value.computed(value, band), Optional.of(most));
    }

    private static SwapVerdict verdict(double value, double most, double band) {
        return SwapVerdict.of(standing(value, most, band), false);
    }

    private static String close(double value, double most, double band) {
        return switch (standing(value, most, band)) {
            case OVER -> ": over it by " + amps(value - most);
            case UNKNOWN -> ", not told: the model is not fitted near these volts";
            case TOO_CLOSE -> ", too close to call inside the model's ±" + Show.plain(100 * band, 2) + " %";
            default -> "";
        };
    }

    private static String amps(double amperes) {
        return Show.si(amperes, Unit.AMPERE, 3);
    }

    private static String volts(double volts) {
        return Show.si(volts, Unit.VOLT, 3);
    }
}
