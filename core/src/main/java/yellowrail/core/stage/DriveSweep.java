package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * A stage from idle to full drive, where the first grid reaches zero volts.
 *
 * @param idle no drive
 * @param levels rising drive, the last one full
 * @param oneWatt the drive that gives 1 W; empty when full drive does not
 */
public record DriveSweep(Cycle idle, List<Cycle> levels, Optional<Cycle> oneWatt) {
    /** Below this share of its idle a tube counts as cut off: the boundary of class A printed with the figure. */
    public static final double CUT_OFF = 0.10;

    public DriveSweep {
        levels = List.copyOf(levels);
    }

    /**
     * @param count levels, 4 to 100
     * @throws NoSolution when idle or full drive cannot be solved
     */
    public static DriveSweep of(Stage stage, int count) {
        StageSolver solver = new StageSolver(stage);
        Cycle idle = solver.idle();
        double full = solver.fullDrive();
        if (!(full > 0)) {
            throw new NoSolution("There is no room to drive this stage: a grid stands at zero volts at idle.");
        }
        // From small to large, so that each level starts where the last one ended.
        StageSolver rising = new StageSolver(stage);
        rising.idle();
        List<Cycle> levels = new ArrayList<>();
        for (int i = 1; i <= count; i++) {
            levels.add(rising.driven(full * i / count));
        }
        Optional<Cycle> oneWatt = levels.stream()
                .filter(l -> l.watts() >= 1)
                .findFirst()
                .map(near -> rising.giving(1, near))
                .filter(c -> Math.abs(c.watts() - 1) < 0.01);
        return new DriveSweep(idle, levels, oneWatt);
    }

    public Cycle full() {
        return levels.get(levels.size() - 1);
    }

    /** The level, idle included, with the hottest average plate. */
    public Cycle hottestPlate() {
        Cycle most = idle;
        for (Cycle level : levels) {
            most = level.hottestPlateWatts() > most.hottestPlateWatts() ? level : most;
        }
        return most;
    }

    public Cycle hottestScreen() {
        Cycle most = idle;
        for (Cycle level : levels) {
            most = level.hottestScreenWatts() > most.hottestScreenWatts() ? level : most;
        }
        return most;
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
    public double cathodeAmperes() {
        double most = idle.cathodeAmperes();
        for (Cycle level : levels) {
            most = Math.max(most, level.cathodeAmperes());
        }
        return most;
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

    /** Share of full drive at which a screen first passes this limit; empty when none does. */
    public Optional<Double> screenReaches(double watts) {
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
