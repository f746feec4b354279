package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import yellowrail.core.amp.Duty;
import yellowrail.core.reading.Show;
import yellowrail.core.reading.Unit;

/**
 * A stage from idle to full drive, where the first grid reaches zero volts.
 *
 * @param idle no drive
 * @param levels rising drive, the last one full
 * @param oneWatt the drive that gives 1 W; empty when full drive does not
 * @param played averages over the time of each of {@link Duty#PLAYED}
 */
public record DriveSweep(Cycle idle, List<Cycle> levels, Optional<Cycle> oneWatt, Map<Duty, Cycle> played) {
    /** Below this share of its idle a tube counts as cut off: the boundary of class A printed with the figure. */
    public static final double CUT_OFF = 0.10;

    public DriveSweep {
        levels = List.copyOf(levels);
        played = Map.copyOf(played);
    }

    /**
     * @param count levels, 4 to 100
     * @throws NoSolution when idle or full drive cannot be solved
     */
    public static DriveSweep of(Stage stage, int count) {
        StageSolver solver = new StageSolver(stage);
        Cycle idle = solver.idle();
        Cycle most = solver.full();
        double full = most.drive();
        if (!(full > 0)) {
            throw new NoSolution("There is no room to drive this stage: a grid stands at zero volts at idle.");
        }
        // From small to large, so that each level starts where the last one ended.
        StageSolver rising = new StageSolver(stage);
        rising.idle();
        List<Cycle> levels = new ArrayList<>();
        for (int i = 1; i < count; i++) {
            levels.add(rising.driven(full * i / count));
        }
        levels.add(most);
        Optional<Cycle> oneWatt = levels.stream()
                .filter(l -> l.watts() >= 1)
                .findFirst()
                .map(near -> rising.giving(1, near))
                .filter(c -> Math.abs(c.watts() - 1) < 0.01);
        Map<Duty, Cycle> played = new EnumMap<>(Duty.class);
        StageSolver playing = new StageSolver(stage);
        Duty.PLAYED.forEach(duty -> played.put(duty, playing.played(duty)));
        return new DriveSweep(idle, levels, oneWatt, played);
    }

    /** What a duty is judged by: idle and, of a tone, every level, else the averages of all that it includes. */
    public List<Cycle> over(Duty duty) {
        List<Cycle> all = new ArrayList<>(List.of(idle));
        all.addAll(
                duty == Duty.TONE
                        ? levels
                        : duty.included().stream().map(played::get).toList());
        return all;
    }

    public Cycle full() {
        return levels.get(levels.size() - 1);
    }

    /** What of this duty, idle included, has the hottest average plate. */
    public Cycle hottestPlate(Duty duty) {
        return most(duty, Cycle::hottestPlateWatts);
    }

    public Cycle hottestScreen(Duty duty) {
        return most(duty, Cycle::hottestScreenWatts);
    }

    private Cycle most(Duty duty, ToDoubleFunction<Cycle> figure) {
        return over(duty).stream()
                .reduce((a, b) -> figure.applyAsDouble(b) > figure.applyAsDouble(a) ? b : a)
                .orElseThrow();
    }

    /** Where in this drive these averages are, in words: idle, a level of a tone, or one of {@link Duty#PLAYED}. */
    public String where(Cycle cycle) {
        if (cycle.drive() == 0) {
            return "at idle";
        }
        return Duty.PLAYED.stream()
                .filter(duty -> played.get(duty) == cycle)
                .map(duty -> "with " + duty.words() + " (" + Show.si(cycle.watts(), Unit.WATT, 3) + " into the load)")
                .findFirst()
                .orElseGet(() -> "at " + Show.si(cycle.watts(), Unit.WATT, 3) + " into the load");
    }

    /** Distortion at a power, interpolated between levels by drive; empty when full drive does not reach it. */
    public Optional<Double> distortionAt(double watts) {
        Cycle before = null;
        for (Cycle level : levels) {
            if (level.watts() >= watts) {
                if (before == null) {
                    return Optional.of(level.distortion() * Math.sqrt(watts / level.watts()));
                }
                double a = Math.sqrt(before.watts());
                double part = (Math.sqrt(watts) - a) / (Math.sqrt(level.watts()) - a);
                return Optional.of(before.distortion() + part * (level.distortion() - before.distortion()));
            }
            before = level;
        }
        return Optional.empty();
    }

    /** Power at which a tube's smallest current falls below 10 % of its idle; empty when that is not reached. */
    public Optional<Double> classAWatts() {
        double last = 1;
        double lastWatts = 0;
        for (Cycle level : levels) {
            double least = 1;
            for (int t = 0; t < level.tubes().size(); t++) {
                least = Math.min(
                        least,
                        level.tubes().get(t).plateLeast() / idle.tubes().get(t).plateAmperes());
            }
            if (least < CUT_OFF) {
                double part = (last - CUT_OFF) / (last - least);
                double root = Math.sqrt(lastWatts) + part * (Math.sqrt(level.watts()) - Math.sqrt(lastWatts));
                return Optional.of(root * root);
            }
            last = least;
            lastWatts = level.watts();
        }
        return Optional.empty();
    }

    /** Largest average cathode current of a tube, idle included, A. */
    public double cathodeAmperes(Duty duty) {
        return most(duty, Cycle::cathodeAmperes).cathodeAmperes();
    }

    /** Largest instantaneous plate current, A. */
    public double plateAmperes() {
        return levels.stream()
                .flatMap(l -> l.tubes().stream())
                .mapToDouble(Cycle.TubeCycle::plateMost)
                .max()
                .orElse(0);
    }

    public double plateMost() {
        return levels.stream().mapToDouble(Cycle::plateMost).max().orElse(idle.plateMost());
    }

    /** Share of full drive at which a screen first passes this limit; empty when none does, and where no tone is played. */
    public Optional<Double> screenReaches(double watts, Duty duty) {
        if (duty != Duty.TONE) {
            return Optional.empty();
        }
        if (idle.hottestScreenWatts() > watts) {
            return Optional.of(0.0);
        }
        double before = idle.hottestScreenWatts();
        double drive = 0;
        for (Cycle level : levels) {
            double now = level.hottestScreenWatts();
            if (now > watts) {
                return Optional.of(
                        (drive + (watts - before) / (now - before) * (level.drive() - drive)) / full().drive());
            }
            before = now;
            drive = level.drive();
        }
        return Optional.empty();
    }
}
