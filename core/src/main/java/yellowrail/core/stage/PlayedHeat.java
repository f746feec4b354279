package yellowrail.core.stage;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import yellowrail.core.amp.Duty;

/**
 * Heat of what is played around one frequency, into a load with memory: noise in a narrow band is a sine whose amplitude
 * comes and goes by Rayleigh, slowly beside a cycle. B+, screens and cathodes stand at the averages of this duty into a
 * resistor, where its full drive ends too.
 *
 * <p>The square of the amplitude has an exponential distribution, so that its average is a Gauss–Laguerre sum: of four terms
 * within 0.7 % of the average over a resistor. In the static stage the envelope's own slow wandering passes the transformer;
 * here, as in a real one, it does not: in single-ended ultralinear stages 2.3 % of the heat.
 *
 * <p>Not thread-safe.
 */
public final class PlayedHeat {
    /** Roots of the fourth Laguerre polynomial, and their weights. */
    private static final double[] ROOTS = {0.322547689619, 1.745761101158, 4.536620296921, 9.395070912301};

    private static final double[] WEIGHTS = {0.603154104342, 0.357418692438, 0.0388879085150, 0.000539294705561};

    /** One amplitude, and the part of the time it stands for. */
    private record Part(ReactiveSolver solver, double peak, double share) {}

    private final Map<Duty, List<Part>> parts = new EnumMap<>(Duty.class);

    /** @throws NoSolution when the stage cannot be solved into its resistor */
    public PlayedHeat(Stage stage, ReflectedLoad load) {
        StageSolver solver = new StageSolver(stage);
        for (Duty duty : Duty.PLAYED) {
            Cycle averages = solver.played(duty);
            List<Part> all = new ArrayList<>();
            double noise = duty == Duty.HARD ? 0.5 : 1;
            for (int i = 0; i < ROOTS.length; i++) {
                double amplitude = Math.sqrt(Waveform.meanSquare(duty) * ROOTS[i]);
                all.add(new Part(
                        ReactiveSolver.playing(stage, load, averages),
                        amplitude * averages.drive(),
                        noise * WEIGHTS[i]));
            }
            if (duty == Duty.HARD) {
                all.add(new Part(
                        ReactiveSolver.playing(stage, load, averages),
                        Waveform.clipping(Waveform.CREST) * averages.drive(),
                        1 - noise));
            }
            parts.put(duty, all);
        }
    }

    /**
     * Heat of each of {@link Duty#PLAYED}.
     *
     * @param hertz middle of the narrow band, above 0
     * @throws NoSolution when an amplitude cannot be solved
     */
    public Map<Duty, Heat> at(double hertz) {
        Map<Duty, Heat> heat = new EnumMap<>(Duty.class);
        parts.forEach((duty, all) -> {
            Heat sum = new Heat(0, 0);
            for (Part part : all) {
                sum = sum.plus(Heat.of(part.solver().at(hertz, part.peak())), part.share());
            }
            heat.put(duty, sum);
        });
        return heat;
    }
}
