package yellowrail.core.adjust;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import yellowrail.core.reading.Band;

/**
 * Stops of several controls computed together: turned one after the other, each control is left where its tube will stand
 * on its mark once the last one is turned, for turning one moves B+ and so the currents of all.
 *
 * <p>With ΔV = −R·Δ(ΣIk) of the whole supply; a tube whose control stays follows {@code I ∝ V^y}; a tube that was turned
 * stands at {@code I = I_end·(V/V_end)^y} until the others are turned too.
 */
final class TurnPlan {
    private static final int ROUNDS = 200;
    private static final double DAMPING = 0.5;
    private static final double CONVERGED = 1e-7;
    private static final double LEAST = 0.2;

    /**
     * One control's stop, plate currents of its hottest tube, A, and plate volts to cathode, V.
     *
     * @param highestVolts at the stop on the stiffest supply that is possible
     */
    record Step(
            Control control,
            TubeNow lead,
            Band stop,
            double end,
            double stopVolts,
            double highestVolts,
            double endVolts) {}

    /** The state of the stage at one time. */
    private record State(double[] plate, double shift) {}

    private final List<TubeNow> tubes;
    private final List<Control> turned;
    private final ToDoubleFunction<TubeNow> aim;
    private final double ohms;
    private final double pull;
    private final double total;

    private TurnPlan(
            List<TubeNow> tubes, List<Control> turned, ToDoubleFunction<TubeNow> aim, double ohms, double pull) {
        this.tubes = tubes;
        this.turned = turned;
        this.aim = aim;
        this.ohms = ohms;
        this.pull = pull;
        this.total = tubes.stream().mapToDouble(TubeNow::cathodeAmperes).sum();
    }

    /**
     * @param turned the controls to turn, in the order they are turned
     * @param aim dissipation wanted of a tube, W
     * @return empty when this supply cannot give it
     */
    static Optional<List<Step>> of(
            List<TubeNow> tubes, List<Control> turned, ToDoubleFunction<TubeNow> aim, Coupling coupling) {
        Optional<List<double[]>> middle =
                stops(tubes, turned, aim, coupling.ohms().mid(), coupling.pull().mid());
        if (middle.isEmpty()) {
            return Optional.empty();
        }
        List<List<double[]>> corners = new ArrayList<>();
        for (double ohms : new double[] {coupling.ohms().low(), coupling.ohms().high()}) {
            for (double pull :
                    new double[] {coupling.pull().low(), coupling.pull().high()}) {
                stops(tubes, turned, aim, ohms, pull).ifPresent(corners::add);
            }
        }
        List<Step> steps = new ArrayList<>();
        for (int i = 0; i < turned.size(); i++) {
            double[] at = middle.get().get(i);
            double low = at[0];
            double high = at[0];
            double highestVolts = at[2];
            for (List<double[]> corner : corners) {
                low = Math.min(low, corner.get(i)[0]);
                high = Math.max(high, corner.get(i)[0]);
                highestVolts = Math.max(highestVolts, corner.get(i)[2]);
            }
            steps.add(new Step(
                    turned.get(i),
                    lead(tubes, turned.get(i)),
                    new Band(low, at[0], high),
                    at[1],
                    at[2],
                    highestVolts,
                    at[3]));
        }
        return Optional.of(steps);
    }

    /** Share of its rating at which each tube would end, in the order of the tubes; empty where the plan cannot be met. */
    static Optional<double[]> ends(
            List<TubeNow> tubes, List<Control> turned, ToDoubleFunction<TubeNow> aim, Coupling coupling) {
        TurnPlan plan = new TurnPlan(
                tubes, turned, aim, coupling.ohms().mid(), coupling.pull().mid());
        return plan.end().map(end -> {
            double[] shares = new double[tubes.size()];
            for (int i = 0; i < shares.length; i++) {
                shares[i] = end.plate[i] * plan.volts(i, end) / tubes.get(i).ratedWatts();
            }
            return shares;
        });
    }

    /** Of each control: the current to stop at, the one it ends at, and the volts at both. */
    private static Optional<List<double[]>> stops(
            List<TubeNow> tubes, List<Control> turned, ToDoubleFunction<TubeNow> aim, double ohms, double pull) {
        TurnPlan plan = new TurnPlan(tubes, turned, aim, ohms, pull);
        Optional<State> end = plan.end();
        if (end.isEmpty()) {
            return Optional.empty();
        }
        List<double[]> stops = new ArrayList<>();
        for (int i = 0; i < turned.size(); i++) {
            State at = plan.after(turned.subList(0, i + 1), end.get());
            int lead = tubes.indexOf(lead(tubes, turned.get(i)));
            stops.add(new double[] {
                at.plate[lead], end.get().plate[lead], plan.volts(lead, at), plan.volts(lead, end.get())
            });
        }
        return Optional.of(stops);
    }

    static TubeNow lead(List<TubeNow> tubes, Control control) {
        TubeNow hottest = null;
        for (TubeNow tube : tubes) {
            if (control.sockets().contains(tube.socket().name())
                    && (hottest == null || tube.share() > hottest.share())) {
                hottest = tube;
            }
        }
        return hottest;
    }

    /** Everything turned. */
    private Optional<State> end() {
        double[] plate = now();
        double shift = 0;
        for (int round = 0; round < ROUNDS; round++) {
            double[] next = now();
            for (int i = 0; i < next.length; i++) {
                next[i] *= Math.pow(
                        (tubes.get(i).plateVolts() + shift) / tubes.get(i).plateVolts(), pull);
            }
            for (Control control : turned) {
                TubeNow lead = lead(tubes, control);
                double volts = volts(tubes.indexOf(lead), new State(plate, shift));
                if (!(volts > lead.plateVolts() / 2)) {
                    return Optional.empty();
                }
                double factor = aim.applyAsDouble(lead) / volts / lead.plateAmperes();
                for (int i = 0; i < next.length; i++) {
                    if (control.sockets().contains(tubes.get(i).socket().name())) {
                        next[i] = tubes.get(i).plateAmperes() * factor;
                    }
                }
            }
            double wanted = -ohms * (total(next) - total);
            double moved = Math.abs(wanted - shift);
            shift += DAMPING * (wanted - shift);
            plate = next;
            if (moved < CONVERGED * tubes.get(0).plateVolts()) {
                return Optional.of(new State(plate, shift));
            }
        }
        return Optional.empty();
    }

    /** The first controls turned, the others still as they are. */
    private State after(List<Control> done, State end) {
        double shift = 0;
        double[] plate = now();
        for (int round = 0; round < ROUNDS; round++) {
            for (int i = 0; i < plate.length; i++) {
                TubeNow tube = tubes.get(i);
                boolean turned = done.stream()
                        .anyMatch(c -> c.sockets().contains(tube.socket().name()));
                double from = turned ? end.plate[i] : tube.plateAmperes();
                double fromShift = turned ? end.shift : 0;
                plate[i] = from * pulled(tube.plateVolts() + fromShift, tube.plateVolts() + shift);
            }
            double wanted = -ohms * (total(plate) - total);
            double moved = Math.abs(wanted - shift);
            shift += DAMPING * (wanted - shift);
            if (moved < CONVERGED * tubes.get(0).plateVolts()) {
                break;
            }
        }
        return new State(plate, shift);
    }

    /** How a current follows its volts; a supply that broke down further is none to plan with. */
    private double pulled(double from, double to) {
        return Math.pow(Math.max(LEAST, to / from), pull);
    }

    private double[] now() {
        return tubes.stream().mapToDouble(TubeNow::plateAmperes).toArray();
    }

    private double total(double[] plate) {
        double sum = 0;
        for (int i = 0; i < plate.length; i++) {
            sum += plate[i] * (1 + tubes.get(i).screenRatio());
        }
        return sum;
    }

    /** Plate volts of a tube there: the supply's movement, and the drop over its half primary. */
    private double volts(int index, State state) {
        TubeNow tube = tubes.get(index);
        double winding = tube.method().halfPrimaryOhms().map(w -> w.value()).orElse(0.0);
        double drop = 0;
        if (winding > 0) {
            for (int i = 0; i < tubes.size(); i++) {
                TubeNow other = tubes.get(i);
                if (other.socket().channel() == tube.socket().channel()
                        && other.socket().side() == tube.socket().side()) {
                    drop += winding * (state.plate[i] - other.plateAmperes());
                }
            }
        }
        return tube.plateVolts() + state.shift - drop;
    }
}
